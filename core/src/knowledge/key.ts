import { z } from 'zod';
import rawCharacters from './data/keyCharacters.json';
import rawTaxa from './data/keyTaxa.json';
import rawLookAlikes from './data/lookAlikes.json';
import { grassSlugSchema } from './grasses';
import { sourceSchema, type Source } from './source';

/** How easily a novice reads a character in the field. */
export const easeSchema = z.enum(['easy', 'medium', 'hard']);
export type Ease = z.infer<typeof easeSchema>;

export const keyCharacterSchema = z.object({
  slug: z.string(),
  ease: easeSchema,
  states: z.array(z.string()).min(2),
  source: sourceSchema,
});
export type KeyCharacter = z.infer<typeof keyCharacterSchema>;

/**
 * A plant of the key. `states` gives a character's state, or `a|b` where the plant shows either; a
 * character that does not apply to it is left out.
 */
export const keyTaxonSchema = z.object({
  slug: z.string(),
  grass: grassSlugSchema.nullable(),
  states: z.record(z.string(), z.string()),
  source: sourceSchema,
});
export type KeyTaxon = z.infer<typeof keyTaxonSchema>;

export const lookAlikeSchema = z.object({
  a: z.string(),
  b: z.string(),
  /** Characters that tell the two apart, the most telling first. */
  characters: z.array(z.string()).min(1),
  source: sourceSchema,
});
export type LookAlike = z.infer<typeof lookAlikeSchema>;

/** Shapes checked by `key.test.ts`. */
export const keyCharacters = rawCharacters as unknown as readonly KeyCharacter[];
export const keyTaxa = rawTaxa as unknown as readonly KeyTaxon[];
export const lookAlikes = rawLookAlikes as unknown as readonly LookAlike[];

/** Constants of the key's scoring. */
export const keyModel = {
  /** Likelihood of the state that the plant shows. */
  match: 0.9,
  /** Where the plant shows either of two. */
  either: 0.5,
  /** Spread over the states that it does not show. */
  mismatch: 0.1,
  /** Trust in an answer by how easily a novice reads the character. */
  weight: { easy: 1, medium: 0.7, hard: 0.4 } satisfies Record<Ease, number>,
  /** Factor on `hard` when a lens was used. */
  lensFactor: 2,
  /** Mismatches on easy characters that rule a plant out. */
  easyMismatches: 2,
  /** Share of the prior: turf of the region, grasses noted on this lawn, weeds in season, the rest. */
  prior: { regionTurf: 0.3, onLawn: 0.25, weedsInSeason: 0.4, rest: 0.05 },
  /** Posterior under which no product is planned on the name alone. */
  lockBelow: 0.8,
  /** Smallest posterior that still counts as "could be". */
  couldBe: 0.05,
  source: {
    kind: 'derived',
    ref: 'shares chosen by us; the weights are common practice',
  } as Source,
} as const;

/** Order of questions before anything is known, by common practice. */
export const firstCharacters = [
  'plant-form',
  'stem-section',
  'leaf-arrangement',
  'seed-head',
  'root-structure',
] as const;

/** Where on the plant a character is looked for, so that a technician bends down once for each. */
export const characterGroups = {
  leaf: [
    'leaf-type',
    'leaf-arrangement',
    'leaf-shape',
    'leaf-width',
    'venation',
    'midrib',
    'leaf-tip',
    'leaf-section',
    'leaf-color',
    'leaf-gloss',
    'hairs',
  ],
  joint: [
    'stem-section',
    'stem-texture',
    'vernation',
    'ligule',
    'auricles',
    'base-color',
    'scale-keel',
    'nodes-root',
    'sap',
    'smell',
  ],
  head: [
    'seed-head',
    'flower-color',
    'flower-form',
    'fruit',
    'heads-at-mow-height',
    'seedhead-abundance',
  ],
  habit: [
    'plant-form',
    'growth-habit',
    'clumping',
    'root-structure',
    'life-cycle',
    'season-visible',
    'spines',
    'site',
    'outgrows-turf',
    'height-unmowed',
    'contrast',
    'winter-state',
  ],
} as const;
