import {
  fertilizer,
  herbicide,
  seedMix,
  seedMixRate,
  seedRate,
  shelfLabelSchema,
  THOUSANDS_PER_ACRE,
  treatment,
  type GrassSlug,
  type ShelfLabel,
} from '@alfombra/core';
import { z } from 'zod';
import { type NumberText, numberText, typedNumber } from '@/ui';

/** Fields of a label that are figures; `true`: it must be filled in. */
export const LABEL_FIGURES = {
  lowPerAcre: false,
  highPerAcre: true,
  maxPerYear: false,
  maxApplications: false,
  minIntervalDays: false,
  airMinF: false,
  airMaxF: false,
  waterInIn: false,
  rainfastHours: false,
  reentryHours: false,
  seedAfterWeeks: false,
  seedBeforeWeeks: false,
  nPct: false,
  p2o5Pct: false,
  k2oPct: false,
  slowPct: false,
  purityPct: false,
  germinationPct: false,
  packageAmount: false,
  priceUsd: false,
  packages: false,
} as const;
export type LabelFigure = keyof typeof LABEL_FIGURES;

/** A label as it is typed. */
export interface LabelDraft {
  base: string;
  name: string;
  registration: string;
  signalWord: ShelfLabel['signalWord'];
  unit: ShelfLabel['unit'];
  /** One a line: name, amount, `lb/gal` or `%`. */
  actives: string;
  turf: GrassSlug[];
  homeLawns: boolean;
  granular: boolean;
  siteBans: string;
  inUse: boolean;
  figures: Record<LabelFigure, NumberText>;
}

const EMPTY: Record<LabelFigure, NumberText> = Object.fromEntries(
  Object.keys(LABEL_FIGURES).map((key) => [key, '']),
) as Record<LabelFigure, NumberText>;

/** Nutrients stand together on the label, each in a field of its own. */
function figureOf(label: ShelfLabel, key: LabelFigure): number | null {
  const { nutrients } = label;
  switch (key) {
    case 'nPct':
      return nutrients?.n ?? null;
    case 'p2o5Pct':
      return nutrients?.p2o5 ?? null;
    case 'k2oPct':
      return nutrients?.k2o ?? null;
    case 'slowPct':
      return nutrients ? nutrients.slowShare * 100 : null;
    default:
      return label[key];
  }
}

export function draftOfLabel(label: ShelfLabel): LabelDraft {
  return {
    base: label.base ? `${label.base.kind}:${label.base.slug}` : '',
    name: label.name,
    registration: label.registration,
    signalWord: label.signalWord,
    unit: label.unit,
    actives: label.actives
      .map(
        ({ name, amount, unit }) =>
          `${name} ${numberText(amount)} ${unit === 'percent' ? '%' : 'lb/gal'}`,
      )
      .join('\n'),
    turf: label.turf,
    homeLawns: label.homeLawns,
    granular: label.granular,
    siteBans: label.siteBans,
    inUse: label.inUse,
    figures: Object.fromEntries(
      (Object.keys(LABEL_FIGURES) as LabelFigure[]).map((key) => [
        key,
        numberText(figureOf(label, key)),
      ]),
    ) as Record<LabelFigure, NumberText>,
  };
}

/** A new label, begun from the library's entry where one is named. */
export function newDraft(base: string, nameOf: (kind: string, slug: string) => string): LabelDraft {
  const [kind, slug] = base.split(':') as [string, string | undefined];
  const draft: LabelDraft = {
    base,
    name: slug ? nameOf(kind, slug) : '',
    registration: '',
    signalWord: 'caution',
    unit: 'fl-oz',
    actives: '',
    turf: [],
    homeLawns: true,
    granular: false,
    siteBans: '',
    inUse: true,
    figures: { ...EMPTY, packages: numberText(0) },
  };
  const weed = kind === 'herbicide' && slug ? herbicide(slug) : undefined;
  if (weed && weed.unit !== 'dose') {
    return {
      ...draft,
      signalWord: weed.signalWord,
      unit: weed.unit,
      granular: weed.form === 'granule',
      figures: {
        ...draft.figures,
        lowPerAcre: numberText(weed.rate[0]),
        highPerAcre: numberText(weed.rate[1]),
        maxPerYear: numberText(weed.maxPerYear),
        maxApplications: numberText(weed.maxApplications),
        minIntervalDays: numberText(weed.minIntervalDays),
        airMinF: numberText(weed.airF[0]),
        airMaxF: numberText(weed.airF[1]),
        rainfastHours: numberText(weed.rainfastHours),
        seedAfterWeeks: numberText(weed.waitBeforeSeedingWeeks[1]),
        seedBeforeWeeks: numberText(weed.seedlingAgeWeeks),
      },
    };
  }
  const other = kind === 'treatment' && slug ? treatment(slug) : undefined;
  if (other) {
    return {
      ...draft,
      signalWord: other.signalWord,
      unit: other.unit ?? 'fl-oz',
      granular: other.form === 'granule',
      figures: {
        ...draft.figures,
        lowPerAcre: numberText(other.ratePerAcre?.[0] ?? null),
        highPerAcre: numberText(other.ratePerAcre?.[1] ?? null),
        maxPerYear: numberText(other.maxPerYear),
        maxApplications: numberText(other.maxApplications),
        minIntervalDays: numberText(other.minIntervalDays),
        airMaxF: numberText(other.hotAboveF),
        waterInIn: numberText(other.waterInIn),
      },
    };
  }
  if (kind === 'seed' && slug) {
    const mix = seedMix(slug);
    const rate = (use: 'overseed' | 'new') =>
      (mix ? seedMixRate(mix, use) : seedRate(slug as GrassSlug, use))?.bulkLbPer1000 ?? 0;
    const perAcre = (use: 'overseed' | 'new') => numberText(rate(use) * THOUSANDS_PER_ACRE, 1);
    return {
      ...draft,
      signalWord: 'none',
      unit: 'lb',
      figures: {
        ...draft.figures,
        lowPerAcre: perAcre('overseed'),
        highPerAcre: perAcre('new'),
        purityPct: numberText(98),
        germinationPct: numberText(85),
      },
    };
  }
  const feed = kind === 'fertilizer' && slug ? fertilizer(slug) : undefined;
  return feed
    ? {
        ...draft,
        signalWord: 'none',
        unit: 'lb',
        figures: {
          ...draft.figures,
          packageAmount: numberText(feed.bagLb),
          nPct: numberText(feed.grade[0]),
          p2o5Pct: numberText(feed.grade[1]),
          k2oPct: numberText(feed.grade[2]),
          slowPct: numberText(feed.slowShare * 100),
        },
      }
    : draft;
}

/** The form of a label; a fault is a key of the catalogs. */
export const labelFormSchema = (id: string) =>
  z.custom<LabelDraft>().transform((draft, context): ShelfLabel => {
    const { label, problems } = readLabel(draft, id);
    if (label) return label;
    for (const [field, problem] of Object.entries(problems)) {
      context.addIssue({
        code: 'custom',
        path: field in LABEL_FIGURES ? ['figures', field] : [field],
        message: `shelf.problem.${problem}`,
      });
    }
    return z.NEVER;
  });

/** The draft as a label, or what is wrong at which field. */
export function readLabel(
  draft: LabelDraft,
  id: string,
): { label: ShelfLabel | null; problems: Record<string, string> } {
  const problems: Record<string, string> = {};
  const figures: Record<string, number | null> = {};
  for (const [key, needed] of Object.entries(LABEL_FIGURES) as [LabelFigure, boolean][]) {
    const typed = draft.figures[key];
    if (typed.trim() === '') {
      if (needed) problems[key] = 'missing';
      figures[key] = key === 'packages' ? 0 : null;
      continue;
    }
    const value = typedNumber(typed);
    if (value === null) problems[key] = 'not-a-number';
    figures[key] = value;
  }
  const actives = draft.actives
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => {
      const [, active, amount, unit] = /^(.+?)\s+(\S+)\s*(lb\/gal|%)$/.exec(line) ?? [];
      const value = typedNumber((amount ?? '') as NumberText);
      return value === null
        ? null
        : { name: active, amount: value, unit: unit === '%' ? 'percent' : 'lb-per-gal' };
    });
  if (actives.includes(null)) problems.actives = 'actives';
  const [kind, slug] = draft.base.split(':');
  const { nPct, p2o5Pct, k2oPct, slowPct, ...own } = figures;
  const feeds = [nPct, p2o5Pct, k2oPct].some((figure) => typeof figure === 'number');
  if (Object.keys(problems).length > 0) return { label: null, problems };
  const parsed = shelfLabelSchema.safeParse({
    id,
    base: kind && slug ? { kind, slug } : null,
    name: draft.name,
    registration: draft.registration,
    signalWord: draft.signalWord,
    unit: draft.unit,
    actives,
    turf: draft.turf,
    homeLawns: draft.homeLawns,
    granular: draft.granular,
    siteBans: draft.siteBans,
    inUse: draft.inUse,
    nutrients: feeds
      ? { n: nPct ?? 0, p2o5: p2o5Pct ?? 0, k2o: k2oPct ?? 0, slowShare: (slowPct ?? 0) / 100 }
      : null,
    ...own,
  });
  if (parsed.success) return { label: parsed.data, problems: {} };
  const known: Record<string, string> = {
    name: 'missing',
    lowPerAcre: 'low',
    maxPerYear: 'year',
    airMinF: 'air',
    nPct: 'nutrients',
    granular: 'granular',
  };
  return {
    label: null,
    problems: Object.fromEntries(
      parsed.error.issues.map(({ path }) => {
        // What is wrong with the nutrients is said at the first of their fields.
        const field = path[0] === 'nutrients' ? 'nPct' : String(path[0] ?? '');
        return [field, known[field] ?? 'out-of-range'];
      }),
    ),
  };
}
