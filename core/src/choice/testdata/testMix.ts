import { LIBRARY } from '../../products';
import type { MixQuestion } from '../chooseMix';

/** A question about one walk on sound bluegrass, mild, with nothing before it and nothing in the way. */
export const plainMix = (fields: Partial<MixQuestion> = {}): MixQuestion => ({
  shelf: LIBRARY,
  mode: 'post',
  grasses: ['kentucky-bluegrass'],
  targets: [],
  treatedFt2: 5000,
  airHighF: 74,
  conditions: new Set(['green']),
  drought: false,
  treeRoots: false,
  sensitivePlants: false,
  weeksToSeeding: null,
  weeksSinceEmergence: null,
  residential: true,
  certified: false,
  confirmedLabels: new Set(),
  walks: 1,
  ...fields,
});
