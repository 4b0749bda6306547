import { withAgreement } from '../courses/agreed';
import { soilTest } from '../courses/findOut';
import type { LookStep, Season, Step } from '../courses/step';
import { layoutCosts } from '../knowledge/layoutCosts';
import { walkRules } from '../knowledge/programmes';
import { zoneArea, type Zone } from '../lawn';
import { needOfWork, workId } from '../needs/need';
import { pinsOf } from '../needs/pins';
import type { Reason } from '../needs/reason';
import type { SeasonInput } from '../needs/seasonInput';
import { addDays, daysBetween, type LocalDate } from '../units';
import { LIBRARY, shelfOf } from '../products';
import { atSetRate, heldSteps, type HeldSteps } from './heldSteps';
import { laidOut } from './laidOut';
import { planZone, type LookDue } from './planZone';

/** Days that a return which somebody asked for stays open. */
const ASKED_OPEN_DAYS = 7;

function lookStep(
  { today }: SeasonInput,
  zone: Zone,
  look: {
    id: string;
    need: string;
    subject: string | null;
    date: LocalDate;
    openDays: number;
    patchId: string | null;
    number: number | null;
    because: Reason;
  },
): LookStep {
  const { id, need, subject, date, openDays, patchId, number, because } = look;
  return {
    id,
    serves: [id],
    kind: 'look-again',
    zoneId: zone.id,
    window: {
      opens: date,
      best: date,
      closes: addDays(date, openDays),
      basis: { kind: 'calendar' },
    },
    span: { from: date, to: addDays(date, Math.min(openDays, layoutCosts.mostDays)) },
    state: date <= today ? 'open' : 'upcoming',
    areaFt2: zoneArea(zone),
    gates: [],
    because: [because],
    patchId,
    number,
    need,
    subject,
  };
}

/** Returns that somebody decided on, place by place. */
const asked = (input: SeasonInput): LookStep[] =>
  input.findings.flatMap(({ zoneId, damages }) =>
    damages.flatMap(({ patchId, number, lookAgainOn, cause }) => {
      const zone = input.zones.find(({ id }) => id === zoneId);
      if (!lookAgainOn || !zone) return [];
      const need = `${zoneId}:look-again:${patchId ?? 'zone'}:${lookAgainOn}`;
      return [
        lookStep(input, zone, {
          id: need,
          need,
          subject: cause,
          date: lookAgainOn,
          openDays: ASKED_OPEN_DAYS,
          patchId,
          number: number ?? null,
          because: { rule: cause ? 'look-again' : 'look-again-unsure', inputs: { cause } },
        }),
      ];
    }),
  );

/** Returns that follow on work that was done. */
const afterWork = (input: SeasonInput, zone: Zone, looks: readonly LookDue[]): LookStep[] =>
  looks.map(({ need, subject, date }) =>
    lookStep(input, zone, {
      id: workId(need, 'look', 1),
      need,
      subject,
      date,
      openDays: walkRules.lookOpenDays,
      patchId: null,
      number: null,
      because: { rule: `look-after-${need.split(':')[0]}`, inputs: { subject } },
    }),
  );

/** The season around what somebody has set. */
function around(input: SeasonInput, held: HeldSteps): Season {
  const shelf = shelfOf(input.policy.labels);
  const zones = input.zones.map((zone) => ({ zone, ...planZone(input, zone, held) }));
  const soil = soilTest(input);
  const set = new Set(held.steps.flatMap(({ serves }) => serves));
  const planned = zones
    .flatMap(({ steps }) => steps)
    .flatMap((step) => {
      // Work that is set is not planned a second time.
      const serves = step.serves.filter((work) => !set.has(work));
      return serves.length === 0 ? [] : [{ ...atSetRate(step, held, shelf), serves }];
    });
  return {
    needs: [...zones.flatMap(({ needs }) => needs), ...soil.needs],
    steps: laidOut(
      [
        ...held.steps,
        ...planned,
        ...zones.flatMap(({ zone, looks }) => afterWork(input, zone, looks)),
        ...asked(input),
      ],
      input,
      shelf,
    ).sort((a, b) => daysBetween(b.window.best, a.window.best)),
    clashes: zones.flatMap(({ clashes }) => clashes),
    leftOut: zones.flatMap(({ leftOut }) => leftOut),
    unmet: zones.flatMap(({ unmet }) => unmet),
    nitrogen: zones.flatMap(({ nitrogen }) => nitrogen),
    byHand: [...zones.flatMap(({ byHand }) => byHand), ...soil.byHand],
    unheld: [...held.unheld, ...zones.flatMap(({ unheld }) => unheld)],
  };
}

/**
 * Needs that have a job set are as far as they were without it: work that is still to come has met nothing, and has
 * shown nothing to look at.
 */
function asBefore(season: Season, free: Season, held: HeldSteps): Season {
  const set = new Set(held.steps.flatMap(({ serves }) => serves.map(needOfWork)));
  const changed = season.needs.filter(({ id }) => set.has(id));
  const told = new Set(changed.flatMap(({ reason }) => (reason ? [JSON.stringify(reason)] : [])));
  const isSet = (step: Step) => step.kind === 'look-again' && set.has(step.need);
  const own = new Map(free.needs.map((need) => [need.id, need]));
  return {
    ...season,
    needs: season.needs.map((need) => (set.has(need.id) ? (own.get(need.id) ?? need) : need)),
    steps: [...season.steps.filter((step) => !isSet(step)), ...free.steps.filter(isSet)].sort(
      (a, b) => daysBetween(b.window.best, a.window.best),
    ),
    leftOut: season.leftOut.filter(({ reason }) => !told.has(JSON.stringify(reason))),
  };
}

/**
 * Works out the year of a lawn: what every zone needs and how far each need has come; the steps with window, product,
 * rate, amount, gates and reasons; what was excluded; and the clashes that the technician must settle. Work on record
 * is counted where it belongs, whoever did it and with what; work that somebody has set stays, and the rest keeps
 * clear of it.
 * @returns steps in order of their best day
 * @throws RangeError when a zone has no soil season
 */
export function planSeason(input: SeasonInput): Season {
  const pins = pinsOf(input);
  const nothing = heldSteps([], [], [], input.today, LIBRARY);
  const free = around(input, nothing);
  if (pins.length === 0) return withAgreement(free, input.agreement);
  const held = heldSteps(
    pins,
    free.steps,
    input.records,
    input.today,
    shelfOf(input.policy.labels),
  );
  return withAgreement(asBefore(around(input, held), free, held), input.agreement);
}
