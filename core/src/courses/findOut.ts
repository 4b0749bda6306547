import { expectedDay } from '../choice/sprayDay';
import { dayRules, measureErrors } from '../knowledge';
import { soilTests } from '../knowledge/soilTests';
import { areaInterval, mainGrass, zoneArea, type Zone } from '../lawn';
import { needId, workId, type Need, type Place } from '../needs/need';
import { notHere } from '../needs/notHere';
import type { Reason } from '../needs/reason';
import type { SeasonInput } from '../needs/seasonInput';
import { addDays, localDate, yearOf, type LocalDate } from '../units';
import type { HandWork } from './step';

/** What is to be found out, and the work that it takes. */
export interface Findings {
  needs: Need[];
  byHand: HandWork[];
}

const findNeed = (subject: string, place: Place, on: LocalDate) => {
  const identity = { kind: 'find' as const, subject, place, cycle: String(yearOf(on)) };
  return { ...identity, id: needId(identity) };
};

/**
 * The need to find something out on a zone, and its work on the next trip.
 * @param kind how it is found out
 */
export function findOut(
  { today }: Pick<SeasonInput, 'today'>,
  zone: Zone,
  { subject, kind, reason }: { subject: string; kind: 'name' | 'measure'; reason: Reason },
): Findings {
  const need = findNeed(subject, { zoneId: zone.id }, today);
  return {
    needs: [{ ...need, state: 'open', course: kind, ways: [kind], reason }],
    byHand: [
      {
        id: workId(need.id, kind, 1),
        need: need.id,
        kind,
        zoneId: zone.id,
        areaFt2: zoneArea(zone),
        opens: today,
      },
    ],
  };
}

/** How far off the area of a zone may be either way, as a share of it, 95 %. */
function areaError(zone: Zone): number {
  const { areaFt2, low, high } = areaInterval(zone);
  return areaFt2 > 0 ? (high - low) / 2 / areaFt2 : Infinity;
}

/** Ground that is known too badly for a rate to mean anything: it is measured before it is dosed. */
export function measureFirst(input: SeasonInput, zone: Zone): Findings {
  const error = areaError(zone);
  if (error <= measureErrors.mostShare) return { needs: [], byHand: [] };
  const found = findOut(input, zone, {
    subject: 'area',
    kind: 'measure',
    reason: {
      rule: 'measure-first',
      inputs: { errorPct: Math.round(Math.min(error, 9.99) * 100) },
    },
  });
  const said = notHere(input, found.needs[0]!.id);
  return said
    ? {
        needs: found.needs.map((need) => ({ ...need, state: 'givenUp', reason: said })),
        byHand: [],
      }
    : found;
}

/** First day from one on which the ground of a zone can be cored. */
function unfrozen(input: SeasonInput, zone: Zone, from: LocalDate): LocalDate {
  const season = input.soil.get(zone.id);
  if (!season) return from;
  const end = addDays(season.start, season.meanF.length - 1);
  for (let day = from; day <= end; day = addDays(day, 1)) {
    const { soilF } = expectedDay(season, day);
    if (soilF === null || soilF > dayRules.frozenF) return day;
  }
  return from;
}

/**
 * The lawn's soil test: before anything is known, and again when its report no longer stands; a bag on its way is
 * waited for. It is taken from the largest zone whose grass is known.
 */
export function soilTest(input: SeasonInput): Findings {
  const { today, soilReports, zones } = input;
  const zone = zones.filter((one) => mainGrass(one)).sort((a, b) => zoneArea(b) - zoneArea(a))[0];
  if (!zone) return { needs: [], byHand: [] };
  const taken = soilReports.filter(({ date }) => date <= today);
  const reported = taken
    .flatMap(({ report }) => (report && report.reportedOn <= today ? [report.reportedOn] : []))
    .sort()
    .pop();
  const stands = reported ? addDays(localDate(reported), soilTests.standsDays) : null;
  const due = stands && stands >= today ? addDays(stands, 1) : today;
  const cored = unfrozen(input, zone, due);
  const need = findNeed('soil', { lawn: true }, cored);
  const course = { course: 'sample', ways: ['sample'] };
  const said = notHere(input, need.id);
  if (said) {
    return { needs: [{ ...need, ...course, state: 'givenUp', reason: said }], byHand: [] };
  }
  if (stands && stands >= today) {
    const reason = { rule: 'soil-tested', inputs: { on: reported as string, until: stands } };
    return { needs: [{ ...need, ...course, state: 'met', reason, next: cored }], byHand: [] };
  }
  const bagged = taken
    .filter(({ date, report }) => !report && addDays(date, soilTests.lostDays) >= today)
    .map(({ date }) => date)
    .sort()
    .pop();
  if (bagged) {
    const next = addDays(bagged, soilTests.lostDays);
    const reason = { rule: 'soil-on-its-way', inputs: { on: bagged } };
    return { needs: [{ ...need, ...course, state: 'waiting', reason, next }], byHand: [] };
  }
  const reason: Reason = reported
    ? { rule: 'soil-test-old', inputs: { on: reported } }
    : { rule: 'soil-untested', inputs: {} };
  return {
    needs: [{ ...need, ...course, state: 'planned', reason, next: cored }],
    byHand: [
      {
        id: workId(need.id, 'sample', 1),
        need: need.id,
        kind: 'sample',
        zoneId: zone.id,
        areaFt2: zoneArea(zone),
        opens: cored,
      },
    ],
  };
}
