import {
  grass,
  toleranceOverrides,
  type GrassSlug,
  type Herbicide,
  type Tolerance,
  type ToleranceCondition,
} from '../knowledge';

/** State of air, turf and walk, as far as anybody knows it. */
export interface TurfState {
  airHighF?: number;
  soilF?: number;
  soilRising?: boolean;
  month: number;
  drought?: boolean;
  /** Share of the zone that was treated, 0-1. */
  treatedShare: number;
  /** Share of the stand under carpetgrass, 0-1. */
  carpetgrassCover: number;
  /** Share of the desired stand under fine fescue, 0-1. */
  fineFescueShare: number;
  youngTurf: boolean;
  /** Seed goes down with it or lies in the ground. */
  atSeeding: boolean;
  /** The same product was used in the weeks before. */
  repeated: boolean;
  coolAndWet: boolean;
  /** Bermuda is what it is meant for. */
  againstBermuda: boolean;
  /** Far under the rate that kills. */
  lowRate: boolean;
}

const HOT_F = 85;
const DORMANT_F = 50;
const TRANSITION_F = 65;

/** Whether a condition of the override table holds; unknown air and soil make no condition hold. */
export function holds(condition: ToleranceCondition, state: TurfState): boolean {
  const winter = state.month === 12 || state.month <= 2;
  const soil = state.soilF;
  const dormant = soil !== undefined && soil < DORMANT_F && winter;
  const greeningUp =
    soil !== undefined &&
    !dormant &&
    state.soilRising === true &&
    state.month <= 6 &&
    soil < TRANSITION_F;
  switch (condition) {
    case 'any':
      return true;
    case 'air>85F':
      return state.airHighF !== undefined && state.airHighF > HOT_F;
    case 'drought':
      return state.drought === true;
    case 'spot':
      return state.treatedShare < 0.05;
    case 'fully-dormant':
      return dormant;
    case 'spring-transition':
      return greeningUp;
    case 'green':
      return soil !== undefined && !dormant && !greeningUp;
    case 'alone-stand':
      return state.fineFescueShare > 0.2;
    case 'carpetgrass>10pct-cover':
      return state.carpetgrassCover > 0.1;
    case 'carpetgrass<=10pct-cover':
      return state.carpetgrassCover > 0 && state.carpetgrassCover <= 0.1;
    case 'young<16-months':
    case 'newly-sprigged':
      return state.youngTurf;
    case 'at-seeding':
      return state.atSeeding;
    case 'repeat-applications':
      return state.repeated;
    case 'cool-wet':
      return state.coolAndWet;
    case 'bermuda-suppression':
      return state.againstBermuda;
    case 'low-rate-suppression':
      return state.lowRate;
  }
}

/** The rating of a product on one grass in a state of the day. */
export function turfRating(product: Herbicide, species: GrassSlug, state: TurfState): Tolerance {
  const family = grass(species).herbicideTurf;
  const base =
    family === null ? undefined : product.tolerance[family === 'zoysia' ? species : family];
  const override = toleranceOverrides
    .filter((row) => row.herbicide === product.slug && row.turf === species)
    .filter((row) => holds(row.condition, state))
    .pop();
  return override?.rating ?? base ?? 'not-labelled';
}
