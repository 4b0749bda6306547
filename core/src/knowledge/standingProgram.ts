import type { Region } from './region';
import type { SiteFactor } from './soilTemperature';
import type { Source } from './source';

/** What every lawn under care gets whether or not a weed of it was ever logged. */
interface StandingRule {
  regions: readonly Region[];
  /** Finishes that it is part of; turf that is kept basic is left to its own density. */
  upkeeps: readonly ('basic' | 'standard' | 'showpiece')[];
  /** Only where the site is so. */
  onlyWhere?: SiteFactor;
  /** Never where the site is so. */
  neverWhere?: SiteFactor;
}

/** A pre-emergent of the program: its emergence group, and the weeds that its product is chosen for. */
export interface StandingPrevention extends StandingRule {
  group: string;
  weeds: readonly string[];
}

const ALL: readonly Region[] = ['north', 'transition', 'south'];
const KEPT = ['standard', 'showpiece'] as const;

/** Spring everywhere, fall in the south where winter annuals stand in sleeping turf, sedges where it is wet. */
export const standingPreventions: readonly StandingPrevention[] = [
  {
    group: 'crabgrass',
    weeds: ['large-crabgrass', 'smooth-crabgrass'],
    regions: ALL,
    upkeeps: KEPT,
    neverWhere: 'full-shade',
  },
  {
    group: 'winter-annuals',
    weeds: ['annual-bluegrass', 'henbit'],
    regions: ['south'],
    upkeeps: KEPT,
  },
  {
    group: 'nutsedge',
    weeds: ['yellow-nutsedge'],
    regions: ALL,
    upkeeps: KEPT,
    onlyWhere: 'irrigated-daily',
  },
];

/** The round of fall against perennial broadleaves: they are spotted where they stand. */
export const fallRound: StandingRule & {
  weeds: readonly string[];
  from: string;
  to: string;
  cover: number;
  reachDays: number;
} = {
  regions: ['north', 'transition'],
  upkeeps: KEPT,
  weeds: ['dandelion', 'white-clover'],
  from: '09-15',
  to: '11-10',
  /** Share of the zone that is reckoned with while nothing was logged: spots. */
  cover: 0.02,
  /** A walk against a perennial broadleaf so many days before it or after has made the round. */
  reachDays: 21,
};

/** Grubs are prevented where they were, or were prevented, in three years; nobody gets them for the calendar's sake. */
export const grubSchool = 'by-history';

export const standingProgramSource: Source = { kind: 'common-practice' };

/** Whether a rule of the program is for a place. */
export const standsFor = (
  { regions, upkeeps, onlyWhere, neverWhere }: StandingRule,
  place: {
    region: Region;
    upkeep: 'basic' | 'standard' | 'showpiece';
    factors: readonly SiteFactor[];
  },
): boolean =>
  regions.includes(place.region) &&
  upkeeps.includes(place.upkeep) &&
  (onlyWhere === undefined || place.factors.includes(onlyWhere)) &&
  (neverWhere === undefined || !place.factors.includes(neverWhere));
