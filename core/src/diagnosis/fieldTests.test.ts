/**
 * Field tests against worked examples: catch cans, rewet square, test strips, pH spots and cover counts
 * as worked in the project's domain notes (common practice); Wilson 1927 for the cover interval.
 */
import readBefore from './testdata/readings.json';
import { readings } from './testdata/readings';
import { signs as allSigns, type GrassSlug } from '../knowledge';
import { fieldTestCards, type FieldTestCard } from '../knowledge/fieldTestCards';
import { countTestVerdict } from './countTest';
import {
  canUniformity,
  fieldTestInputSchema,
  fieldTestResult,
  type FieldTestInput,
} from './fieldTests';

const read = (test: string, values: FieldTestInput['values'], main: GrassSlug = 'tall-fescue') =>
  fieldTestResult({ test, values }, main)!;
const figureOf = (result: ReturnType<typeof read>, slug: string) =>
  result.figures.find((entry) => entry.slug === slug)!.value;

describe('worked readings', () => {
  const cans = [0.31, 0.28, 0.35, 0.12, 0.3, 0.26, 0.33, 0.29];
  it('T10: catch cans, mean 0.28 in, uniformity 0.68 and 0.84, 54 minutes an inch, the patch at 43 %', () => {
    const result = read('catch-cans', { depths: cans, minutes: 15, patch: 0.12 });
    expect(figureOf(result, 'mean')).toBeCloseTo(0.28, 3);
    expect(figureOf(result, 'distribution')).toBeCloseTo(0.6786, 4);
    expect(figureOf(result, 'christiansen')).toBeCloseTo(0.84, 2);
    expect(figureOf(result, 'inch')).toBeCloseTo(53.57, 2);
    expect(figureOf(result, 'share')).toBeCloseTo(42.9, 1);
    expect(result).toMatchObject({ verdict: 'gap', signs: { 't-cup-low': true } });
  });
  it('even cans are even, and dry ones have no uniformity', () => {
    expect(
      read('catch-cans', { depths: Array(8).fill(0.3), minutes: 15, patch: 0.3 }).verdict,
    ).toBe('even');
    expect(canUniformity([0, 0])).toEqual({ mean: 0, distribution: 0, christiansen: 0 });
  });
  it('T6: rewet, half an inch on 3 × 3 ft is 2.8 gal', () => {
    const result = read('rewet', { side: 3 });
    expect(figureOf(result, 'water')).toBeCloseTo(2.81, 2);
    expect(result).toMatchObject({ verdict: 'wait', signs: {} });
    expect(read('rewet', { side: 3, revived: false, moist: true })).toMatchObject({
      verdict: 'other-cause',
      signs: { 't-rewet': false },
    });
  });
  it('T19: strips of 2 × 10 ft take 1.4 g of ferrous sulfate and 0.35 oz of urea', () => {
    const result = read('test-strips', { width: 2, length: 10, iron: true });
    expect(figureOf(result, 'ferrousSulfate')).toBeCloseTo(1.42, 2);
    expect(figureOf(result, 'urea')).toBeCloseTo(0.35, 2);
    expect(result).toMatchObject({ verdict: 'iron', signs: { 't-iron-strip': true } });
  });
  it('T9: pH, only a spot 1.3 off is a finding; half a unit is the kit', () => {
    const result = read('ph-spots', { best: 6.5, poor: [6.6, 7.8, 6.4, 6.7] });
    expect(figureOf(result, 'apart')).toBeCloseTo(1.3, 6);
    expect(result).toMatchObject({
      verdict: 'finding',
      signs: { 't-ph-high': true, 't-ph-low': false },
    });
    expect(read('ph-spots', { best: 6.5, poor: [6.6, 6.9, 6.4] }).verdict).toBe('same');
    expect(read('ph-spots', { best: 6.5, poor: [7.2, 6.6, 6.5] }).verdict).toBe('repeat');
  });
  it.each([
    [9, 20, 'count-more'],
    [15, 50, 'renovate'],
    [22, 50, 'count-more'],
    [40, 100, 'count-more'],
    [50, 100, 'count-more'],
    [66, 100, 'overseed'],
    [110, 200, 'count-more'],
  ])('T20: cover, %s of %s is %s', (hits, points, verdict) =>
    expect(read('percent-cover', { hits, points }).verdict).toBe(verdict),
  );
  it('salt: 1.6 dS/m in 1:2 is 3.2 in the paste', () => {
    expect(read('salt', { reading: 1.6 })).toMatchObject({
      verdict: 'high',
      signs: { 't-ec-high': true },
    });
    expect(read('salt', { reading: 1 }).signs).toEqual({ 't-ec-high': 'unsure' });
  });
  it('T2: a foot-square flap counts as one square foot', () => {
    const stand = [{ species: 'kentucky-bluegrass' as const, cover: 1 }];
    const flap = countTestVerdict(
      { test: 'grub-lift', sampler: 12, square: true, counts: [9, 8, 10, 9, 9, 9] },
      stand,
    );
    expect(flap.samplerFt2).toBe(1);
    expect(flap.perFt2).toBe(9);
  });
});

describe('answers', () => {
  it.each<[string, string, FieldTestInput['values'], string, Record<string, unknown>]>([
    ['T4', 'tug', { lifts: 4 }, 'holds', { 't-tug': true }],
    ['T4', 'tug', { lifts: 5 }, 'lifts', { 't-tug': false }],
    ['T5', 'crown', { alive: 8 }, 'alive', { 'h-crown-firm': true, 'h-crown-dead': false }],
    ['T5', 'crown', { alive: 5 }, 'mixed', { 'h-crown-firm': 'unsure', 'h-crown-dead': 'unsure' }],
    ['T5', 'plug', { regrown: 0, control: false }, 'void', { 't-plug-alive': 'unsure' }],
    ['T5', 'plug', { regrown: 0, control: true }, 'dead', { 't-plug-alive': false }],
    ['T6', 'drop', { seconds: [2, 3, 70] }, 'strong', { 'h-repel': true }],
    ['T6', 'drop', { seconds: [2, 3] }, 'wettable', { 'h-repel': 'unsure' }],
    ['T7', 'probe', { depths: [2, 2, 2, 7, 2, 3, 2, 2, 2, 1] }, 'stops', { 'h-probe-stop': true }],
    ['T7', 'probe', { depths: [2] }, 'stops', { 'h-probe-stop': 'unsure' }],
    [
      'T11',
      'soil-temperature',
      { green: [49, 50, 49.5], rest: [46, 46, 46] },
      'warmer',
      { 't-soiltemp': true },
    ],
    ['T12', 'thatch', { depths: [0.6, 0.6, 0.6, 0.6] }, 'too-thick', { 'h-thatch': true }],
    ['T13', 'dawn', { threads: true, webs: true }, 'webs', { 'h-mycelium': false }],
    [
      'T14',
      'bag',
      { growth: true, pink: true },
      'pink',
      { 't-bag': true, 'h-mycelium-pink': true },
    ],
    ['T15', 'paper-tap', { specks: [12, 3, 9] }, 'mites', { 't-mites': true }],
    ['T15', 'paper-tap', { specks: [0, 0, 0] }, 'none', { 't-mites': false }],
    ['T18', 'run-width', { width: 1.5, ridge: 0, pellets: true }, 'vole', { 'k-pat-runs': true }],
    ['T18', 'run-width', { width: 3, ridge: 3, pellets: false }, 'mole', { 'k-pat-runs': true }],
    [
      'T7',
      'moisture',
      { crumbles: true, drips: false },
      'dry',
      { 'h-soil-dry': true, 'h-soil-wet': false },
    ],
    ['T22', 'bioassay', { treated: 15, clean: 20 }, 'wait', {}],
  ])('%s: %s %p, %s', (_, test, values, verdict, signs) =>
    expect(read(test, values)).toMatchObject({ verdict, signs }),
  );
  it('thatch of 0.6 in is too thick for fescue and still fine on bermuda', () => {
    expect(read('thatch', { depths: [0.6, 0.6, 0.6, 0.6] }, 'bermuda-hybrid').verdict).toBe('fine');
  });
  it('T8: billbugs are judged by the grass: 7 a square foot', () => {
    const seven = { larvae: 7, area: 1, frass: 6 };
    expect(read('billbug', seven).verdict).toBe('sample-more');
    expect(read('billbug', seven, 'zoysia-fine').verdict).toBe('treat-next-year');
  });
  it('T17: four of five urine clues are nearly certain', () => {
    const all = { round: true, straw: true, ring: true, route: true, dog: true };
    expect(read('urine-clues', all).verdict).toBe('nearly-certain');
    expect(read('urine-clues', { ...all, ring: false, straw: false }).verdict).toBe('compare');
  });
});

describe('cards and readings', () => {
  const slugs = new Set(allSigns.map(({ slug }) => slug));
  it('answer only signs that there are, each by the sign it promises', () => {
    for (const { slug, signs } of fieldTestCards) {
      expect([slug, signs.filter((sign) => !slugs.has(sign))]).toEqual([slug, []]);
    }
  });
  const usual = ({ fields }: FieldTestCard): FieldTestInput['values'] =>
    Object.fromEntries(
      fields.map((field) => [
        field.slug,
        field.kind === 'yes-no'
          ? true
          : field.kind === 'series'
            ? Array<number>(field.samples).fill(Math.min(field.max, Math.max(field.min, 3)))
            : (field.usual ?? Math.min(field.max, Math.max(field.min, 3))),
      ]),
    );
  it.each(
    fieldTestCards
      .filter(({ fields }) => fields.length > 0)
      .map((card) => [card.slug, card] as const),
  )('%s gives a result, within its own signs', (slug, card) => {
    const result = fieldTestResult({ test: slug, values: usual(card) }, 'tall-fescue')!;
    expect(Object.keys(result.signs).filter((sign) => !card.signs.includes(sign))).toEqual([]);
    expect(result.figures.every(({ value }) => Number.isFinite(value))).toBe(true);
  });
  it('read as they did: every card with figures from all of its range, word for word', () => {
    // `npm run said` writes what is meant to change.
    const before = (readBefore as unknown[]).map((row) => JSON.stringify(row));
    const now = readings();
    const at = now.findIndex((row, index) => row !== before[index]);
    expect({ at, says: now[at] }).toEqual({ at: -1, says: before[at] });
    expect(now).toHaveLength(before.length);
  });
  const issues = (input: object) =>
    fieldTestInputSchema
      .safeParse(input)
      .error?.issues.map(({ path, message }) => [path.join('.'), message]);
  it.each([
    [{ test: 'tug', values: {} }, ['values.lifts', 'missing']],
    [{ test: 'tug', values: { lifts: 11 } }, ['values.lifts', 'out-of-range']],
    [{ test: 'tug', values: { lifts: 2.5 } }, ['values.lifts', 'out-of-range']],
    [{ test: 'dawn', values: { threads: 1, webs: false } }, ['values.threads', 'not-yes-or-no']],
    [{ test: 'probe', values: { depths: [] } }, ['values.depths', 'missing']],
    [{ test: 'seance', values: {} }, ['test', 'unknown test']],
  ])('%p is refused at its place', (input, issue) => expect(issues(input)).toContainEqual(issue));
  it('T21: nematode cores go to a laboratory and answer nothing here', () => {
    const card = fieldTestCards.find(({ slug }) => slug === 'nematode-cores')!;
    expect([card.fields, card.signs]).toEqual([[], []]);
    expect(fieldTestResult({ test: 'nematode-cores', values: {} }, 'tall-fescue')).toBeNull();
  });
  it('T16: gives nothing for readings that are not whole, and nothing for a sample on its way', () => {
    expect(fieldTestResult({ test: 'tug', values: {} }, 'tall-fescue')).toBeNull();
    expect(fieldTestResult({ test: 'lab-sample', values: {} }, 'tall-fescue')).toBeNull();
  });
});
