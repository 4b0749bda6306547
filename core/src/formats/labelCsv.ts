import { csvNumber } from './csvNumber';
import { csvText } from './csvText';
import { shelfLabelSchema, type ShelfLabel } from '../products/label';
import { csvRows } from './csvRows';
import type { RowError } from './rowError';

const COLUMNS = [
  'name',
  'kind',
  'entry',
  'registration',
  'signal_word',
  'unit',
  'actives',
  'low_per_acre',
  'high_per_acre',
  'max_per_year',
  'max_applications',
  'min_interval_days',
  'turf',
  'air_min_f',
  'air_max_f',
  'water_in_in',
  'rainfast_hours',
  'reentry_hours',
  'seed_after_weeks',
  'seed_before_weeks',
  'nitrogen_pct',
  'phosphate_pct',
  'potash_pct',
  'slow_pct',
  'granular',
  'purity_pct',
  'germination_pct',
  'home_lawns',
  'site_bans',
  'package_amount',
  'price_usd',
  'packages',
  'in_use',
] as const;
type Column = (typeof COLUMNS)[number];

/** Field of the schema that a column fills, for errors at the column. */
const FIELD: Readonly<Record<string, Column>> = {
  base: 'entry',
  signalWord: 'signal_word',
  lowPerAcre: 'low_per_acre',
  highPerAcre: 'high_per_acre',
  maxPerYear: 'max_per_year',
  maxApplications: 'max_applications',
  minIntervalDays: 'min_interval_days',
  airMinF: 'air_min_f',
  airMaxF: 'air_max_f',
  waterInIn: 'water_in_in',
  rainfastHours: 'rainfast_hours',
  reentryHours: 'reentry_hours',
  seedAfterWeeks: 'seed_after_weeks',
  seedBeforeWeeks: 'seed_before_weeks',
  nutrients: 'nitrogen_pct',
  purityPct: 'purity_pct',
  germinationPct: 'germination_pct',
  homeLawns: 'home_lawns',
  siteBans: 'site_bans',
  packageAmount: 'package_amount',
  priceUsd: 'price_usd',
  inUse: 'in_use',
};

const yes = (cell: string | undefined): boolean => /^(yes|y|true|1)$/i.test(cell ?? '');
const figure = (cell: string | undefined): number | null =>
  cell === undefined || cell === '' ? null : csvNumber(cell);

/** Nutrients of a row; `null` where none is filled in. */
function nutrientsOf(cells: Partial<Record<Column, string>>) {
  const [n, p2o5, k2o] = [cells.nitrogen_pct, cells.phosphate_pct, cells.potash_pct].map(figure);
  if ([n, p2o5, k2o].every((value) => value === null)) return null;
  return {
    n: n ?? 0,
    p2o5: p2o5 ?? 0,
    k2o: k2o ?? 0,
    slowShare: (figure(cells.slow_pct) ?? 0) / 100,
  };
}

/**
 * Reads labels of the shelf, one a row. `actives` are `name amount lb/gal` or `name amount %` with `;`
 * between; `turf` are grass slugs with spaces between.
 * @param newId gives a row its id
 */
export function parseLabelCsv(
  text: string,
  newId: () => string,
): { labels: ShelfLabel[]; errors: RowError[] } {
  const { rows, errors } = csvRows<Column>(text, COLUMNS, ['name', 'unit', 'high_per_acre']);
  const labels: ShelfLabel[] = [];
  const found: RowError[] = [...errors];
  for (const { row, cells } of rows) {
    const actives = (cells.actives ?? '')
      .split(';')
      .map((part) => part.trim())
      .filter(Boolean)
      .map((part) => /^(.+?)\s+([\d.]+)\s*(lb\/gal|%)$/.exec(part));
    if (actives.includes(null)) {
      found.push({ row, column: 'actives', message: 'as: name 0.5 lb/gal; other 12 %' });
      continue;
    }
    const parsed = shelfLabelSchema.safeParse({
      id: newId(),
      base: cells.entry ? { kind: cells.kind ?? '', slug: cells.entry } : null,
      name: cells.name ?? '',
      registration: cells.registration ?? '',
      signalWord: cells.signal_word || 'caution',
      unit: cells.unit,
      actives: actives.map((match) => ({
        name: match![1],
        amount: Number(match![2]),
        unit: match![3] === '%' ? 'percent' : 'lb-per-gal',
      })),
      lowPerAcre: figure(cells.low_per_acre),
      highPerAcre: figure(cells.high_per_acre),
      maxPerYear: figure(cells.max_per_year),
      maxApplications: figure(cells.max_applications),
      minIntervalDays: figure(cells.min_interval_days),
      turf: (cells.turf ?? '').split(/\s+/).filter(Boolean),
      airMinF: figure(cells.air_min_f),
      airMaxF: figure(cells.air_max_f),
      waterInIn: figure(cells.water_in_in),
      rainfastHours: figure(cells.rainfast_hours),
      reentryHours: figure(cells.reentry_hours),
      seedAfterWeeks: figure(cells.seed_after_weeks),
      seedBeforeWeeks: figure(cells.seed_before_weeks),
      nutrients: nutrientsOf(cells),
      granular: yes(cells.granular),
      purityPct: figure(cells.purity_pct),
      germinationPct: figure(cells.germination_pct),
      homeLawns: yes(cells.home_lawns),
      siteBans: cells.site_bans ?? '',
      packageAmount: figure(cells.package_amount),
      priceUsd: figure(cells.price_usd),
      packages: figure(cells.packages) ?? 0,
      inUse: cells.in_use === undefined || cells.in_use === '' ? true : yes(cells.in_use),
    });
    if (parsed.success) labels.push(parsed.data);
    else {
      for (const issue of parsed.error.issues) {
        const field = String(issue.path[0] ?? '');
        found.push({ row, column: FIELD[field] ?? field, message: issue.message });
      }
    }
  }
  return { labels, errors: found };
}

/** Labels as CSV, in the columns that {@link parseLabelCsv} reads. */
export const writeLabelCsv = (labels: readonly ShelfLabel[]): string =>
  csvText({
    fields: [...COLUMNS],
    data: labels.map((label) => [
      label.name,
      label.base?.kind ?? '',
      label.base?.slug ?? '',
      label.registration,
      label.signalWord,
      label.unit,
      label.actives
        .map(({ name, amount, unit }) => `${name} ${amount} ${unit === 'percent' ? '%' : 'lb/gal'}`)
        .join('; '),
      label.lowPerAcre ?? '',
      label.highPerAcre,
      label.maxPerYear ?? '',
      label.maxApplications ?? '',
      label.minIntervalDays ?? '',
      label.turf.join(' '),
      label.airMinF ?? '',
      label.airMaxF ?? '',
      label.waterInIn ?? '',
      label.rainfastHours ?? '',
      label.reentryHours ?? '',
      label.seedAfterWeeks ?? '',
      label.seedBeforeWeeks ?? '',
      label.nutrients?.n ?? '',
      label.nutrients?.p2o5 ?? '',
      label.nutrients?.k2o ?? '',
      label.nutrients ? label.nutrients.slowShare * 100 : '',
      label.granular ? 'yes' : 'no',
      label.purityPct ?? '',
      label.germinationPct ?? '',
      label.homeLawns ? 'yes' : 'no',
      label.siteBans,
      label.packageAmount ?? '',
      label.priceUsd ?? '',
      label.packages,
      label.inUse ? 'yes' : 'no',
    ]),
  });

/** Labels as JSON, whole. */
export const writeLabelJson = (labels: readonly ShelfLabel[]): string =>
  JSON.stringify(labels, null, 2);

/** Reads what {@link writeLabelJson} writes. Errors carry the place in the list, 1 is the first. */
export function parseLabelJson(text: string): { labels: ShelfLabel[]; errors: RowError[] } {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return { labels: [], errors: [{ row: 1, column: null, message: `no JSON: ${String(error)}` }] };
  }
  if (!Array.isArray(raw)) {
    return { labels: [], errors: [{ row: 1, column: null, message: 'a list of labels' }] };
  }
  const labels: ShelfLabel[] = [];
  const errors: RowError[] = [];
  raw.forEach((entry: unknown, index) => {
    const parsed = shelfLabelSchema.safeParse(entry);
    if (parsed.success) labels.push(parsed.data);
    else {
      for (const issue of parsed.error.issues) {
        errors.push({
          row: index + 1,
          column: issue.path.map(String).join('.'),
          message: issue.message,
        });
      }
    }
  });
  return { labels, errors };
}
