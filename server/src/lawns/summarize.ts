import {
  daysBetween,
  findingsOf,
  isOurs,
  dueWork,
  laboratoryDays,
  lawnBodySchema,
  probeReadingsOf,
  regionSchema,
  zoneArea,
  type ApplicationRecordBody,
  type Company,
  type LawnBody,
  type LawnSummary,
  type ReadingBody,
  type Season,
  type SoilSampleBody,
  type SoilSeason,
  type VisitBody,
  type WeatherBundle,
} from '@alfombra/core';
import {
  askedOn,
  lawnSeasonInput,
  movesSince,
  planSeason,
  plannedWorks,
  riskOfLawn,
  scoutAlerts,
  withSightings,
  type RiskMark,
  type Sighting,
  decidedIn,
  protectionOf,
  questionOf,
  type PlannedWork,
  type PlannerQuestion,
  remembered,
  type Protection,
  type RememberedQuestion,
  understood,
  type WorkMove,
} from '@alfombra/core/planning';
import type { Stored } from '../documents/store';
import { standInLaboratory, withReport } from '../standins/soilLaboratory';

/** Everything stored about one lawn. */
export interface LawnFile {
  lawn: Stored<LawnBody>;
  visits: Stored<VisitBody>[];
  records: Stored<ApplicationRecordBody>[];
  readings: Stored<ReadingBody>[];
  samples: Stored<SoilSampleBody>[];
}

/** A plan as it was worked out on a day, with what it was worked out from. */
export interface RememberedPlan {
  day: Company['today'];
  works: PlannedWork[];
  asked: RememberedQuestion;
}

const MOST_LETTERS = 200;

/** A lawn of which nothing can be worked out: on the list, marked, so that somebody can mend it. */
export function faultyWork({ lawn }: LawnFile, fault: string): LawnWork {
  const { name, customer, customerId, archived, region } = lawn.body;
  const summary = {
    id: lawn.id,
    name: typeof name === 'string' ? name : lawn.id,
    customer: typeof customer === 'string' ? customer : '',
    customerId: customerId ?? null,
    archived: archived === true,
    region: regionSchema.catch('transition').parse(region),
    lastVisit: null,
    followUps: [],
    areaFt2: 0,
    grasses: [],
    due: [],
    next: null,
    clashes: 0,
    fault: fault.slice(0, MOST_LETTERS),
  };
  return { summary, risks: [], lawn: { upkeep: 'standard', earlier: [] } };
}

/** What is worked out of a lawn alone; what colleagues saw elsewhere goes in when it is read. */
export interface LawnWork {
  summary: Omit<LawnSummary, 'scout' | 'sightings'>;
  risks: Omit<RiskMark, 'sighted'>[];
  lawn: Omit<Parameters<typeof scoutAlerts>[1], 'today'>;
  /** What is remembered until the next time, and what moved since the last; not of a lawn that nobody has measured. */
  plan?: RememberedPlan & { moves: WorkMove[] };
}

/** The row of the list, with what was confirmed at its station lately. */
export function summaryOf(
  { summary, risks, lawn }: LawnWork,
  sightings: readonly Sighting[],
  today: Company['today'],
): LawnSummary {
  return {
    ...summary,
    sightings: [...sightings],
    scout: scoutAlerts(
      risks.map((risk) => withSightings(risk, sightings, today)),
      { ...lawn, today },
    ),
  };
}

/**
 * A lawn with what is due on the company's day.
 * @param sharedSoil soil seasons of the station by site, kept from lawn to lawn; it is added to
 * @param before the plan that was worked out the last time
 */
export function workOut(
  company: Company,
  file: LawnFile,
  weather: WeatherBundle,
  sharedSoil: Map<string, SoilSeason> = new Map(),
  before: RememberedPlan | null = null,
): LawnWork {
  const { id } = file.lawn;
  const body = lawnBodySchema.parse(file.lawn.body);
  const common = {
    id,
    name: body.name,
    customer: body.customer,
    customerId: body.customerId,
    archived: body.archived,
    region: body.region,
    lastVisit:
      file.visits
        .map((visit) => visit.body.date)
        .sort()
        .pop() ?? null,
    followUps: followUpsOf(company, body, file),
    fault: null,
  };
  const earlier = decidedIn(file.visits.map(({ body: visit }) => visit));
  const lawn = {
    upkeep: body.upkeep,
    earlier,
    protection: lawnProtection(body, file, company.today),
  };
  if (body.zones.length === 0) {
    return {
      summary: { ...common, areaFt2: 0, grasses: [], due: [], next: null, clashes: 0 },
      risks: [],
      lawn,
    };
  }
  const question = questionOf(company, {
    lawn: body,
    visits: file.visits.map((visit) => ({ ...visit.body, id: visit.id })),
    records: file.records.map((record) => ({ ...record.body, id: record.id })),
    readings: probeReadingsOf(
      file.readings.map((reading) => ({ ...reading.body, id: reading.id })),
    ),
    samples: file.samples.map(({ body: sample }) =>
      withReport(standInLaboratory, sample, company.today),
    ),
  });
  const input = inputOf(question, weather, sharedSoil);
  const season = planSeason(input);
  const { soil } = input;
  const zoneName = (id: string) => body.zones.find((zone) => zone.id === id)?.name ?? '';
  const upcoming = season.steps.find((step) => step.state === 'upcoming' && isOurs(step));
  const areas = body.zones.map((zone) => zoneArea(zone));
  const areaFt2 = areas.reduce((sum, area) => sum + area, 0);
  const cover = new Map<string, number>();
  body.zones.forEach((zone, index) =>
    zone.stand.forEach((share) =>
      cover.set(
        share.species,
        (cover.get(share.species) ?? 0) + (share.cover * (areas[index] as number)) / areaFt2,
      ),
    ),
  );
  const summary = {
    ...common,
    areaFt2,
    grasses: [...cover]
      .map(([species, share]) => ({ species, cover: share }))
      .sort((a, b) => b.cover - a.cover),
    due: dueWork(season.steps).map(({ id: stepId, kind, zoneIds, closes }) => ({
      stepId,
      kind,
      zone: zoneIds.map(zoneName).join(', '),
      closes,
    })),
    next: upcoming ? { kind: upcoming.kind, opens: upcoming.window.opens } : null,
    clashes: season.clashes.filter(({ choice }) => choice === null).length,
  };
  return {
    summary,
    risks: riskOfLawn({ ...body, today: company.today }, weather, soil, []).map(
      ({ problem, worst, host }) => ({ problem, worst, host }),
    ),
    lawn,
    plan: planned(company, question, season, weather, sharedSoil, before),
  };
}

const inputOf = (
  { request, readings, records, history }: PlannerQuestion,
  weather: WeatherBundle,
  sharedSoil: Map<string, SoilSeason>,
) => lawnSeasonInput(request, weather, readings, records, history, sharedSoil);

/** What is remembered of a plan, and what moved in it since the last. */
function planned(
  company: Company,
  question: PlannerQuestion,
  season: Season,
  weather: WeatherBundle,
  sharedSoil: Map<string, SoilSeason>,
  before: RememberedPlan | null,
): NonNullable<LawnWork['plan']> {
  const asked = remembered(question);
  const works = plannedWorks(season);
  const ask = (of: RememberedQuestion): PlannedWork[] =>
    of === asked
      ? works
      : plannedWorks(planSeason(inputOf(askedOn(of, company), weather, sharedSoil)));
  const then = before && understood(before.asked);
  const moves =
    before && then ? movesSince(before.works, then, asked, ask, [before.day, company.today]) : [];
  return { day: company.today, works, asked, moves };
}

/** What was done against each cause over the lawn: lapsed in one zone is lapsed. */
function lawnProtection(
  body: LawnBody,
  file: LawnFile,
  today: Company['today'],
): Record<string, Protection> {
  const records = file.records.map((record) => ({ ...record.body, id: record.id }));
  const zones = body.zones.map(({ id }) =>
    protectionOf(id, records, decidedIn(file.visits.map(({ body: visit }) => visit)), today),
  );
  const whole: Record<string, Protection> = {};
  for (const zone of zones) {
    for (const [cause, state] of Object.entries(zone)) {
      if (whole[cause] !== 'lapsed') whole[cause] = state;
    }
  }
  return whole;
}

/** What waits for a person, the earliest first. */
function followUpsOf(company: Company, body: LawnBody, file: LawnFile): LawnSummary['followUps'] {
  const looks = findingsOf(
    file.visits.map((visit) => ({ ...visit.body, id: visit.id })),
    body,
  )
    .flatMap(({ damages }) => damages.flatMap(({ lookAgainOn }) => lookAgainOn ?? []))
    .concat(body.weedPatches.flatMap(({ lookAgainOn }) => lookAgainOn ?? []))
    .map((date) => ({ kind: 'look-again' as const, date: date as string }));
  const questions = body.questions
    .filter(({ answer }) => !answer)
    .map(({ askedOn }) => ({ kind: 'question' as const, date: askedOn as string }));
  const overdue = file.samples.flatMap(({ body: sample }) =>
    sample.sentOn &&
    !sample.report &&
    !standInLaboratory.reportOn(sample, company.today) &&
    daysBetween(sample.sentOn, company.today) > laboratoryDays.overdue
      ? [{ kind: 'report-overdue' as const, date: sample.sentOn as string }]
      : [],
  );
  const unnamed = body.weedPatches.flatMap(({ asked }) =>
    asked ? [{ kind: 'name-plant' as const, date: asked.on as string }] : [],
  );
  return [...looks, ...questions, ...overdue, ...unnamed].sort((a, b) =>
    a.date < b.date ? -1 : 1,
  );
}
