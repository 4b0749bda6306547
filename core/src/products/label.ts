import { z } from 'zod';
import {
  fertilizer,
  grass,
  grassSlugSchema,
  herbicide,
  seedMix,
  slugSchema,
  treatment,
  type GrassSlug,
} from '../knowledge';

const positive = z.number().positive('above 0').max(10_000_000);
const optional = (schema: z.ZodNumber) => schema.nullable().default(null);

/**
 * A product on the company's own shelf as its label has it. Rates are per acre in `unit`, whatever the
 * label prints. What is `null` is not on the label; the library then stands.
 */
export const shelfLabelSchema = z
  .object({
    id: z.uuid(),
    /** Entry of the library that it is; `null`: something that the library does not have. */
    base: z
      .object({ kind: z.enum(['herbicide', 'treatment', 'fertilizer', 'seed']), slug: slugSchema })
      .nullable(),
    /** The company's own name for it. */
    name: z.string().trim().min(1, 'name it').max(80),
    registration: z.string().trim().max(40).default(''),
    signalWord: z.enum(['none', 'caution', 'warning', 'danger']),
    unit: z.enum(['oz', 'fl-oz', 'lb', 'million']),
    /** Active ingredients: lb per gal of liquid, or per cent of the weight. */
    actives: z
      .array(
        z.object({
          name: z.string().trim().min(1, 'name the active ingredient').max(120),
          amount: positive,
          unit: z.enum(['lb-per-gal', 'percent']),
        }),
      )
      .max(6)
      .default([]),
    lowPerAcre: optional(positive),
    highPerAcre: positive,
    maxPerYear: optional(positive),
    maxApplications: z.number().int().positive().max(365).nullable().default(null),
    minIntervalDays: optional(z.number().min(0).max(730)),
    /** Grasses that the label names; empty: not entered, the library's ratings stand. */
    turf: z.array(grassSlugSchema).max(40).default([]),
    airMinF: optional(z.number().min(-20).max(120)),
    airMaxF: optional(z.number().min(20).max(130)),
    waterInIn: optional(z.number().min(0).max(2)),
    rainfastHours: optional(z.number().min(0).max(96)),
    reentryHours: optional(z.number().min(0).max(240)),
    /** Weeks to wait before seed goes down, and that seedlings must have stood. */
    seedAfterWeeks: optional(z.number().min(0).max(104)),
    seedBeforeWeeks: optional(z.number().min(0).max(104)),
    /** Nutrients that it carries, % of its weight, and the share of the nitrogen that is slow: a bag of two things. */
    nutrients: z
      .object({
        n: z.number().min(0).max(60),
        p2o5: z.number().min(0).max(60),
        k2o: z.number().min(0).max(70),
        slowShare: z.number().min(0).max(1),
      })
      .nullable()
      .default(null),
    /** Spread dry, whatever the library's entry is. */
    granular: z.boolean().default(false),
    /** Of seed: pure seed and what of it comes up, %. */
    purityPct: optional(z.number().positive().max(100)),
    germinationPct: optional(z.number().positive().max(100)),
    homeLawns: z.boolean(),
    siteBans: z.string().max(400).default(''),
    packageAmount: optional(positive),
    priceUsd: optional(z.number().min(0).max(100_000)),
    /** Whole packages in the store; may be a part of one. */
    packages: z.number().min(0).max(10_000).default(0),
    /** Of several labels of one entry the one that is used counts. */
    inUse: z.boolean().default(true),
  })
  .superRefine((label, context) => {
    const issue = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (label.lowPerAcre !== null && label.lowPerAcre > label.highPerAcre) {
      issue('lowPerAcre', 'the low rate is above the high one');
    }
    if (label.maxPerYear !== null && label.maxPerYear < label.highPerAcre) {
      issue('maxPerYear', 'a year allows less than one application');
    }
    if (label.airMinF !== null && label.airMaxF !== null && label.airMinF >= label.airMaxF) {
      issue('airMinF', 'the lowest air is not below the highest');
    }
    const { base, nutrients, granular } = label;
    const dry = label.unit === 'oz' || label.unit === 'lb';
    if (nutrients && !dry) issue('nutrients', 'nutrients are a share of a weight: oz or lb');
    if (granular && !dry) issue('granular', 'granules are weighed: oz or lb');
    if (nutrients && nutrients.n + nutrients.p2o5 + nutrients.k2o > 100) {
      issue('nutrients', 'more nutrients than weight');
    }
    if (base && !entryOf(base)) issue('base', 'the library has no such entry');
  });
export type ShelfLabel = z.infer<typeof shelfLabelSchema>;

const entryOf = ({ kind, slug }: { kind: string; slug: string }) =>
  kind === 'herbicide'
    ? herbicide(slug)
    : kind === 'treatment'
      ? treatment(slug)
      : kind === 'fertilizer'
        ? fertilizer(slug)
        : (seedMix(slug) ?? (isGrass(slug) ? grass(slug).seed : undefined));

const isGrass = (slug: string): slug is GrassSlug => grassSlugSchema.safeParse(slug).success;
