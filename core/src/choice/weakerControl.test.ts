/** A weaker control has its price: four fifths are not taken over nineteen twentieths for a few cents a lawn. */
import { weeds } from '../knowledge';
import { layoutCosts } from '../knowledge/layoutCosts';
import { LIBRARY } from '../products';
import { chooseMix, onlyGroup, screenAll, targetControl } from './chooseMix';
import { plainMix } from './testdata/testMix';

const asked = (weed: string, survivorsUsd = 0) =>
  plainMix({
    grasses: ['tall-fescue'],
    targets: [{ weed, targetPct: targetControl(weed) }],
    treatedFt2: 2000,
    survivorsUsd,
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

it('knows the one mode of action of a tank in whatever order it is filled', () => {
  const { feasible } = screenAll(
    plainMix({
      targets: [{ weed: 'dandelion', targetPct: 80 }],
      confirmedLabels: new Set(LIBRARY.herbicides.map(({ slug }) => slug)),
    }),
  );
  // Iron has no mode of action of its own.
  expect(feasible.some(({ product }) => product.hrac.length === 0)).toBe(true);
  for (const a of feasible) {
    for (const b of feasible) {
      const groups = new Set([...a.product.hrac, ...b.product.hrac]);
      expect(onlyGroup([a, b])).toBe(groups.size === 1 ? [...groups][0] : null);
    }
  }
});
