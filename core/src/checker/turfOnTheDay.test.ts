/**
 * What an application and what is known around it make of the tolerance table's conditions: each a step inside and a
 * step outside, through the judge's own door (ratings from memory, as the table says).
 */
import { herbicide, type GrassSlug } from '../knowledge';
import { checkApplication } from './checkApplication';
import type { CheckContext, Judged } from './checkContext';

const ZONE_FT2 = 10_000;
const spray = (
  slug: string,
  perAcre: number,
  { date = '2026-05-20', areaFt2 = ZONE_FT2, ...more }: Partial<Judged> = {},
): Judged => ({
  id: 'judged',
  zoneId: 'zone',
  date,
  areaFt2,
  materials: [
    {
      kind: 'herbicide',
      slug,
      amount: (perAcre * areaFt2) / 43_560,
      unit: herbicide(slug)!.unit,
    },
  ],
  ...more,
});
const seeded = (date: string): Judged => ({
  id: 'seeded',
  zoneId: 'zone',
  date,
  areaFt2: ZONE_FT2,
  materials: [{ kind: 'seed', slug: 'fine-fescue', amount: 20, unit: 'lb' }],
});
const on = (
  species: GrassSlug,
  fields: Partial<CheckContext> = {},
  more: CheckContext['stand'] = [],
): CheckContext => ({
  stand: [{ species, cover: 0.9 }, ...more],
  desired: [species],
  zoneFt2: ZONE_FT2,
  others: [],
  ...fields,
});
/** What the judge says of the turf. */
const said = (application: Judged, context: CheckContext): string[] =>
  checkApplication(application, context)
    .map(({ rule }) => rule)
    .filter((rule) => ['turf-not-tolerant', 'turf-caution', 'turf-kill'].includes(rule));

const fescue = (fineCover: number): CheckContext => ({
  ...on('tall-fescue'),
  stand: [
    { species: 'tall-fescue', cover: 0.9 - fineCover },
    { species: 'fine-fescue', cover: fineCover },
  ],
  desired: ['tall-fescue', 'fine-fescue'],
});

it.each<[string, Judged, CheckContext, CheckContext]>([
  [
    'fine fescue over a fifth of what is wanted: of 0.9, 0.19 and 0.18',
    spray('quinclorac', 16),
    fescue(0.19),
    fescue(0.18),
  ],
  [
    'no water',
    spray('threeway-amine', 64),
    on('tall-fescue', { drought: true }),
    on('tall-fescue', { drought: false }),
  ],
  [
    'heat over 85 °F',
    spray('atrazine', 32),
    on('st-augustine', { airHighF: 86 }),
    on('st-augustine', { airHighF: 85 }),
  ],
  [
    'soil that warms toward 65 °F',
    spray('imazaquin', 8.6),
    on('centipede', { soilF: 60, soilRising: true }),
    on('centipede', { soilF: 60, soilRising: false }),
  ],
  [
    'soil that has warmed to 65 °F',
    spray('imazaquin', 8.6),
    on('centipede', { soilF: 64.9, soilRising: true }),
    on('centipede', { soilF: 65, soilRising: true }),
  ],
  [
    'carpetgrass on more than a tenth of the ground',
    spray('thiencarbazone-iodosulfuron-dicamba', 3.7),
    on('centipede', {}, [{ species: 'carpetgrass', cover: 0.11 }]),
    on('centipede', {}, [{ species: 'carpetgrass', cover: 0.1 }]),
  ],
  [
    'young turf',
    spray('indaziflam', 5),
    on('bermuda-common', { youngTurf: true }),
    on('bermuda-common', { youngTurf: false }),
  ],
])('speaks harder of turf for %s', (_name, application, inside, outside) => {
  expect(said(application, inside)).toContain('turf-not-tolerant');
  expect(said(application, outside)).not.toContain('turf-not-tolerant');
});

it('knows seed in the ground for four weeks, before and beside, not after', () => {
  const context = (others: Judged[]) => on('fine-fescue', { others });
  const at = (date: string) => said(spray('mesotrione', 4), context([seeded(date)]));
  expect(at('2026-04-22')).toContain('turf-not-tolerant');
  expect(at('2026-05-20')).toContain('turf-not-tolerant');
  expect(at('2026-04-21')).not.toContain('turf-not-tolerant');
  expect(at('2026-05-21')).not.toContain('turf-not-tolerant');
});

it('counts a repeat within sixty days before, not on the day and not after', () => {
  const at = (...dates: string[]) =>
    said(
      spray('mesotrione', 4),
      on('perennial-ryegrass', {
        others: dates.map((date) => spray('mesotrione', 4, { date, id: date })),
      }),
    );
  expect(at('2026-03-21')).toContain('turf-caution');
  expect(at('2026-03-20')).toEqual([]);
  expect(at('2026-05-20')).toEqual([]);
  expect(at('2026-06-10')).toEqual([]);
  expect(at('2026-06-10', '2026-05-01')).toContain('turf-caution');
});

it('lets what is meant for bermuda be put on St. Augustine with care, and nothing else', () => {
  const meant = (targets?: string[]) =>
    said(
      spray('ethofumesate', 30, targets === undefined ? {} : { targets }),
      on('st-augustine', { airHighF: 70 }),
    );
  expect(meant(['bermuda-common'])).toEqual(['turf-caution']);
  expect(meant(['annual-bluegrass', 'bermuda-common'])).toEqual(['turf-caution']);
  expect(meant(['annual-bluegrass'])).toEqual(['turf-not-tolerant']);
  expect(meant([])).toEqual(['turf-not-tolerant']);
  expect(meant()).toEqual(['turf-not-tolerant']);
});

it('takes less than half the low rate of a total killer for holding a grass back', () => {
  const at = (perAcre: number) => said(spray('glyphosate', perAcre), on('bahia'));
  expect(at(15.9)).toEqual(['turf-caution']);
  expect(at(16)).toEqual(['turf-not-tolerant']);
});
