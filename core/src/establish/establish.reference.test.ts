/** Wilson 1927 intervals of point counts, the 50 % rule (common practice) and seed arithmetic. */
import { seedMix, seedMixes } from '../knowledge';
import { wilsonInterval } from '../lawn';
import { coverDecision, seedMixRate, seedRate } from '.';

describe('Wilson interval, 95 %', () => {
  it.each([
    [9, 20, 0.258, 0.658],
    [15, 50, 0.191, 0.438],
    [22, 50, 0.312, 0.577],
    [40, 100, 0.309, 0.498],
    [50, 100, 0.404, 0.596],
    [66, 100, 0.563, 0.745],
    [110, 200, 0.481, 0.617],
  ])('%d of %d', (hits, points, low, high) => {
    const [a, b] = wilsonInterval(hits, points);
    expect(a).toBeCloseTo(low, 3);
    expect(b).toBeCloseTo(high, 3);
  });
});

describe('what the cover asks for', () => {
  it.each([
    [15, 50, 'renovate'],
    [40, 100, 'count-more'],
    [50, 100, 'count-more'],
    [66, 100, 'overseed'],
  ] as const)('%d of %d points', (hits, points, decision) =>
    expect(coverDecision(hits / points, 'tall-fescue', { hits, points })).toBe(decision),
  );
  it('waits for spreading grasses sooner than for bunch grasses', () => {
    expect(coverDecision(0.87, 'kentucky-bluegrass')).toBe('enough');
    expect(coverDecision(0.87, 'tall-fescue')).toBe('overseed');
    expect(coverDecision(0.4, 'tall-fescue')).toBe('renovate');
  });
});

it('EX-1.1: seed from the bag: 6 lb PLS at 98 % and 85 % is 7.203 lb', () => {
  const rate = seedRate('tall-fescue', 'new', { purity: 0.98, germination: 0.85 });
  expect((rate!.bulkLbPer1000 / rate!.plsLbPer1000) * 6).toBeCloseTo(7.203, 3);
  expect(seedRate('st-augustine', 'overseed')).toBeNull();
});

describe('seed mixes', () => {
  it.each(seedMixes.map((mix) => [mix.slug, mix] as const))(
    '%s adds up, and seed is sold',
    (_, mix) => {
      expect(mix.parts.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
      const rate = seedMixRate(mix, 'new');
      expect(rate.parts.reduce((sum, { countShare }) => sum + countShare, 0)).toBeCloseTo(1, 9);
      expect(rate.plsLbPer1000).toBeGreaterThan(0);
    },
  );
  it('ten per cent bluegrass by weight is half the seeds: 0.1·2,000,000 of 0.9·225,000 + 0.1·2,000,000', () => {
    const { parts } = seedMixRate(seedMix('mix-fescue-bluegrass')!, 'overseed');
    expect(parts[1]!.countShare).toBeCloseTo(200_000 / 402_500, 9);
  });
  it('refuses a grass of which no seed is sold', () => {
    const parts = [{ species: 'st-augustine' as const, share: 1 }];
    expect(() => seedMixRate({ slug: 'x', parts }, 'new')).toThrow(RangeError);
  });
});
