import fc from 'fast-check';
import { causes, signs } from '../knowledge';
import { argument } from './argument';
import { countTestVerdict } from './countTest';
import { diagnose } from './diagnose';
import { diagnosisInputSchema, type DiagnosisInput } from './diagnosisInput';
import { poissonInterval } from './poissonInterval';

const base = { grass: [{ species: 'st-augustine', cover: 0.9 }], zone: 'south', month: 7 };
const input = (fields: Record<string, unknown> = {}): DiagnosisInput =>
  diagnosisInputSchema.parse({ ...base, ...fields });
const answers = fc.dictionary(
  fc.constantFrom(...signs.map(({ slug }) => slug)),
  fc.constantFrom(true, false, 'unsure'),
  { maxKeys: 12 },
);
const p = (signsGiven: Record<string, unknown>, cause: string) =>
  diagnose(input({ signs: signsGiven })).posterior.find((c) => c.cause === cause)!.p;

describe('invariants of the posterior', () => {
  it('sums to one, whatever is answered', () => {
    fc.assert(
      fc.property(answers, (given) => {
        const total = diagnose(input({ signs: given })).posterior.reduce((sum, c) => sum + c.p, 0);
        expect(Math.abs(total - 1)).toBeLessThan(1e-9);
      }),
      { numRuns: 60 },
    );
  });
  it('does not mind the order of answers', () => {
    fc.assert(
      fc.property(answers, (given) => {
        const turned = Object.fromEntries(Object.entries(given).reverse());
        const a = diagnose(input({ signs: given })).posterior;
        const b = diagnose(input({ signs: turned })).posterior;
        a.forEach((c, i) => expect(c.p).toBeCloseTo(b[i]!.p, 12));
      }),
      { numRuns: 30 },
    );
  });
  it('is not moved by "unsure"', () => {
    expect(p({ 'h-chinch-seen': 'unsure' }, 'chinch-bug')).toBeCloseTo(p({}, 'chinch-bug'), 12);
  });
  it('moves a cause up on a yes that it makes likely, and down on a no', () => {
    for (const entry of causes.slice(0, 40)) {
      const strongest = Object.entries(entry.signs).sort((a, b) => b[1] - a[1])[0]!;
      const [slug] = strongest;
      expect(p({ [slug]: true }, entry.slug)).toBeGreaterThan(p({}, entry.slug));
      expect(p({ [slug]: false }, entry.slug)).toBeLessThan(p({}, entry.slug));
    }
  });
  it('counts less when the answerer lacks the skill', () => {
    const trained = diagnose(input({ signs: { 'h-chinch-seen': true }, skill: 2 }));
    const anyone = diagnose(input({ signs: { 'h-chinch-seen': true }, skill: 1 }));
    const of = (d: typeof trained) => d.posterior.find((c) => c.cause === 'chinch-bug')!.p;
    expect(of(anyone)).toBeLessThan(of(trained));
  });
});

describe('what to ask next', () => {
  it('offers neither what was answered nor what takes days', () => {
    const result = diagnose(input({ signs: { 's-edge-yellow': true, 'c-heat': 'unsure' } }));
    const asked = result.nextChecks.map(({ sign }) => sign);
    expect(asked).not.toContain('s-edge-yellow');
    expect(asked).not.toContain('c-heat');
    expect(asked).not.toContain('t-rewet');
    expect(result.nextChecks.every(({ gainBits }) => gainBits >= 0.01)).toBe(true);
  });
  it('stays where the technician stands unless moving is worth half as much again', () => {
    let stays = 0;
    let moves = 0;
    fc.assert(
      fc.property(answers, fc.constantFrom('kerb', 'standing', 'kneeling'), (given, posture) => {
        const asked = input({ signs: given });
        const far = diagnose(asked).bestCheck;
        const near = diagnose(asked, posture).bestCheck;
        if (!far || !near) return;
        const isHere = (check: typeof near) =>
          check.posture === posture || check.posture === 'context';
        if (isHere(near)) {
          expect(far.utility).toBeLessThan(1.5 * near.utility + 1e-12);
          if (!isHere(far)) stays += 1;
        } else {
          // Nothing that can be seen from here comes near to it.
          expect(near).toEqual(far);
          const here = diagnose(asked, posture).nextChecks.filter(isHere);
          const most = Math.max(0, ...here.map(({ utility }) => utility));
          expect(near.utility).toBeGreaterThanOrEqual(1.5 * most - 1e-12);
          moves += 1;
        }
      }),
      { numRuns: 150, seed: 20_261_128 },
    );
    expect([stays > 0, moves > 0]).toEqual([true, true]);
  });
  it('asks for a split when one zone cannot be both', () => {
    const result = diagnose(input({ signs: { 'k-pat-uniform': true, 'k-pat-single': true } }));
    expect(result.verdict).toBe('split-zone');
    expect(result.contradictions).toEqual([['k-pat-uniform', 'k-pat-single']]);
  });
  it('cannot tell from nothing', () => {
    expect(diagnose(input()).verdict).toBe('cannot-tell');
  });
  it('reads site facts and choice screens', () => {
    const dog = diagnose(input({ site: { dog: true }, signs: { edge: 's-edge-sharp' } }));
    const without = diagnose(input());
    const of = (d: typeof dog) => d.posterior.find((c) => c.cause === 'dog-urine')!.p;
    expect(of(dog)).toBeGreaterThan(of(without));
    expect(dog.answered).toBe(3);
  });
});

describe('the argument behind a probability', () => {
  it('names signs for and against, strongest first', () => {
    const spoken = argument(
      input({ signs: { 's-edge-yellow': true, 'k-loc-full-sun': true, 'h-roots-black': true } }),
      'chinch-bug',
    );
    expect(spoken.for.map(({ sign }) => sign)).toEqual(['s-edge-yellow', 'k-loc-full-sun']);
    expect(spoken.factors.host).toBe(1.8);
    expect(spoken.silent.concat(spoken.against.map(({ sign }) => sign))).toContain('h-roots-black');
  });
  it('knows no cause it has not', () => {
    expect(() => argument(input(), 'gremlins')).toThrow(RangeError);
  });
});

describe('counting tests (thresholds: common practice)', () => {
  const stand = [{ species: 'st-augustine' as const, cover: 1 }];
  const float = (counts: number[]) =>
    countTestVerdict({ test: 'chinch-float', sampler: 4, counts }, stand);
  it.each([
    [[2], 22.9, 'sample-more', 'unsure', [4, 72]],
    [[2, 1, 3], 22.9, 'treat-if-spreading', 'yes', [10, 45]],
    [[3, 2, 2], 26.7, 'treat', 'yes', [12.5, 50.2]],
    [[3, 2, 2, 4, 1, 3], 28.7, 'treat', 'yes', [17.7, 44.2]],
    [[0, 0, 1], 3.8, 'below', 'no', [0.2, 18]],
  ] as const)('T1: chinch float %p', (counts, perFt2, verdict, answer, range) => {
    const got = float([...counts]);
    expect(got.factor).toBeCloseTo(11.46, 2);
    // The published table multiplies the rounded factor.
    expect(Math.abs(got.perFt2 - perFt2)).toBeLessThan(0.06);
    expect(got.verdict).toBe(verdict);
    expect(got.answer).toBe(answer);
    expect(Math.abs(got.perFt2Range[0] - range[0])).toBeLessThan(0.5);
    expect(Math.abs(got.perFt2Range[1] - range[1])).toBeLessThan(0.8);
  });
  it('T2: grub cores, nine in six 4.25-in cores are 15.2 per ft²', () => {
    const got = countTestVerdict({ test: 'grub-lift', sampler: 4.25, counts: [1, 0, 3, 2, 1, 2] }, [
      { species: 'kentucky-bluegrass', cover: 1 },
    ]);
    expect(got.factor).toBeCloseTo(10.15, 2);
    expect(got.perFt2).toBeCloseTo(15.2, 1);
    expect(got.verdict).toBe('treat');
  });
  it('T23: uses the row of the grass', () => {
    const count = {
      test: 'grub-lift' as const,
      sampler: 4.25,
      counts: [1, 1, 1, 1, 1, 1],
      subject: 'masked-chafer',
    };
    expect(
      countTestVerdict(count, [{ species: 'bermuda-hybrid', cover: 1 }]).thresholdPerFt2,
    ).toEqual([15, 20]);
    expect(countTestVerdict(count, [{ species: 'zoysia-wide', cover: 1 }]).thresholdPerFt2).toEqual(
      [8, 8],
    );
  });
  it('T3: soap flush, seven webworms in 4 ft² are 15.8 per yd²', () => {
    const got = countTestVerdict(
      { test: 'soap-flush-caterpillar', sampler: 4, counts: [7, 7, 7] },
      stand,
    );
    expect(got.perFt2 * 9).toBeCloseTo(15.75, 2);
    expect(got.verdict).toBe('treat');
  });
  it('brackets a Poisson mean (Garwood 1936): 90 % of 7 is 3.285 to 13.15', () => {
    const [low, high] = poissonInterval(7);
    expect(low).toBeCloseTo(3.285, 3);
    expect(high).toBeCloseTo(13.148, 3);
    expect(poissonInterval(0)[0]).toBe(0);
  });
});

describe('bad input', () => {
  const issues = (fields: Record<string, unknown>) =>
    diagnosisInputSchema
      .safeParse({ ...base, ...fields })
      .error?.issues.map((i) => i.path.join('.'));
  it.each([
    [{ signs: { 'k-nonsense': true } }, 'signs.k-nonsense'],
    [{ signs: { 'k-pat-rings': 'maybe' } }, 'signs.k-pat-rings'],
    [{ signs: { edge: 's-col-lime' } }, 'signs.edge'],
    [{ month: 0 }, 'month'],
    [
      {
        grass: [
          { species: 'st-augustine', cover: 0.7 },
          { species: 'centipede', cover: 0.6 },
        ],
      },
      'grass',
    ],
    [{ grass: [{ species: 'lawn', cover: 1 }] }, 'grass.0.species'],
    [{ tests: [{ test: 'chinch-float', sampler: 0, counts: [1] }] }, 'tests.0.sampler'],
    [{ tests: [{ test: 'chinch-float', sampler: 4, counts: [] }] }, 'tests.0.counts'],
  ])('%p is refused at its place', (fields, path) => {
    expect(issues(fields)).toContain(path);
  });
});
