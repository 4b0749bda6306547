/** The company's label beside the library: what it outranks, and what looks odd. */
import { checkApplication } from './checker';
import { parseLabelCsv, parseLabelJson, writeLabelCsv, writeLabelJson } from './formats';
import { herbicide, treatment } from './knowledge';
import { chooseMix } from './choice/chooseMix';
import { LIBRARY, shelfLabelSchema, shelfOf } from './products';
import {
  labelledHerbicide,
  labelledTreatment,
  labelOddities,
  unitPrice,
} from './products/labelled';
import { plainMix } from './choice/testdata/testMix';

let next = 0;
const label = (fields: object = {}) =>
  shelfLabelSchema.parse({
    id: `0190a000-0000-7000-8000-${String((next += 1)).padStart(12, '0')}`,
    base: { kind: 'herbicide', slug: 'threeway-amine' },
    name: 'House three-way (made up)',
    signalWord: 'danger',
    unit: 'fl-oz',
    highPerAcre: 50,
    homeLawns: true,
    ...fields,
  });

describe('a label', () => {
  it('is checked field by field', () => {
    const bad = (fields: object) => {
      const parsed = shelfLabelSchema.safeParse({ ...label(), ...fields });
      return parsed.success ? [] : parsed.error.issues.map(({ path }) => path[0]);
    };
    expect(bad({ lowPerAcre: 60 })).toEqual(['lowPerAcre']);
    expect(bad({ maxPerYear: 40 })).toEqual(['maxPerYear']);
    expect(bad({ airMinF: 90, airMaxF: 80 })).toEqual(['airMinF']);
    expect(bad({ base: { kind: 'herbicide', slug: 'nothing' } })).toEqual(['base']);
    expect(bad({ name: ' ' })).toEqual(['name']);
    expect(bad({})).toEqual([]);
  });
  it('outranks the library where it says something, and only there', () => {
    const library = herbicide('threeway-amine')!;
    const own = labelledHerbicide(library, [
      label({ airMaxF: 80, maxPerYear: 100, priceUsd: 64, packageAmount: 128 }),
    ]);
    expect(own.maxPerApplication).toBe(50);
    expect(own.airF).toEqual([library.airF[0], 80]);
    expect(own.maxPerYear).toBe(100);
    expect(own.minIntervalDays).toBe(library.minIntervalDays);
    expect(own.usdPerUnitInvented).toBeCloseTo(0.5, 9);
    expect(own.tolerance).toEqual(library.tolerance);
    const plain = LIBRARY.herbicide('threeway-amine');
    expect(labelledHerbicide(library, [label({ inUse: false })])).toEqual(plain);
    // A weight says nothing of a liquid: another formulation, which the shelf flags.
    expect(labelledHerbicide(library, [label({ unit: 'oz' })])).toEqual(plain);
  });
  it('takes grasses off that it does not name', () => {
    const own = labelledHerbicide(herbicide('threeway-amine')!, [label({ turf: ['tall-fescue'] })]);
    expect(own.tolerance['tall-fescue']).toBe(
      herbicide('threeway-amine')!.tolerance['tall-fescue'],
    );
    expect(own.tolerance['kentucky-bluegrass']).toBe('not-labelled');
  });
  it('gives a treatment the rate that the library leaves open', () => {
    const own = labelledTreatment(treatment('tetraniliprole')!, [
      label({ base: { kind: 'treatment', slug: 'tetraniliprole' }, highPerAcre: 32 }),
    ]);
    expect(own.ratePerAcre).toEqual([32, 32]);
  });
  it('knows what is in store and what a unit costs', () => {
    expect([
      ...shelfOf([
        label({ packages: 2 }),
        label({ base: { kind: 'herbicide', slug: 'prodiamine' } }),
      ]).inStore,
    ]).toEqual(['threeway-amine']);
    expect(unitPrice(label())).toBeNull();
  });
});

describe('what is odd', () => {
  it.each([
    [{ highPerAcre: 50 * 43.56 }, 'label-rate-high'],
    [{ highPerAcre: 1.5 }, 'label-rate-low'],
    [{ signalWord: 'none' }, 'label-signal'],
    [{ homeLawns: false }, 'label-not-home'],
    [{ packageAmount: 128 }, 'label-no-price'],
    [{ maxPerYear: 9999 }, 'label-year-high'],
    [{ unit: 'lb' }, 'label-unit'],
    [{ turf: ['st-augustine', 'tall-fescue'] }, 'label-turf'],
  ])('%p', (fields, rule) => {
    const rules = labelOddities(label(fields)).map((entry) => entry.rule);
    if (rule === 'label-turf') {
      // Only when the library has the grass injured.
      const hurt = ['injures', 'kills'].includes(
        herbicide('threeway-amine')!.tolerance['st-augustine'] ?? '',
      );
      expect(rules.includes(rule)).toBe(hurt);
    } else expect(rules).toContain(rule);
  });
  it('is nothing on a label like the library', () => {
    const library = herbicide('threeway-amine')!;
    expect(
      labelOddities(label({ highPerAcre: library.rate[1], signalWord: library.signalWord })),
    ).toEqual([]);
  });
  it('flags a strength that is not the library’s', () => {
    const dry = label({
      base: { kind: 'treatment', slug: 'azoxystrobin' },
      unit: 'oz',
      highPerAcre: 17,
      signalWord: 'caution',
      actives: [{ name: 'azoxystrobin', amount: 20, unit: 'percent' }],
    });
    expect(labelOddities(dry).map(({ rule }) => rule)).toEqual(['label-strength']);
    const liquid = {
      ...dry,
      actives: [{ name: 'azoxystrobin', amount: 2, unit: 'lb-per-gal' as const }],
    };
    expect(labelOddities(liquid).map(({ rule }) => rule)).toEqual(['label-form']);
  });
});

describe('in and out', () => {
  const labels = [
    label({
      turf: ['tall-fescue', 'zoysia-wide'],
      actives: [
        { name: '2,4-D', amount: 1.5, unit: 'lb-per-gal' },
        { name: 'dicamba', amount: 2, unit: 'percent' },
      ],
      siteBans: 'beds, ditches',
      priceUsd: 12.5,
      packageAmount: 32,
      packages: 1.5,
    }),
    label({ base: null, name: 'Something else', inUse: false, airMinF: 50 }),
  ];
  it('comes back whole as JSON and, but for the ids, as CSV', () => {
    expect(parseLabelJson(writeLabelJson(labels))).toEqual({ labels, errors: [] });
    let at = 0;
    const back = parseLabelCsv(writeLabelCsv(labels), () => labels[at++]!.id);
    expect(back).toEqual({ labels, errors: [] });
  });
  it('names what is wrong at its row and column', () => {
    const { errors } = parseLabelCsv(
      'name,unit,high_per_acre,kind,entry,actives\n,oz,3,,,\nA,oz,x,,,\nB,oz,3,herbicide,nothing,\nC,oz,3,,,half a pound',
      () => label().id,
    );
    expect(errors.map(({ row, column }) => [row, column])).toEqual([
      [2, 'name'],
      [3, 'high_per_acre'],
      [4, 'entry'],
      [5, 'actives'],
    ]);
    expect(parseLabelJson('{}').errors).toHaveLength(1);
    expect(parseLabelJson('nonsense').errors).toHaveLength(1);
    expect(parseLabelJson('[{"id": 3}]').errors[0]).toMatchObject({ row: 1 });
  });
});

describe('where it counts', () => {
  const question = plainMix({
    targets: [{ weed: 'dandelion', targetPct: 60 }],
    stock: new Set(['threeway-amine']),
  });
  it('the planner takes its rate and keeps off what it bars', () => {
    expect(chooseMix({ ...question, shelf: shelfOf([label()]) }).best?.products).toEqual([
      { herbicide: 'threeway-amine', ratePerAcre: 50 },
    ]);
    expect(
      chooseMix({ ...question, shelf: shelfOf([label({ homeLawns: false })]) }).best,
    ).toBeNull();
    expect(chooseMix({ ...question, shelf: shelfOf([label({ airMaxF: 70 })]) }).best).toBeNull();
  });
  it('the checker holds a record against it', () => {
    const record = {
      id: 'r',
      zoneId: 'z',
      date: '2026-05-10',
      areaFt2: 43_560,
      materials: [
        { kind: 'herbicide' as const, slug: 'threeway-amine', amount: 60, unit: 'fl-oz' as const },
      ],
    };
    const context = {
      stand: [{ species: 'kentucky-bluegrass' as const, cover: 0.9 }],
      desired: ['kentucky-bluegrass' as const],
      zoneFt2: 43_560,
      others: [],
    };
    const rules = (labels: ReturnType<typeof label>[]) =>
      checkApplication(record, { ...context, labels }).map(({ rule }) => rule);
    expect(rules([])).toEqual([]);
    expect(rules([label()])).toEqual(['rate-over-label']);
  });
});
