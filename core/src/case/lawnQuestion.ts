import type { LawnBody } from '../contract/lawn';
import type { VisitBody } from '../contract/visit';
import { seasonRequestSchema, type Policy, type SeasonRequest } from '../needs/seasonInput';
import { needOfWork } from '../needs/need';
import type { ZoneSoil } from '../fertility';
import type { Application } from '../rates';
import type { LocalDate } from '../units';
import type { ProbeReading } from '../weather';
import { findingsOf } from './findings';
import { decidedIn, historyByZone } from './protection';
import { nearZones, zonesAsKnown } from './siteFacts';

/** A lawn as it is stored, with what lies under it. */
export interface StoredLawn {
  lawn: LawnBody;
  visits: readonly (VisitBody & { id: string })[];
  records: readonly Application[];
  readings: readonly ProbeReading[];
  /** Bags of soil, with their reports where they are in. */
  samples: readonly ZoneSoil[];
}

/** What the planner is asked about a stored lawn; its weather comes beside it. */
export interface PlannerQuestion {
  request: SeasonRequest;
  readings: readonly ProbeReading[];
  records: readonly Application[];
  history: Map<string, string[]>;
}

/** Work by hand as the planner counts it: an application of nothing. */
const byHand = (lawn: LawnBody): Application[] =>
  Object.values(lawn.handDone).map(({ work, date, areaFt2 }) => ({
    id: work,
    // A need's third word is its place.
    zoneId: (needOfWork(work).split(':')[2] ?? '').split('.')[0] ?? '',
    date,
    areaFt2,
    stepId: work,
    materials: [],
  }));

/**
 * The planner's question about a stored lawn on a day. Screens, workers and the server all ask this one: what is asked
 * alike is answered alike.
 */
export const questionOf = (
  { today, policy }: { today: LocalDate; policy: Policy },
  { lawn, visits, records, readings, samples }: StoredLawn,
): PlannerQuestion => ({
  request: seasonRequestSchema.parse({
    today,
    region: lawn.region,
    upkeep: lawn.upkeep,
    zones: zonesAsKnown(lawn),
    findings: findingsOf(visits, lawn),
    policy,
    choices: lawn.choices,
    agreement: lawn.agreement,
    decisions: Object.values(lawn.decisions),
    looks: Object.values(lawn.looks),
    property: nearZones(lawn),
    soilReports: samples.map(({ zoneId, date, report }) => ({ zoneId, date, report })),
  }),
  readings,
  records: [...records, ...byHand(lawn)],
  history: historyByZone(lawn.zones, records, decidedIn(visits), today),
});
