import {
  fertilizer,
  herbicide,
  seedMix,
  seedMixRate,
  seedRate,
  shelfLabelSchema,
  treatment,
  type GrassSlug,
  type ShelfLabel,
} from '@alfombra/core';
import { typedNumber } from '@/ui';

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
  siteBans: string;
  inUse: boolean;
  figures: Record<LabelFigure, string>;
}

const EMPTY: Record<LabelFigure, string> = Object.fromEntries(
  Object.keys(LABEL_FIGURES).map((key) => [key, '']),
) as Record<LabelFigure, string>;
const text = (value: number | null): string => (value === null ? '' : String(value));

export function draftOfLabel(label: ShelfLabel): LabelDraft {
  return {
    base: label.base ? `${label.base.kind}:${label.base.slug}` : '',
    name: label.name,
    registration: label.registration,
    signalWord: label.signalWord,
    unit: label.unit,
    actives: label.actives
      .map(({ name, amount, unit }) => `${name} ${amount} ${unit === 'percent' ? '%' : 'lb/gal'}`)
      .join('\n'),
    turf: label.turf,
    homeLawns: label.homeLawns,
    siteBans: label.siteBans,
    inUse: label.inUse,
    figures: Object.fromEntries(
      (Object.keys(LABEL_FIGURES) as LabelFigure[]).map((key) => [key, text(label[key])]),
    ) as Record<LabelFigure, string>,
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
    siteBans: '',
    inUse: true,
    figures: { ...EMPTY, packages: '0' },
  };
  const weed = kind === 'herbicide' && slug ? herbicide(slug) : undefined;
  if (weed && weed.unit !== 'dose') {
    return {
      ...draft,
      signalWord: weed.signalWord,
      unit: weed.unit,
      figures: {
        ...draft.figures,
        lowPerAcre: text(weed.rate[0]),
        highPerAcre: text(weed.rate[1]),
        maxPerYear: text(weed.maxPerYear),
        maxApplications: text(weed.maxApplications),
        minIntervalDays: text(weed.minIntervalDays),
        airMinF: text(weed.airF[0]),
        airMaxF: text(weed.airF[1]),
        rainfastHours: text(weed.rainfastHours),
        seedAfterWeeks: text(weed.waitBeforeSeedingWeeks[1]),
        seedBeforeWeeks: text(weed.seedlingAgeWeeks),
      },
    };
  }
  const other = kind === 'treatment' && slug ? treatment(slug) : undefined;
  if (other) {
    return {
      ...draft,
      signalWord: other.signalWord,
      unit: other.unit ?? 'fl-oz',
      figures: {
        ...draft.figures,
        lowPerAcre: text(other.ratePerAcre?.[0] ?? null),
        highPerAcre: text(other.ratePerAcre?.[1] ?? null),
        maxPerYear: text(other.maxPerYear),
        maxApplications: text(other.maxApplications),
        minIntervalDays: text(other.minIntervalDays),
        airMaxF: text(other.hotAboveF),
        waterInIn: text(other.waterInIn),
      },
    };
  }
  if (kind === 'seed' && slug) {
    const mix = seedMix(slug);
    const rate = (use: 'overseed' | 'new') =>
      (mix ? seedMixRate(mix, use) : seedRate(slug as GrassSlug, use))?.bulkLbPer1000 ?? 0;
    const perAcre = (use: 'overseed' | 'new') => text(Number((rate(use) * 43.56).toFixed(1)));
    return {
      ...draft,
      signalWord: 'none',
      unit: 'lb',
      figures: { ...draft.figures, lowPerAcre: perAcre('overseed'), highPerAcre: perAcre('new') },
    };
  }
  const feed = kind === 'fertilizer' && slug ? fertilizer(slug) : undefined;
  return feed
    ? {
        ...draft,
        signalWord: 'none',
        unit: 'lb',
        figures: { ...draft.figures, packageAmount: text(feed.bagLb) },
      }
    : draft;
}

/** The draft as a label, or what is wrong at which field. */
export function readLabel(
  draft: LabelDraft,
  id: string,
): { label: ShelfLabel | null; problems: Record<string, string> } {
  const problems: Record<string, string> = {};
  const figures: Record<string, number | null> = {};
  for (const [key, needed] of Object.entries(LABEL_FIGURES) as [LabelFigure, boolean][]) {
    const typed = draft.figures[key].trim();
    if (typed === '') {
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
    .map((line) => /^(.+?)\s+([\d.,]+)\s*(lb\/gal|%)$/.exec(line));
  if (actives.includes(null)) problems.actives = 'actives';
  const [kind, slug] = draft.base.split(':');
  if (Object.keys(problems).length > 0) return { label: null, problems };
  const parsed = shelfLabelSchema.safeParse({
    id,
    base: kind && slug ? { kind, slug } : null,
    name: draft.name,
    registration: draft.registration,
    signalWord: draft.signalWord,
    unit: draft.unit,
    actives: actives.map((match) => ({
      name: match![1],
      amount: typedNumber(match![2] as string) ?? 0,
      unit: match![3] === '%' ? 'percent' : 'lb-per-gal',
    })),
    turf: draft.turf,
    homeLawns: draft.homeLawns,
    siteBans: draft.siteBans,
    inUse: draft.inUse,
    ...figures,
  });
  if (parsed.success) return { label: parsed.data, problems: {} };
  const known: Record<string, string> = {
    name: 'missing',
    lowPerAcre: 'low',
    maxPerYear: 'year',
    airMinF: 'air',
  };
  return {
    label: null,
    problems: Object.fromEntries(
      parsed.error.issues.map(({ path }) => {
        const field = String(path[0] ?? '');
        return [field, known[field] ?? 'out-of-range'];
      }),
    ),
  };
}
