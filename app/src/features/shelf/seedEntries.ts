import { grasses, LIBRARY, seedMixes } from '@alfombra/core';
import type { TFunction } from 'i18next';
import { materialName } from '@/features/season/productWords';

/** An entry of the library by its kind. */
export interface LibraryEntry {
  kind: 'herbicide' | 'treatment' | 'fertilizer' | 'seed';
  slug: string;
}

/** Seed that is sold: mixes first, then the grasses one by one. */
export const seedEntries = (): LibraryEntry[] =>
  [
    ...seedMixes.map(({ slug }) => slug),
    ...grasses.flatMap(({ slug, seed }) => (seed ? [slug] : [])),
  ].map((slug) => ({ kind: 'seed', slug }));

/** Name of an entry of the library. */
export const entryName = (t: TFunction, entry: { kind: string; slug: string }): string =>
  materialName(t, entry, LIBRARY);
