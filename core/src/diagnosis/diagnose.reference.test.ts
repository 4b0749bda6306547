/**
 * Posteriors worked by hand and by an independent program in the project's domain notes (all input
 * values elicited, from memory). An implementation of the stated model must reproduce them.
 */
import workedCases from './testdata/workedCases.json';
import { argument } from './argument';
import { diagnose, rankAllChecks } from './diagnose';
import { diagnosisInputSchema, type DiagnosisInput } from './diagnosisInput';

const input = (fields: Record<string, unknown>): DiagnosisInput =>
  diagnosisInputSchema.parse(fields);

const chinch = input({
  grass: [{ species: 'st-augustine', cover: 1 }],
  zone: 'south',
  month: 7,
  soilTempF: 84,
  signs: { 'k-loc-full-sun': true, 's-edge-yellow': true, 'c-heat': true, 't-rewet': false },
});
const roots = input({
  grass: [{ species: 'st-augustine', cover: 1 }],
  zone: 'south',
  month: 5,
  soilTempF: 74,
  signs: {
    's-col-lime': true,
    'h-roots-black': true,
    'h-roots-short': true,
    'h-veins': false,
    't-iron-strip': false,
  },
});
const p = (d: ReturnType<typeof diagnose>, cause: string) =>
  d.posterior.find((entry) => entry.cause === cause)?.p;

describe('two posteriors worked by hand', () => {
  const a = diagnose(chinch);
  it.each([
    ['chinch-bug', 0.708],
    ['drought-wilt', 0.011],
    ['take-all-root-rot', 0.027],
    ['heat-stress', 0.001],
    ['drought-death', 0.013],
    ['unknown-other', 0.013],
  ])('A: %s', (cause, expected) => expect(p(a, cause)).toBeCloseTo(expected, 3));
  it('A: entropy and the next three answers by worth per second', () => {
    expect(a.entropyBits).toBeCloseTo(2.481, 3);
    const best = rankAllChecks(chinch).slice(0, 3);
    expect(best.map((check) => check.sign)).toEqual(['c-expanding', 's-col-straw', 'c-sudden']);
    [0.379, 0.134, 0.114].forEach((bits, i) => expect(best[i]?.gainBits).toBeCloseTo(bits, 3));
    expect(best[0]?.utility).toBeCloseTo(0.0474, 4);
  });
  it('A: the argument multiplies back to the odds', () => {
    const spoken = argument(chinch, 'chinch-bug');
    expect(spoken.prior).toBeCloseTo(0.04138, 5);
    const product = [...spoken.for, ...spoken.against].reduce((x, s) => x * s.oddsFactor, 1);
    expect(Math.log(product)).toBeCloseTo(4.384, 3);
  });

  const b = diagnose(roots);
  it.each([
    ['iron-chlorosis', 0.001],
    ['take-all-root-rot', 0.436],
    ['n-hunger', 0.007],
    ['pythium-root-rot', 0.037],
    ['unknown-other', 0.008],
  ])('B: %s', (cause, expected) => expect(p(b, cause)).toBeCloseTo(expected, 3));
  it('B: entropy and the next three answers', () => {
    expect(b.entropyBits).toBeCloseTo(3.655, 3);
    const best = rankAllChecks(roots).slice(0, 3);
    expect(best.map((check) => check.sign)).toEqual(['s-squishy', 'c-expanding', 's-col-straw']);
    [0.245, 0.224, 0.161].forEach((bits, i) => expect(best[i]?.gainBits).toBeCloseTo(bits, 3));
  });
});

describe('34 worked cases', () => {
  it.each(workedCases.map((c) => [c.id, c] as const))('%s', (_, c) => {
    const asked = input({
      grass: [{ species: c.grass, cover: 1 }],
      zone: c.zone,
      month: c.month,
      soilTempF: c.soil,
      signs: Object.fromEntries([
        ...c.yes.map((slug) => [slug, true]),
        ...c.no.map((slug) => [slug, false]),
      ]),
    });
    const result = diagnose(asked);
    // The two answers worth most per second, as the independent program ranked them.
    const worth = rankAllChecks(asked).slice(0, 3);
    for (const [slug, bits] of c.next as [string, number][]) {
      const check = worth.find((entry) => entry.sign === slug);
      expect([slug, check === undefined]).toEqual([slug, false]);
      expect(Math.abs(check!.gainBits - bits)).toBeLessThan(0.0006);
    }
    const named = result.posterior.filter(({ cause }) => cause !== 'unknown-other');
    expect(named[0]?.cause).toBe(c.top);
    expect(named[0]?.p).toBeCloseTo(c.topP, 3);
    expect(named[1]?.cause).toBe(c.second);
    expect(named[1]?.p).toBeCloseTo(c.secondP, 3);
    if (c.expected === 'cannot-tell-yet') expect(result.verdict).toBe('cannot-tell');
    else if (c.expected.startsWith('PAIR:')) {
      expect(result.verdict).toBe('pair');
      expect([...(result.pair?.causes ?? [])].sort()).toEqual(
        c.expected.slice(5).split('+').sort(),
      );
    } else {
      expect(['likely', 'action-known']).toContain(result.verdict);
      expect(named[0]?.cause).toBe(c.expected);
    }
  });
});
