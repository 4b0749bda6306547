/** A weaker control has its price: four fifths are not taken over nineteen twentieths for a few cents a lawn. */
import { weeds } from '../knowledge';
import { layoutCosts } from '../knowledge/layoutCosts';
import { LIBRARY } from '../products';
import { chooseMix, targetControl, type MixQuestion } from './chooseMix';

const asked = (weed: string, survivorsUsd?: number): MixQuestion => ({
  mode: 'post',
  grasses: ['tall-fescue'],
  targets: [{ weed, targetPct: targetControl(weed) }],
  treatedFt2: 2000,
  airHighF: 75,
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
  shelf: LIBRARY,
  ...(survivorsUsd === undefined ? {} : { survivorsUsd }),
});

it('pays for what it gains, and no more', () => {
  let better = 0;
  for (const { slug } of weeds) {
    const cheapest = chooseMix(asked(slug)).best;
    const priced = chooseMix(asked(slug, layoutCosts.survivorsPer1000)).best;
    if (!cheapest?.reaches || !priced) continue;
    const more = priced.totalUsdInvented - cheapest.totalUsdInvented;
    const gain = ((priced.control[slug]! - cheapest.control[slug]!) / 100) * 2;
    // Up to a tie.
    expect(more).toBeLessThanOrEqual(gain * layoutCosts.survivorsPer1000 + 0.01);
    if (gain > 0.1) better += 1;
  }
  expect(better).toBeGreaterThan(5);
});
