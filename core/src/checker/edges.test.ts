/** Edges of the judge's rules that mutation testing found untested: days, shares, kinds and what is told with a finding. */
import { herbicide, treatment, type GrassSlug } from '../knowledge';
import { shelfLabelSchema } from '../products';
import { checkApplication } from './checkApplication';
import type { CheckContext, Judged } from './checkContext';

const ZONE_FT2 = 10_000;
type Line = Judged['materials'][number];
const weed = (slug: string, perAcre: number, areaFt2 = ZONE_FT2): Line => ({
  kind: 'herbicide',
  slug,
  amount: (perAcre * areaFt2) / 43_560,
  unit: herbicide(slug)!.unit,
});
const treat = (slug: string, areaFt2 = ZONE_FT2): Line => ({
  kind: 'treatment',
  slug,
  amount: (treatment(slug)!.ratePerAcre![0] * areaFt2) / 43_560,
  unit: treatment(slug)!.unit!,
});
const feed = (slug: string, lb: number): Line => ({
  kind: 'fertilizer',
  slug,
  amount: lb,
  unit: 'lb',
});
const work = (date: string, materials: Line[], more: Partial<Judged> = {}): Judged => ({
  id: `${date} ${materials.map(({ slug }) => slug).join()}`,
  zoneId: 'zone',
  date,
  areaFt2: ZONE_FT2,
  materials,
  ...more,
});
const on = (species: GrassSlug, fields: Partial<CheckContext> = {}): CheckContext => ({
  stand: [{ species, cover: 0.9 }],
  desired: [species],
  zoneFt2: ZONE_FT2,
  others: [],
  ...fields,
});
const of = (rule: string, application: Judged, context: CheckContext) =>
  checkApplication(application, context).filter((finding) => finding.rule === rule);

it('closes the first and the last day of a blackout, and those of one over the new year', () => {
  const ordinance = (blackout: [string, string]) => ({
    blackout,
    mostNitrogen: null,
    mostNitrogenYear: null,
    phosphorusNeedsReason: false,
  });
  const shut = (date: string, blackout: [string, string]) =>
    of(
      'blackout',
      work(date, [feed('24-0-11-half-slow', 10)]),
      on('tall-fescue', { ordinance: ordinance(blackout) }),
    ).length > 0;
  expect(
    ['2026-05-31', '2026-06-01', '2026-09-30', '2026-10-01'].map((day) =>
      shut(day, ['06-01', '09-30']),
    ),
  ).toEqual([false, true, true, false]);
  expect(
    ['2026-11-14', '2026-11-15', '2026-03-15', '2026-03-16'].map((day) =>
      shut(day, ['11-15', '03-15']),
    ),
  ).toEqual([false, true, true, false]);
  expect(
    ['2026-07-03', '2026-07-04', '2026-07-05'].map((day) => shut(day, ['07-04', '07-04'])),
  ).toEqual([false, true, false]);
});

it('holds quick nitrogen on cool-season turf down from June to August, slow and warm-season ones not', () => {
  const over = (date: string, slug: string, species: GrassSlug) =>
    // 0.75 lb N per 1,000 ft².
    of(
      'nitrogen-per-application',
      work(date, [feed(slug, 7.5 / (Number(slug.slice(0, 2)) / 100))]),
      on(species),
    ).length > 0;
  const quick = '25-0-10-quick';
  expect(
    ['2026-05-31', '2026-06-01', '2026-08-31', '2026-09-01'].map((day) =>
      over(day, quick, 'kentucky-bluegrass'),
    ),
  ).toEqual([false, true, true, false]);
  expect(over('2026-07-01', '38-0-6-coated', 'kentucky-bluegrass')).toBe(false);
  expect(over('2026-07-01', quick, 'bermuda-hybrid')).toBe(false);
});

it('counts a spot up to a share of the zone, and the day of an earlier half year as one of it', () => {
  const cap = herbicide('dithiopyr')!.maxApplications;
  const spots = (share: number) =>
    of(
      'year-count',
      work('2026-05-20', [weed('dithiopyr', 8)]),
      on('tall-fescue', {
        others: Array.from({ length: cap }, (_, index) =>
          work(`2026-03-0${index + 1}`, [weed('dithiopyr', 8, ZONE_FT2 * share)], {
            areaFt2: ZONE_FT2 * share,
          }),
        ),
      }),
    ).map(({ severity }) => severity);
  expect(spots(0.149)).toEqual(['caution']);
  expect(spots(0.15)).toEqual(['exceeds']);
});

it('takes turns of treatments by kind: growth regulators need none, lists of one number are two', () => {
  const said = (slug: string, others: string[]) =>
    of(
      'rotation',
      work('2026-06-20', [treat(slug)]),
      on('kentucky-bluegrass', {
        others: others.map((other, index) => work(`2026-0${index + 4}-20`, [treat(other)])),
      }),
    ).length > 0;
  expect(said('trinexapac-ethyl', ['trinexapac-ethyl', 'trinexapac-ethyl'])).toBe(false);
  expect(said('wetting-agent', ['wetting-agent', 'wetting-agent'])).toBe(false);
  expect(said('chlorantraniliprole', ['chlorantraniliprole', 'chlorantraniliprole'])).toBe(true);
  // Group 28 of the insecticides is not group 28 of the fungicides.
  expect(said('chlorantraniliprole', ['propamocarb', 'propamocarb'])).toBe(false);
});

it('takes a mode of action for alone in a year only where every tank of it was', () => {
  const said = (years: string[][]) =>
    of(
      'rotation',
      work('2026-01-20', [weed('flazasulfuron', 3)], { targets: ['annual-bluegrass'] }),
      on('bermuda-common', {
        others: years.map((slugs, index) =>
          work(
            `${2025 - index}-02-01`,
            slugs.map((slug) => weed(slug, 1)),
            { targets: ['annual-bluegrass'] },
          ),
        ),
      }),
    );
  expect(said([['trifloxysulfuron'], ['foramsulfuron']])).toMatchObject([
    { severity: 'caution', inputs: { mode: '2', count: 3, max: 2 } },
  ]);
  expect(said([['trifloxysulfuron', 'simazine'], ['foramsulfuron']])).toEqual([]);
  expect(said([['trifloxysulfuron'], []])).toEqual([]);
});

it('lets drops and granules fly each by its own wind, and tells the wind that it asks for', () => {
  const wind = (line: Line, windMph: number) =>
    of('wind', work('2026-05-20', [line]), on('tall-fescue', { windMph })).map(
      ({ inputs }) => inputs,
    );
  const granule = weed('corn-gluten-meal', 871);
  expect(wind(granule, 15)).toEqual([]);
  expect(wind(granule, 15.1)).toEqual([{ mph: 15.1, min: 0, max: 15 }]);
  expect(wind(weed('threeway-amine', 48), 10)).toEqual([]);
  expect(wind(weed('threeway-amine', 48), 10.1)).toEqual([{ mph: 10.1, min: 3, max: 10 }]);
});

it('takes the soil of seed to the degree', () => {
  const said = (soilF: number) =>
    of(
      'seed-soil',
      work('2026-09-10', [{ kind: 'seed', slug: 'tall-fescue', amount: 60, unit: 'lb' }]),
      on('tall-fescue', { soilF }),
    ).map(({ inputs }) => inputs.max as number);
  const [max] = said(120);
  expect(said(max!)).toEqual([]);
  expect(said(max! + 0.1)).toEqual([max]);
});

describe('seed that is too thick', () => {
  const sown = (lbPer1000: number, slug: GrassSlug = 'kentucky-bluegrass'): Line => ({
    kind: 'seed',
    slug,
    amount: (lbPer1000 * ZONE_FT2) / 1000,
    unit: 'lb',
  });
  const heavy = (lines: Line[], fields: Partial<CheckContext> = {}) =>
    of('seed-heavy', work('2026-09-10', lines), on('kentucky-bluegrass', fields));
  it('is what its bag has for bare ground, where the company has entered one', () => {
    const labels = [
      shelfLabelSchema.parse({
        id: '0190a000-0000-7000-8000-0000000000c1',
        base: { kind: 'seed', slug: 'kentucky-bluegrass' },
        name: 'Meadow sack',
        signalWord: 'none',
        unit: 'lb',
        highPerAcre: 2 * 43.56,
        homeLawns: true,
      }),
    ];
    expect(heavy([sown(2)], { labels })).toEqual([]);
    expect(heavy([sown(2.02)], { labels })).toHaveLength(1);
    expect(heavy([sown(2.02)])).toEqual([]);
  });
  it('is counted over the grasses that share the ground', () => {
    const half = [sown(3), sown(7, 'perennial-ryegrass')];
    expect(half.map((line) => heavy([line]).length)).toEqual([0, 0]);
    expect(heavy(half)[0]?.inputs.lb).toBe(10);
  });
});
