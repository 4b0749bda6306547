import { applicationRules, fillingOrder, measuring, type Herbicide } from '../knowledge';
import type { Shelf, ShelfHerbicide } from '../products';
import { toPer1000, perAcre } from '../units';
import { measuredAmount, measuredWater, type MeasuredAmount } from './measuredAmount';
import { adjuvantFluidOunces } from './spray';
import { tankLoads, type TankLoads } from './tankLoads';

/** A product and its rate, product per acre in the product's own unit. */
export interface MixProduct {
  herbicide: string;
  ratePerAcre: number;
}

export interface MixInput {
  products: readonly MixProduct[];
  areaFt2: number;
  /** Carrier volume, gal per 1000 ft². */
  carrierGalPer1000: number;
  tankGal: number;
}

/** One line of the card, in the order of filling. */
export type Pour =
  | { kind: 'water-first'; gallons: number }
  | {
      kind: 'product';
      herbicide: string;
      amount: MeasuredAmount;
      ratePer1000: number;
      rateUnit: 'oz' | 'fl-oz' | 'lb';
    }
  | {
      kind: 'adjuvant';
      adjuvant: Herbicide['surfactant']['kind'];
      percent: number | null;
      amount: MeasuredAmount | null;
    }
  | { kind: 'water-fill'; gallons: number };

export interface MixLoad {
  gallons: number;
  coversFt2: number;
  pours: Pour[];
}

export interface MixCard {
  loads: TankLoads;
  /** The job is smaller than the least that can be mixed: gal that it needs; `null` when it is not. */
  neededGallons: number | null;
  /** A full (or equalized) load; `null` when the job fits in one smaller load. */
  full: MixLoad | null;
  /** The last, smaller load; `null` when all loads are alike. */
  last: MixLoad | null;
  /** The strictest of the products. */
  cautions: {
    signalWord: Herbicide['signalWord'];
    ppe: Herbicide['ppe'];
    rainfastHours: number | null;
    keepDryHours: number | null;
    waterInInches: [number, number] | null;
    waterInWithinDays: number | null;
    restrictedUse: boolean;
    /** Hours until people and pets may go back, as a label says; `null`: until it is dry. */
    reentryHours: number | null;
    /** What the labels forbid, in their own words. */
    siteBans: string[];
    /** ALS and quinclorac residues injure the next cool-season lawn: clean the tank. */
    cleanTank: boolean;
  };
}

const SIGNAL_ORDER: readonly Herbicide['signalWord'][] = ['none', 'caution', 'warning', 'danger'];

/**
 * Components of a mix: recipes taken apart, so that each is measured by itself.
 * @throws RangeError for an unknown herbicide
 */
export function mixComponents(
  products: readonly MixProduct[],
  shelf: Shelf,
): { product: ShelfHerbicide; ratePerAcre: number }[] {
  return products.flatMap(({ herbicide: slug, ratePerAcre }) => {
    const product = shelf.herbicide(slug);
    if (!product) throw new RangeError(`unknown herbicide "${slug}"`);
    return componentsOf(product, ratePerAcre);
  });
}

const componentsOf = (
  product: ShelfHerbicide,
  ratePerAcre: number,
): { product: ShelfHerbicide; ratePerAcre: number }[] =>
  product.parts?.flatMap((part) => componentsOf(part.product, part.ratePerAcre * ratePerAcre)) ?? [
    { product, ratePerAcre },
  ];

function load(
  components: readonly { product: ShelfHerbicide; ratePerAcre: number }[],
  gallons: number,
  carrierGalPer1000: number,
): MixLoad {
  const coversFt2 = (gallons / carrierGalPer1000) * 1000;
  const adjuvants = new Map<Herbicide['surfactant']['kind'], number | null>();
  for (const { product } of components) {
    const { kind, percent, optional } = product.surfactant;
    if (kind !== 'none' && !optional) adjuvants.set(kind, percent);
  }
  // Oil already wets the leaf: a second surfactant would only add burn.
  if (adjuvants.has('methylated-seed-oil')) adjuvants.delete('non-ionic');

  const lines: { rank: number; pour: Pour }[] = components.map(({ product, ratePerAcre }) => {
    const ratePer1000 = toPer1000(perAcre(ratePerAcre));
    const unit = product.unit as 'oz' | 'fl-oz' | 'lb';
    return {
      rank: fillingOrder.indexOf(product.form as (typeof fillingOrder)[number]),
      pour: {
        kind: 'product',
        herbicide: product.slug,
        amount: measuredAmount((ratePer1000 * coversFt2) / 1000, unit),
        ratePer1000,
        rateUnit: unit,
      },
    };
  });
  for (const [kind, percent] of adjuvants) {
    lines.push({
      rank: fillingOrder.indexOf(kind as (typeof fillingOrder)[number]),
      pour: {
        kind: 'adjuvant',
        adjuvant: kind,
        percent,
        amount:
          percent === null ? null : measuredAmount(adjuvantFluidOunces(percent, gallons), 'fl-oz'),
      },
    });
  }
  const half = measuredWater(gallons / 2);
  return {
    gallons,
    coversFt2,
    pours: [
      { kind: 'water-first', gallons: half },
      ...lines.sort((a, b) => a.rank - b.rank).map(({ pour }) => pour),
      { kind: 'water-fill', gallons: measuredWater(gallons) },
    ],
  };
}

const largest = (values: (number | null)[]): number | null => {
  const known = values.filter((value): value is number => value !== null);
  return known.length > 0 ? Math.max(...known) : null;
};

/**
 * The card a technician reads at the tank: loads, and the pours of a full and of the last load in
 * the order of filling.
 * @throws RangeError for an unknown herbicide
 */
export function mixCard(input: MixInput, shelf: Shelf): MixCard {
  const components = mixComponents(input.products, shelf);
  const neededGallons = (input.areaFt2 / 1000) * input.carrierGalPer1000;
  const least = Math.min(measuring.leastBatchGallons, input.tankGal);
  const totalGallons = Math.max(neededGallons, least);
  const loads = tankLoads(totalGallons, input.tankGal);
  const products = components.map(({ product }) => product);
  const inches = products.map(({ water }) => water.waterInInches).filter((w) => w !== null);
  return {
    loads,
    neededGallons: neededGallons < least ? neededGallons : null,
    full: loads.fullLoads > 0 ? load(components, loads.gallonsEach, input.carrierGalPer1000) : null,
    last:
      loads.lastGallons > 0 ? load(components, loads.lastGallons, input.carrierGalPer1000) : null,
    cautions: {
      signalWord: products.reduce<Herbicide['signalWord']>(
        (worst, { signalWord }) =>
          SIGNAL_ORDER.indexOf(signalWord) > SIGNAL_ORDER.indexOf(worst) ? signalWord : worst,
        'none',
      ),
      ppe: [...new Set(products.flatMap(({ ppe }) => ppe))],
      rainfastHours: largest(products.map(({ rainfastHours }) => rainfastHours)),
      keepDryHours: largest(products.map(({ water }) => water.keepDryHours)),
      waterInInches:
        inches.length > 0
          ? [Math.max(...inches.map(([low]) => low)), Math.max(...inches.map(([, high]) => high))]
          : null,
      waterInWithinDays: largest(products.map(({ water }) => water.withinDays)),
      restrictedUse: products.some(({ restrictedUse }) => restrictedUse),
      reentryHours: largest(products.map(({ own }) => own?.reentryHours ?? null)),
      siteBans: [...new Set(products.flatMap(({ own }) => own?.siteBans || []))],
      cleanTank: products.some(
        ({ hrac, slug }) => hrac.includes('2') || slug.includes('quinclorac'),
      ),
    },
  };
}

/** Carrier volume that suits a mix, gal per 1000 ft². */
export function carrierVolume(
  products: readonly MixProduct[],
  mode: 'pre' | 'post',
  shelf: Shelf,
): number {
  const { pre, post, contact } = applicationRules.carrierGalPer1000;
  if (mode === 'pre') return pre;
  const isContact = mixComponents(products, shelf).some(({ product }) =>
    ['diquat', 'carfentrazone', 'iron-hedta', 'bentazon'].includes(product.slug),
  );
  return isContact ? contact : post;
}
