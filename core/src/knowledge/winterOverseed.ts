import type { GrassSlug } from './grasses';
import type { Source } from './source';

/** Ryegrass into turf that goes dormant, for a green winter (common practice; not in zoysia or St. Augustine). */
export const winterOverseed: {
  grasses: readonly GrassSlug[];
  seeds: readonly GrassSlug[];
  /** Soil between which it is sown while it cools, °F. */
  soilF: readonly [number, number];
  /** Days before the mean first hard frost. */
  daysBeforeFrost: number;
  source: Source;
} = {
  grasses: ['bermuda-common', 'bermuda-hybrid'],
  seeds: ['perennial-ryegrass', 'annual-ryegrass'],
  soilF: [60, 75],
  daysBeforeFrost: 14,
  source: { kind: 'common-practice' },
};
