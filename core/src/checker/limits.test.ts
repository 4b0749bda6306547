/**
 * Every rule of the judge at its limit: one case a step outside, where it speaks, and one a step inside, where it
 * is silent. Limits are label-type values from memory; distances, days and pounds common practice.
 */
import { herbicides, treatments, type GrassSlug } from '../knowledge';
import { shelfLabelSchema } from '../products';
import type { Material } from '../rates';
import { checkApplication } from './checkApplication';
import type { CheckContext, Judged } from './checkContext';
import { CHECK_RULES, type CheckRule, type Severity } from './finding';

const FT2 = 5000;
const ACRE = 43_560;
type Fields = Partial<CheckContext>;
type Case = readonly [application: Judged, context: Fields];

const of = (species: CheckContext['desired'][number], fields: Fields = {}): Fields => ({
  stand: [{ species, cover: 0.9 }],
  desired: [species],
  ...fields,
});
let next = 0;
const put = (materials: Material[], date: string, areaFt2 = FT2, targets?: string[]): Judged => ({
  id: `l${(next += 1)}`,
  zoneId: 'z',
  date,
  areaFt2,
  materials,
  ...(targets ? { targets } : {}),
});
const weedy = (slug: string, perAcre: number, areaFt2 = FT2): Material => {
  const { unit } = herbicides.find((entry) => entry.slug === slug)!;
  return { kind: 'herbicide', slug, amount: (perAcre * areaFt2) / ACRE, unit };
};
const treating = (slug: string, perAcre: number): Material => ({
  kind: 'treatment',
  slug,
  amount: (perAcre * FT2) / ACRE,
  unit: treatments.find((entry) => entry.slug === slug)?.unit ?? 'oz',
});
const spray = (slug: string, perAcre: number, date = '2026-05-04', areaFt2 = FT2) =>
  put([weedy(slug, perAcre, areaFt2)], date, areaFt2);
const treat = (slug: string, perAcre: number, date = '2026-06-01', targets?: string[]) =>
  put([treating(slug, perAcre)], date, FT2, targets);
/** lb N per 1000 ft² of a quick 25 % or a half slow 24 % grade. */
const feed = (lb: number, date = '2026-09-10', slug = '25-0-10-quick') =>
  put(
    [
      {
        kind: 'fertilizer',
        slug,
        amount: (lb / (slug.startsWith('25') ? 0.25 : 0.24)) * 5,
        unit: 'lb',
      },
    ],
    date,
  );
const slowFeed = (lb: number, date: string) => feed(lb, date, '24-0-11-half-slow');
const starter = () =>
  put([{ kind: 'fertilizer', slug: '18-24-12-starter', amount: 20, unit: 'lb' }], '2026-09-10');
const seedOf = (slug: GrassSlug): Material => ({ kind: 'seed', slug, amount: 25, unit: 'lb' });
const seed = (slug: GrassSlug, date: string) => put([seedOf(slug)], date);
const spread = (
  slug: 'ground-limestone' | 'elemental-sulfur',
  per1000: number,
  date = '2026-10-10',
) => put([{ kind: 'amendment', slug, amount: per1000 * 5, unit: 'lb' }], date);
const tank = (...materials: Material[]) => put(materials, '2026-05-04');
const ordinance = {
  blackout: ['12-01', '03-31'] as const,
  mostNitrogen: 0.9,
  mostNitrogenYear: 2,
  phosphorusNeedsReason: true,
};
const threeWay = (perAcre = 60) => spray('threeway-amine', perAcre);
const dandelion = (slug: string, perAcre: number, date: string) =>
  put([weedy(slug, perAcre)], date, FT2, ['annual-bluegrass']);

/** A bag of one's own of the quick grade, for some grasses. */
const ownFeed = (turf: GrassSlug[]) =>
  shelfLabelSchema.parse({
    id: '0190a000-0000-7000-8000-000000000003',
    base: { kind: 'fertilizer', slug: '25-0-10-quick' },
    name: 'Made up',
    signalWord: 'none',
    unit: 'lb',
    highPerAcre: 500,
    homeLawns: true,
    turf,
  });

/** A case a step outside, and one a step inside. */
const LIMITS: {
  [R in CheckRule]: Partial<Record<Severity, readonly [outside: Case, inside: Case]>>;
} = {
  'rate-over-label': {
    exceeds: [
      [threeWay(64 * 1.006), {}],
      [threeWay(64 * 1.004), {}],
    ],
  },
  'rate-over-grass-cap': {
    exceeds: [
      [spray('sulfentrazone', 6 * 1.006), of('st-augustine')],
      [spray('sulfentrazone', 6 * 1.004), of('st-augustine')],
    ],
  },
  'year-amount': {
    exceeds: [
      [
        spray('prodiamine', 13.1, '2026-12-20'),
        of('tall-fescue', { others: [spray('prodiamine', 24, '2026-03-01')] }),
      ],
      [
        spray('prodiamine', 12.8, '2026-12-20'),
        of('tall-fescue', { others: [spray('prodiamine', 24, '2026-03-01')] }),
      ],
    ],
    // A third spot of one per cent: 192 of 128 only if all three were one place.
    caution: [
      [
        spray('threeway-amine', 64, '2026-09-20', 50),
        {
          others: ['2026-05-01', '2026-06-10'].map((date) => spray('threeway-amine', 64, date, 50)),
        },
      ],
      [
        spray('threeway-amine', 64, '2026-09-20', 50),
        { others: [spray('threeway-amine', 64, '2026-05-01', 50)] },
      ],
    ],
  },
  'season-amount': {
    exceeds: [
      [
        spray('prodiamine', 36.8, '2027-01-10'),
        of('bermuda-common', { others: [spray('prodiamine', 36.8, '2026-07-15')] }),
      ],
      [
        spray('prodiamine', 36.8, '2027-01-10'),
        of('bermuda-common', { others: [spray('prodiamine', 36.8, '2026-07-14')] }),
      ],
    ],
  },
  'year-count': {
    exceeds: [
      [
        spray('threeway-amine', 32, '2026-09-20'),
        { others: ['2026-04-01', '2026-06-10'].map((date) => spray('threeway-amine', 32, date)) },
      ],
      [
        spray('threeway-amine', 32, '2026-09-20'),
        { others: [spray('threeway-amine', 32, '2026-04-01')] },
      ],
    ],
    caution: [
      [
        spray('threeway-amine', 32, '2026-09-20', 749),
        {
          others: ['2026-04-01', '2026-06-10'].map((date) =>
            spray('threeway-amine', 32, date, 749),
          ),
        },
      ],
      [
        spray('threeway-amine', 32, '2026-09-20', 749),
        { others: [spray('threeway-amine', 32, '2026-06-10', 749)] },
      ],
    ],
  },
  interval: {
    exceeds: [
      [
        spray('threeway-amine', 32, '2026-05-30'),
        { others: [spray('threeway-amine', 32, '2026-05-01')] },
      ],
      [
        spray('threeway-amine', 32, '2026-05-31'),
        { others: [spray('threeway-amine', 32, '2026-05-01')] },
      ],
    ],
    caution: [
      [
        spray('threeway-amine', 32, '2026-05-30', 749),
        { others: [spray('threeway-amine', 32, '2026-05-01', 749)] },
      ],
      [
        spray('threeway-amine', 32, '2026-05-31', 749),
        { others: [spray('threeway-amine', 32, '2026-05-01', 749)] },
      ],
    ],
  },
  'group-year': {
    // Two neonicotinoids in a season; the fourth pyrethroid.
    exceeds: [
      [
        treat('clothianidin', 8, '2026-08-01'),
        { others: [treat('imidacloprid', 20, '2026-05-01')] },
      ],
      [
        treat('clothianidin', 8, '2027-01-02'),
        { others: [treat('imidacloprid', 20, '2026-05-01')] },
      ],
    ],
  },
  'active-per-application': {
    exceeds: [
      [tank(weedy('threeway-amine', 64), weedy('24d-ester', 10)), {}],
      [tank(weedy('threeway-amine', 64), weedy('24d-ester', 8)), {}],
    ],
  },
  'active-year': {
    exceeds: [
      [
        spray('threeway-carfentrazone', 64, '2025-09-20'),
        { others: ['2025-05-02', '2025-06-04'].map((date) => spray('threeway-amine', 64, date)) },
      ],
      [
        spray('threeway-carfentrazone', 64, '2025-09-20'),
        { others: [spray('threeway-amine', 64, '2025-05-02')] },
      ],
    ],
  },
  'active-count': {
    exceeds: [
      [
        spray('threeway-carfentrazone', 32, '2025-09-20'),
        { others: ['2025-04-02', '2025-06-04'].map((date) => spray('threeway-amine', 32, date)) },
      ],
      [
        spray('threeway-carfentrazone', 32, '2025-09-20'),
        { others: [spray('threeway-amine', 32, '2025-06-04')] },
      ],
    ],
  },
  'active-interval': {
    exceeds: [
      [
        spray('threeway-carfentrazone', 32, '2025-05-30'),
        { others: [spray('threeway-amine', 32, '2025-05-01')] },
      ],
      [
        spray('threeway-carfentrazone', 32, '2025-05-31'),
        { others: [spray('threeway-amine', 32, '2025-05-01')] },
      ],
    ],
  },
  'turf-not-tolerant': {
    // Five per cent of a tender grass counts; somebody's decision to kill, or a spot, is no mistake.
    exceeds: [
      [
        spray('quinclorac', 16),
        {
          stand: [
            { species: 'kentucky-bluegrass', cover: 0.9 },
            { species: 'st-augustine', cover: 0.05 },
          ],
          desired: ['kentucky-bluegrass', 'st-augustine'],
        },
      ],
      [
        spray('quinclorac', 16),
        {
          stand: [
            { species: 'kentucky-bluegrass', cover: 0.9 },
            { species: 'st-augustine', cover: 0.049 },
          ],
          desired: ['kentucky-bluegrass', 'st-augustine'],
        },
      ],
    ],
  },
  'turf-caution': {
    caution: [
      [spray('prodiamine', 10), of('fine-fescue')],
      [spray('prodiamine', 10), of('tall-fescue')],
    ],
  },
  'turf-kill': {
    caution: [
      [spray('glyphosate', 64, '2026-08-10'), { kill: true }],
      [spray('glyphosate', 64, '2026-08-10'), { kill: false }],
    ],
  },
  'young-turf': {
    caution: [
      [threeWay(), { youngTurf: true }],
      [threeWay(), { youngTurf: false }],
    ],
  },
  'too-hot': {
    exceeds: [
      [threeWay(), { airHighF: 70, airF: 86 }],
      [threeWay(), { airHighF: 85, airF: 80 }],
    ],
  },
  'too-cold': {
    caution: [
      [threeWay(), { airHighF: 59 }],
      [threeWay(), { airHighF: 60 }],
    ],
  },
  'no-herbicide-heat': {
    exceeds: [
      [spray('halosulfuron', 1), { airHighF: 95, drought: true }],
      [spray('halosulfuron', 1), { airHighF: 94, drought: true }],
    ],
  },
  wind: {
    exceeds: [
      [threeWay(), { windMph: 10.1 }],
      [threeWay(), { windMph: 10 }],
    ],
    // Drops hang in still air; granules fly in a gale.
    caution: [
      [threeWay(), { windMph: 2.9 }],
      [threeWay(), { windMph: 3 }],
    ],
  },
  drought: {
    caution: [
      [threeWay(), { drought: true }],
      [threeWay(), { drought: false }],
    ],
  },
  vapour: {
    exceeds: [
      [spray('24d-ester', 40), { tenderPlants: true, airHighF: 80.5 }],
      [spray('24d-ester', 40), { tenderPlants: true, airHighF: 80 }],
    ],
  },
  'root-zone': {
    exceeds: [
      [spray('dicamba', 8), { treeRoots: true }],
      [spray('dicamba', 8), { treeRoots: false }],
    ],
    caution: [
      [threeWay(), { treeRoots: true }],
      [spray('mesotrione', 5), { treeRoots: true }],
    ],
  },
  well: {
    exceeds: [
      [spray('atrazine', 32), { wellFt: 49 }],
      [spray('atrazine', 32), { wellFt: 50 }],
    ],
    caution: [
      [threeWay(), { wellFt: 49 }],
      [threeWay(), { wellFt: 50 }],
    ],
  },
  'open-water': {
    exceeds: [
      [treat('bifenthrin', 20), { waterFt: 24 }],
      [treat('bifenthrin', 20), { waterFt: 25 }],
    ],
    caution: [
      [threeWay(), { waterFt: 9 }],
      [threeWay(), { waterFt: 10 }],
    ],
  },
  reentry: {
    caution: [
      [threeWay(), { pets: true }],
      [threeWay(), { pets: false, children: false }],
    ],
  },
  'not-for-home-lawns': {
    exceeds: [
      [spray('msma', 32), {}],
      [threeWay(), {}],
    ],
  },
  'label-unconfirmed': {
    caution: [
      [spray('foramsulfuron', 10), of('bermuda-common')],
      [spray('foramsulfuron', 10), of('bermuda-common', { confirmedLabels: ['foramsulfuron'] })],
    ],
  },
  'licence-needed': {
    exceeds: [
      [spray('atrazine', 32), of('st-augustine')],
      [spray('atrazine', 32), of('st-augustine', { certified: true })],
    ],
  },
  'seed-too-soon': {
    // 26 weeks after 16 oz; and none at all in one walk.
    exceeds: [
      [spray('prodiamine', 16, '2026-03-01'), { others: [seed('tall-fescue', '2026-08-29')] }],
      [spray('prodiamine', 16, '2026-03-01'), { others: [seed('tall-fescue', '2026-08-30')] }],
    ],
  },
  'seed-not-tolerant': {
    exceeds: [
      [tank(weedy('mesotrione', 5), seedOf('bermuda-common')), {}],
      [tank(weedy('mesotrione', 5), seedOf('tall-fescue')), {}],
    ],
    caution: [
      [
        put([weedy('prodiamine', 6)], '2026-09-29'),
        { others: [seed('fine-fescue', '2026-09-01')] },
      ],
      [
        put([weedy('prodiamine', 6)], '2026-09-30'),
        { others: [seed('fine-fescue', '2026-09-01')] },
      ],
    ],
  },
  'seedlings-too-young': {
    // Fourteen days to come up and four weeks to stand.
    exceeds: [
      [spray('threeway-amine', 40, '2026-10-12'), { others: [seed('tall-fescue', '2026-09-01')] }],
      [spray('threeway-amine', 40, '2026-10-13'), { others: [seed('tall-fescue', '2026-09-01')] }],
    ],
  },
  'turf-off-label': {
    exceeds: [
      [feed(0.5), { labels: [ownFeed(['tall-fescue'])] }],
      [feed(0.5), { labels: [ownFeed(['kentucky-bluegrass'])] }],
    ],
  },
  'feed-without-weed': {
    caution: [
      [spray('threeway-granule', 120), {}],
      [put([weedy('threeway-granule', 120)], '2026-05-04', FT2, ['dandelion']), {}],
    ],
  },
  'nitrogen-per-application': {
    exceeds: [
      [feed(1.006), {}],
      [feed(1.004), {}],
    ],
  },
  'nitrogen-year': {
    exceeds: [
      [
        feed(0.55, '2026-10-20'),
        {
          others: ['2026-03-20', '2026-05-01', '2026-08-01', '2026-09-10'].map((date) =>
            feed(1, date),
          ),
        },
      ],
      [
        feed(0.5, '2026-10-20'),
        {
          others: ['2026-03-20', '2026-05-01', '2026-08-01', '2026-09-10'].map((date) =>
            feed(1, date),
          ),
        },
      ],
    ],
  },
  'nitrogen-gap': {
    exceeds: [
      [feed(0.6, '2026-09-28'), { others: [feed(0.6, '2026-09-01')] }],
      [feed(0.6, '2026-09-29'), { others: [feed(0.6, '2026-09-01')] }],
    ],
    caution: [
      [feed(0.25, '2026-09-14'), { others: [feed(0.25, '2026-09-01')] }],
      [feed(0.25, '2026-09-15'), { others: [feed(0.25, '2026-09-01')] }],
    ],
  },
  'nitrogen-heat': {
    exceeds: [
      [feed(0.3, '2026-07-10'), { airHighF: 85, irrigated: true }],
      [feed(0.25, '2026-07-10'), { airHighF: 85, irrigated: true }],
    ],
  },
  'nitrogen-dormant': {
    exceeds: [
      [feed(0.5, '2026-02-10'), of('bermuda-common', { soilF: 49 })],
      [feed(0.5, '2026-02-10'), of('bermuda-common', { soilF: 50 })],
    ],
    caution: [
      [feed(0.5, '2026-04-10'), of('bermuda-common', { soilF: 59 })],
      [feed(0.5, '2026-04-10'), of('bermuda-common', { soilF: 60 })],
    ],
  },
  'nitrogen-late': {
    exceeds: [
      [feed(0.4, '2026-09-14'), of('zoysia-fine', { firstFrost: '10-28' })],
      [feed(0.4, '2026-09-13'), of('zoysia-fine', { firstFrost: '10-28' })],
    ],
  },
  'seed-soil': {
    caution: [
      [seed('tall-fescue', '2026-09-10'), { soilF: 44 }],
      [seed('tall-fescue', '2026-09-10'), { soilF: 45 }],
    ],
  },
  // Perennial ryegrass on bare ground: 7 lb alive at 98 % purity and 85 % germination is 8.40 lb; half as much again.
  'seed-heavy': {
    caution: [
      [put([{ ...seedOf('perennial-ryegrass'), amount: 12.7 * 5 }], '2026-09-10'), {}],
      [put([{ ...seedOf('perennial-ryegrass'), amount: 12.5 * 5 }], '2026-09-10'), {}],
    ],
  },
  'area-over-zone': {
    caution: [
      [spray('threeway-amine', 32, '2026-05-04', 5260), {}],
      [spray('threeway-amine', 32, '2026-05-04', 5240), {}],
    ],
  },
  'read-the-label': {
    caution: [
      [treat('chlorothalonil', 1), {}],
      [treat('fludioxonil', 10), {}],
    ],
  },
  'amount-once': {
    exceeds: [
      [spread('ground-limestone', 26), { airHighF: 85 }],
      [spread('ground-limestone', 26), { airHighF: 84 }],
    ],
  },
  'amendment-year': {
    exceeds: [
      [
        spread('elemental-sulfur', 1, '2026-10-01'),
        {
          others: [
            spread('elemental-sulfur', 5, '2026-03-01'),
            spread('elemental-sulfur', 4.1, '2026-06-01'),
          ],
        },
      ],
      [
        spread('elemental-sulfur', 1, '2026-10-01'),
        {
          others: [
            spread('elemental-sulfur', 5, '2026-03-01'),
            spread('elemental-sulfur', 4, '2026-06-01'),
          ],
        },
      ],
    ],
  },
  'amendment-interval': {
    exceeds: [
      [spread('ground-limestone', 25), { others: [spread('ground-limestone', 25, '2026-07-13')] }],
      [spread('ground-limestone', 25), { others: [spread('ground-limestone', 25, '2026-07-12')] }],
    ],
  },
  antagonism: {
    caution: [
      [tank(weedy('fenoxaprop', 20), weedy('threeway-amine', 40)), {}],
      [tank(weedy('fenoxaprop', 20), weedy('triclopyr', 20)), {}],
    ],
  },
  'same-mode': {
    caution: [
      [tank(weedy('mesotrione', 5), weedy('topramezone', 1)), {}],
      // Auxins are mixed for their spectrum.
      [tank(weedy('threeway-amine', 40), weedy('triclopyr', 20)), {}],
    ],
  },
  rotation: {
    exceeds: [
      [
        treat('myclobutanil', 60, '2026-06-20', ['dollar-spot']),
        { others: [treat('propiconazole', 60, '2026-06-01', ['dollar-spot'])] },
      ],
      // Against large patch the same group may follow itself once.
      [
        treat('azoxystrobin', 12, '2026-10-20'),
        { others: [treat('azoxystrobin', 12, '2026-09-20')] },
      ],
    ],
    caution: [
      [
        dandelion('flazasulfuron', 1, '2026-01-15'),
        of('bermuda-hybrid', {
          others: [
            dandelion('foramsulfuron', 17, '2024-02-10'),
            dandelion('trifloxysulfuron', 0.3, '2025-01-20'),
          ],
        }),
      ],
      [
        dandelion('flazasulfuron', 1, '2026-01-15'),
        of('bermuda-hybrid', { others: [dandelion('trifloxysulfuron', 0.3, '2025-01-20')] }),
      ],
    ],
  },
  bloom: {
    exceeds: [
      [treat('imidacloprid', 20), { bloom: true }],
      [treat('chlorantraniliprole', 10), { bloom: true }],
    ],
  },
  rain: {
    exceeds: [
      [threeWay(), { rainInHours: 5 }],
      [threeWay(), { rainInHours: 6 }],
    ],
    caution: [
      [spray('prodiamine', 16), { rainSoonIn: 1 }],
      [spray('prodiamine', 16), { rainSoonIn: 0.9 }],
    ],
  },
  'wet-leaf': {
    caution: [
      [threeWay(), { leafWet: true }],
      [spray('prodiamine', 16), { leafWet: true }],
    ],
  },
  frozen: {
    exceeds: [
      [spread('ground-limestone', 25, '2026-01-10'), { soilF: 32 }],
      [spread('ground-limestone', 25, '2026-01-10'), { soilF: 33 }],
    ],
  },
  saturated: {
    exceeds: [
      [threeWay(), { saturated: true }],
      [threeWay(), { saturated: false }],
    ],
  },
  pace: {
    exceeds: [
      [threeWay(64), { paceMph: 2.95, calibratedMph: 3 }],
      [threeWay(62), { paceMph: 2.95, calibratedMph: 3 }],
    ],
    caution: [
      [threeWay(40), { paceMph: 2.7, calibratedMph: 3 }],
      [threeWay(40), { paceMph: 2.75, calibratedMph: 3 }],
    ],
  },
  blackout: {
    exceeds: [
      [slowFeed(0.5, '2026-03-31'), { ordinance }],
      [slowFeed(0.5, '2026-04-01'), { ordinance }],
    ],
  },
  phosphorus: {
    exceeds: [
      [starter(), { ordinance }],
      [starter(), { ordinance, lowPhosphorus: true }],
    ],
  },
  'ordinance-nitrogen': {
    exceeds: [
      [slowFeed(0.91, '2026-09-10'), { ordinance }],
      [slowFeed(0.9, '2026-09-10'), { ordinance }],
    ],
  },
};

const said = ([application, fields]: Case): string[] =>
  checkApplication(application, {
    ...of('kentucky-bluegrass'),
    zoneFt2: FT2,
    others: [],
    ...fields,
  } as CheckContext).map(({ rule, severity }) => `${severity} ${rule}`);

describe.each(Object.keys(CHECK_RULES) as CheckRule[])('%s', (rule) => {
  it.each(CHECK_RULES[rule])('%s a step outside its limit, and not a step inside', (severity) => {
    const limits = LIMITS[rule][severity];
    if (!limits) throw new Error(`${rule} has no ${severity} case`);
    const [outside, inside] = limits;
    expect(said(outside)).toContain(`${severity} ${rule}`);
    expect(said(inside)).not.toContain(`${severity} ${rule}`);
  });
  it('has no case of a severity that it does not have', () => {
    expect(Object.keys(LIMITS[rule]).sort()).toEqual([...CHECK_RULES[rule]].sort());
  });
});

describe('what was missed before', () => {
  const bermuda = (fields: Fields = {}) => of('bermuda-common', fields);
  it.each<[string, Case, string]>([
    [
      'prodiamine and seed in one walk',
      [tank(weedy('prodiamine', 6), seedOf('tall-fescue')), {}],
      'exceeds seed-too-soon',
    ],
    [
      'mesotrione with fine-fescue seed',
      [tank(weedy('mesotrione', 5), seedOf('fine-fescue')), of('fine-fescue')],
      'exceeds seed-not-tolerant',
    ],
    [
      'prodiamine on newly sprigged bermuda',
      [spray('prodiamine', 10), bermuda({ youngTurf: true })],
      'exceeds turf-not-tolerant',
    ],
    [
      'indaziflam under sixteen months',
      [spray('indaziflam', 6), bermuda({ youngTurf: true })],
      'exceeds turf-not-tolerant',
    ],
    [
      'a second topramezone on centipede',
      [
        spray('topramezone', 1, '2026-06-01'),
        of('centipede', { others: [spray('topramezone', 1, '2026-05-01')] }),
      ],
      'caution turf-caution',
    ],
    [
      'fenoxaprop on bluegrass, cool and wet',
      [spray('fenoxaprop', 20), { airHighF: 65, leafWet: true }],
      'caution turf-caution',
    ],
    [
      'glyphosate held far under its rate on bahia',
      [spray('glyphosate', 10), of('bahia')],
      'caution turf-caution',
    ],
    [
      'metsulfuron over tree roots',
      [spray('metsulfuron', 0.3), bermuda({ treeRoots: true })],
      'exceeds root-zone',
    ],
    [
      'a well that nobody measured',
      [spray('atrazine', 32), of('st-augustine', { wellFt: null })],
      'caution well',
    ],
    [
      'bifenthrin for the fourth time in a year',
      [
        treat('bifenthrin', 37, '2026-09-01'),
        {
          others: ['2026-04-01', '2026-05-01', '2026-06-01'].map((date) =>
            treat('bifenthrin', 37, date),
          ),
        },
      ],
      'exceeds group-year',
    ],
    [
      'corn gluten on centipede brings 1.9 lb N',
      [spray('corn-gluten-meal', 871), of('centipede')],
      'exceeds nitrogen-per-application',
    ],
    ['a downpour on fertilizer', [feed(0.5), { rainSoonIn: 1 }], 'exceeds rain'],
    ['some rain on fertilizer', [feed(0.5), { rainSoonIn: 0.5 }], 'caution rain'],
    ['granules in a gale', [spray('corn-gluten-meal', 500), { windMph: 16 }], 'caution wind'],
    [
      'a second QoI running, nobody says for what',
      [
        treat('azoxystrobin', 12, '2026-06-20'),
        { others: [treat('azoxystrobin', 12, '2026-06-01')] },
      ],
      'caution rotation',
    ],
    [
      'an ordinance that counts the year',
      [
        slowFeed(0.5, '2026-09-10'),
        { ordinance, others: [slowFeed(0.8, '2026-04-10'), slowFeed(0.8, '2026-06-10')] },
      ],
      'exceeds ordinance-nitrogen',
    ],
  ])('%s', (_, one, rule) => {
    expect(said(one)).toContain(rule);
  });

  it.each<[string, Case]>([
    ['a kill that somebody decided', [spray('glyphosate', 96, '2026-08-10'), { kill: true }]],
    [
      'a third spot of one per cent',
      [
        spray('threeway-amine', 64, '2026-09-20', 50),
        {
          others: ['2026-05-01', '2026-06-10'].map((date) => spray('threeway-amine', 64, date, 50)),
        },
      ],
    ],
    ['granules at 12 mph', [spray('corn-gluten-meal', 500), { windMph: 12 }]],
    [
      'a second azoxystrobin for large patch',
      [
        treat('azoxystrobin', 12, '2026-10-20', ['large-patch']),
        of('zoysia-fine', { others: [treat('azoxystrobin', 12, '2026-09-20', ['large-patch'])] }),
      ],
    ],
    ['corn gluten on bluegrass', [spray('corn-gluten-meal', 871), {}]],
  ])('%s is no breach', (_, one) => {
    expect(said(one).filter((finding) => finding.startsWith('exceeds'))).toEqual([]);
  });
});
