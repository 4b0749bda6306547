/**
 * How good the engine is, by cases drawn from its own model and by the worked cases with answers
 * turned round. Wider runs with a reliability table are in `npm run bench`.
 */
import { diagnose, diagnosisInputSchema } from '../diagnosis';
import workedCases from '../diagnosis/testdata/workedCases.json';
import { causes, signs } from '../knowledge';
import { askUntil, askingLimits, debrief, drawCase, inputOf } from './practiceCase';

const CASES = 24;
const drawn = Array.from({ length: CASES }, (_, seed) => drawCase(seed + 1));

describe('drawn cases', () => {
  it('are the same for the same seed and others for others', () => {
    expect(drawCase(7)).toEqual(drawCase(7));
    expect(new Set(drawn.map(({ cause }) => cause)).size).toBeGreaterThan(15);
  });
  it('hold to what was wished for', () => {
    const wish = { region: 'south' as const, month: 7, grass: 'st-augustine' as const };
    expect(drawCase(3, wish)).toMatchObject(wish);
  });
  it('show the signs of their cause as often as the model says', () => {
    const chinch = Array.from({ length: 1500 }, (_, seed) =>
      drawCase(seed, { region: 'south', month: 7, grass: 'st-augustine' }),
    ).filter(({ cause }) => cause === 'chinch-bug');
    expect(chinch.length).toBeGreaterThan(30);
    const p = causes.find(({ slug }) => slug === 'chinch-bug')!.signs['c-heat']!;
    const share = chinch.filter(({ truth }) => truth['c-heat']).length / chinch.length;
    // Three standard deviations of a binomial share.
    expect(Math.abs(share - p)).toBeLessThan(3 * Math.sqrt((p * (1 - p)) / chinch.length) + 0.01);
  });
  it('never show two signs that one zone cannot have', () => {
    for (const { truth } of drawn) {
      expect(truth['k-pat-uniform'] && truth['k-pat-single']).toBe(false);
      expect(truth['h-crown-firm'] && truth['h-crown-dead']).toBe(false);
    }
  });
});

describe('asking by expected gain', () => {
  const runs = drawn.map((entry) => ({
    gain: askUntil(entry, 'gain'),
    fixed: askUntil(entry, 'fixed'),
  }));
  it('settles more cases in fewer seconds than a fixed round', () => {
    const settled = (order: 'gain' | 'fixed') => runs.filter((run) => run[order].settled).length;
    const seconds = (order: 'gain' | 'fixed') =>
      runs.reduce((sum, run) => sum + run[order].seconds, 0);
    expect(settled('gain')).toBeGreaterThan(settled('fixed'));
    expect(seconds('gain')).toBeLessThan(0.8 * seconds('fixed'));
  });
  it('stays within a visit and asks nothing twice', () => {
    for (const { gain } of runs) {
      expect(gain.asked.length).toBeLessThanOrEqual(askingLimits.answers);
      expect(new Set(gain.asked.map(({ sign }) => sign)).size).toBe(gain.asked.length);
    }
  });
});

describe('an independent posterior', () => {
  /** The same model in the plainest way: no columns, no slots, one cause after the other. */
  const plain = (entry: (typeof drawn)[number], answers: Record<string, boolean>): number[] => {
    const start = diagnose(inputOf(entry, {})).posterior;
    const scores = [...causes.map(({ slug }) => slug), 'unknown-other'].map((slug) => {
      const listed = causes.find((cause) => cause.slug === slug)?.signs ?? {};
      const groups: Record<string, number[]> = {};
      for (const [sign, yes] of Object.entries(answers)) {
        const p = listed[sign];
        if (p === undefined) continue;
        const { base, group } = signs.find((candidate) => candidate.slug === sign)!;
        (groups[group] ??= []).push(yes ? Math.log(p / base) : Math.log((1 - p) / (1 - base)));
      }
      let evidence = 0;
      for (const ratios of Object.values(groups)) {
        for (const side of [1, -1]) {
          const sum = ratios
            .filter((ratio) => ratio * side > 0)
            .sort((a, b) => Math.abs(b) - Math.abs(a))
            .reduce((total, ratio, rank) => total + ratio * 0.6 ** rank, 0);
          evidence += Math.max(-4, Math.min(4, sum));
        }
      }
      return Math.log(start.find(({ cause }) => cause === slug)!.prior) + 0.85 * evidence;
    });
    const weights = scores.map(Math.exp);
    const total = weights.reduce((sum, weight) => sum + weight, 0);
    return weights.map((weight) => weight / total);
  };
  it('is the engine’s own, on drawn cases with many answers', () => {
    for (const entry of drawn.slice(0, 20)) {
      const answers = Object.fromEntries(
        signs
          .filter((_, index) => (index + entry.seed) % 5 === 0)
          .map(({ slug }) => [slug, entry.truth[slug]!]),
      );
      const engine = diagnose(inputOf(entry, answers)).posterior;
      plain(entry, answers).forEach((p, index) => {
        const slug = causes[index]?.slug ?? 'unknown-other';
        expect(engine.find(({ cause }) => cause === slug)!.p).toBeCloseTo(p, 10);
      });
    }
  });
});

describe('the worked cases', () => {
  const ask = (c: (typeof workedCases)[number], turned: string | null = null) =>
    diagnose(
      diagnosisInputSchema.parse({
        grass: [{ species: c.grass, cover: 1 }],
        zone: c.zone,
        month: c.month,
        soilTempF: c.soil,
        signs: Object.fromEntries([
          ...c.yes.map((slug) => [slug, slug !== turned]),
          ...c.no.map((slug) => [slug, slug === turned]),
        ]),
      }),
    );
  const named = (result: ReturnType<typeof ask>) =>
    result.posterior.filter(({ cause }) => cause !== 'unknown-other').map(({ cause }) => cause);
  it('with one answer turned round keep the cause among the first three in 90 % and more', () => {
    const turned = workedCases
      .filter(({ expected }) => causes.some(({ slug }) => slug === expected))
      .flatMap((c) =>
        [...c.yes, ...c.no].map((slug) => named(ask(c, slug)).slice(0, 3).includes(c.expected)),
      );
    expect(turned.length).toBeGreaterThan(200);
    expect(turned.filter(Boolean).length / turned.length).toBeGreaterThan(0.9);
  });
});

describe('the debrief', () => {
  const entry = drawCase(11, { region: 'south', month: 7, grass: 'st-augustine' });
  it('pays seconds for what was looked at and knows what an ideal observer asks', () => {
    const judged = debrief(entry, ['k-pat-uniform', 'c-heat'], entry.cause);
    expect(judged).toMatchObject({ cost: 'right', seconds: 5 + 5 + 2 * 3 });
    expect(judged.ideal.asked.length).toBeGreaterThan(0);
    expect(judged.decidedP).toBe(judged.truthP);
  });
  it.each([
    ['drought-wilt', 'irrigation-gap', ['right-action', 'wasted', 'harmful']],
    ['drought-wilt', null, ['delayed']],
    ['drought-wilt', 'overwatering', ['harmful']],
  ])('%s taken for %s costs %p', (truth, decided, costs) => {
    expect(costs).toContain(debrief({ ...entry, cause: truth }, [], decided).cost);
  });
});
