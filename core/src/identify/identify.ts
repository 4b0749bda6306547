import { grass, weed, type GrassSlug, type Region } from '../knowledge';
import { monthInWindow } from '../units';
import {
  keyCharacters,
  keyModel,
  keyTaxa,
  type Ease,
  type KeyCharacter,
  type KeyTaxon,
} from '../knowledge/key';

/** One character as it was seen. "Unsure" is no answer at all. */
export interface KeyAnswer {
  state: string;
  /** The technician is certain: full weight, and one mismatch rules a plant out. */
  certain?: boolean;
  /** Seen through a lens; makes hard characters count for more. */
  lens?: boolean;
}

export interface KeyInput {
  region: Region;
  /** 1-12; plants that are not about in this month start lower. */
  month: number;
  /** Grasses already noted on this lawn. */
  onLawn: readonly GrassSlug[];
  /** By character slug. */
  answers: Readonly<Record<string, KeyAnswer>>;
}

export type PlantCategory = 'turf-grass' | 'grassy' | 'sedge' | 'broadleaf' | 'bulb' | 'moss';

export interface KeyCandidate {
  taxon: string;
  grass: GrassSlug | null;
  category: PlantCategory;
  /** Posterior, 0-1; all candidates sum to 1. */
  p: number;
  /** Answered characters that speak against it. */
  against: string[];
  /** Too much speaks against it. */
  ruledOut: boolean;
}

export interface KeyResult {
  /** Every plant of the key, the likeliest first. */
  candidates: KeyCandidate[];
  /** Sums of the posterior, the likeliest first. */
  categories: { category: PlantCategory; p: number }[];
  /** Characters not answered yet by how much they would settle, bits; the best first. */
  next: { character: string; gainBits: number; ease: Ease }[];
}

/**
 * The plant key: a posterior over lawn grasses and weeds together from whatever could be seen.
 * Posterior ∝ prior · Π L^w, with L from the matrix and w from how easily the character is read;
 * a character that does not apply to a plant never speaks against it.
 * Unknown characters or states are the caller's mistake and throw.
 */
export function identify(input: KeyInput): KeyResult {
  const logs = keyTaxa.map((taxon) => Math.log(priorOf(taxon, input)));
  const against = keyTaxa.map((): string[] => []);
  const ruledOut = keyTaxa.map(() => false);
  for (const [slug, answer] of Object.entries(input.answers)) {
    const character = characterOf(slug);
    if (!character.states.includes(answer.state)) {
      throw new RangeError(`${slug} has no state ${answer.state}`);
    }
    const weight = weightOf(character, answer);
    keyTaxa.forEach((taxon, index) => {
      const own = statesOf(taxon, slug);
      logs[index] =
        (logs[index] as number) + weight * Math.log(likelihood(character, own, answer.state));
      if (own.length > 0 && !own.includes(answer.state)) {
        (against[index] as string[]).push(slug);
        if (answer.certain) ruledOut[index] = true;
      }
    });
  }
  keyTaxa.forEach((_, index) => {
    const easy = (against[index] as string[]).filter((slug) => characterOf(slug).ease === 'easy');
    if (easy.length >= keyModel.easyMismatches) ruledOut[index] = true;
  });
  const posterior = normalized(logs);
  const candidates = keyTaxa
    .map((taxon, index) => ({
      taxon: taxon.slug,
      grass: taxon.grass,
      category: plantCategory(taxon),
      p: posterior[index] as number,
      against: against[index] as string[],
      ruledOut: ruledOut[index] as boolean,
    }))
    .sort((a, b) => b.p - a.p);
  return {
    candidates,
    categories: categoriesOf(candidates),
    next: nextCharacters(input, posterior),
  };
}

/** What a plant is for the choice of a product when its name is not known. */
export function plantCategory(taxon: KeyTaxon): PlantCategory {
  if (taxon.grass && grass(taxon.grass).roles.includes('desired')) return 'turf-grass';
  const category = weed(taxon.slug)?.category;
  if (taxon.grass || category === 'grassy-annual' || category === 'grassy-perennial')
    return 'grassy';
  if (category === 'sedge' || category === 'rush') return 'sedge';
  if (category === 'bulb' || category === 'moss') return category;
  return category === 'contaminant-turf' ? 'turf-grass' : 'broadleaf';
}

/** States of a plant for one character; empty where the character does not apply to it. */
export const statesOf = (taxon: KeyTaxon, character: string): readonly string[] =>
  cells.get(taxon)?.get(character) ?? NONE;

/** The plant of a slug, or `undefined`. */
export const keyTaxon = (slug: string): KeyTaxon | undefined => bySlug.get(slug);

const NONE: readonly string[] = [];
const bySlug = new Map(keyTaxa.map((taxon) => [taxon.slug, taxon]));
const cells = new Map(
  keyTaxa.map((taxon) => [
    taxon,
    new Map(Object.entries(taxon.states).map(([slug, states]) => [slug, states.split('|')])),
  ]),
);
const characters = new Map(keyCharacters.map((character) => [character.slug, character]));

function characterOf(slug: string): KeyCharacter {
  const character = characters.get(slug);
  if (!character) throw new RangeError(`the key has no character ${slug}`);
  return character;
}

function weightOf(character: KeyCharacter, answer: KeyAnswer): number {
  if (answer.certain) return 1;
  const weight = keyModel.weight[character.ease];
  return answer.lens && character.ease === 'hard' ? weight * keyModel.lensFactor : weight;
}

function likelihood(character: KeyCharacter, own: readonly string[], state: string): number {
  const n = character.states.length;
  if (own.length === 0) return 1 / n;
  if (!own.includes(state)) return keyModel.mismatch / Math.max(1, n - own.length);
  return own.length === 1 ? keyModel.match : Math.max(keyModel.either, keyModel.match / own.length);
}

/** Shares of the prior, each spread evenly; a plant in two sets has both shares. */
function priorOf(taxon: KeyTaxon, input: KeyInput): number {
  const { regionTurf, onLawn, weedsInSeason, rest } = keyModel.prior;
  let prior = rest / keyTaxa.length;
  if (taxon.grass && inRegion(taxon.grass, input.region)) {
    prior += regionTurf / turfOf(input.region);
  }
  if (taxon.grass && input.onLawn.includes(taxon.grass)) prior += onLawn / input.onLawn.length;
  if (!taxon.grass && weedInSeason(taxon.slug, input)) {
    prior += weedsInSeason / seasonWeeds(input);
  }
  return prior;
}

const inRegion = (slug: GrassSlug, region: Region) =>
  region === 'transition' || grass(slug).season === (region === 'north' ? 'cool' : 'warm');

const turfOf = (region: Region) =>
  keyTaxa.filter(({ grass: slug }) => slug !== null && inRegion(slug, region)).length;

const seasonWeeds = ({ region, month }: KeyInput) =>
  Math.max(
    1,
    keyTaxa.filter((taxon) => !taxon.grass && weedInSeason(taxon.slug, { region, month })).length,
  );

/** Whether a weed is conspicuous in a month of a region, by its months in the library. */
export function weedInSeason(
  slug: string,
  { region, month }: Pick<KeyInput, 'region' | 'month'>,
): boolean {
  const window = weed(slug)?.months[region];
  if (!window) return false;
  return monthInWindow(month, window);
}

function normalized(logs: readonly number[]): number[] {
  const top = Math.max(...logs);
  const raw = logs.map((log) => Math.exp(log - top));
  const sum = raw.reduce((total, value) => total + value, 0);
  return raw.map((value) => value / sum);
}

function categoriesOf(candidates: readonly KeyCandidate[]) {
  const sums = new Map<PlantCategory, number>();
  for (const { category, p } of candidates) sums.set(category, (sums.get(category) ?? 0) + p);
  return [...sums].map(([category, p]) => ({ category, p })).sort((a, b) => b.p - a.p);
}

/** Below this a plant moves no question's worth and is left out of the sums. */
const NEGLIGIBLE = 1e-5;

/** Expected fall of the posterior's entropy for each open character, weighed by its ease. */
function nextCharacters(input: KeyInput, posterior: readonly number[]): KeyResult['next'] {
  const live = keyTaxa
    .map((taxon, index) => ({ taxon, p: posterior[index] as number }))
    .filter(({ p }) => p > NEGLIGIBLE);
  return keyCharacters
    .filter(({ slug }) => !(slug in input.answers))
    .map((character) => ({
      character: character.slug,
      ease: character.ease,
      gainBits: keyModel.weight[character.ease] * gain(character, live),
    }))
    .sort((a, b) => b.gainBits - a.gainBits);
}

/** Mutual information of a character's state and the plant, bits. */
function gain(character: KeyCharacter, live: readonly { taxon: KeyTaxon; p: number }[]): number {
  let bits = 0;
  for (const state of character.states) {
    let marginal = 0;
    let inner = 0;
    for (const { taxon, p } of live) {
      const l = likelihood(character, statesOf(taxon, character.slug), state);
      marginal += p * l;
      inner += p * l * Math.log2(l);
    }
    bits += inner - (marginal > 0 ? marginal * Math.log2(marginal) : 0);
  }
  return bits;
}
