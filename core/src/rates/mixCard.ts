import { applicationRules, fillingOrder, type Herbicide } from '../knowledge';
import type { Shelf, ShelfHerbicide } from '../products';
import { perAcre, poundsOf, toPer1000 } from '../units';
import { batchOf, type Batch, type Dosed } from './batch';
import { measuredAmount, measuredWater, type MeasuredAmount } from './measuredAmount';
import { adjuvantFluidOunces } from './spray';

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

/** Why nothing is measured out. */
export type MixRefusal =
  | { rule: 'not-for-home-lawns'; herbicide: string }
  | { rule: 'rate-over-label'; herbicide: string; rate: number; max: number; unit: string }
  | { rule: 'batch-too-small'; gallons: number; coversFt2: number };

export interface MixCard extends Omit<Batch, 'smallestGallons'> {
  /** With one of these there are no pours. */
  refused: MixRefusal[];
  /** A full (or equalized) load; `null` when the job fits in one smaller load. */
  full: MixLoad | null;
  /** The last, smaller load; `null` when all loads are alike. */
  last: MixLoad | null;
  /** Granules: they go into a spreader, never into the tank; lb. */
  spread: { herbicide: string; lbPer1000: number; totalLb: number }[];
  /** One of them kills the turf as well. */
  kills: boolean;
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

interface Component {
  product: ShelfHerbicide;
  ratePerAcre: number;
}

/**
 * Components of a mix: recipes taken apart, so that each is measured by itself.
 * @throws RangeError for an unknown herbicide
 */
export function mixComponents(products: readonly MixProduct[], shelf: Shelf): Component[] {
  return products.flatMap(({ herbicide: slug, ratePerAcre }) => {
    const product = shelf.herbicide(slug);
    if (!product) throw new RangeError(`unknown herbicide "${slug}"`);
    return componentsOf(product, ratePerAcre);
  });
}

const componentsOf = (product: ShelfHerbicide, ratePerAcre: number): Component[] =>
  product.parts?.flatMap((part) => componentsOf(part.product, part.ratePerAcre * ratePerAcre)) ?? [
    { product, ratePerAcre },
  ];

const dosed = ({ product, ratePerAcre }: Component): Dosed => ({
  ratePer1000: toPer1000(perAcre(ratePerAcre)),
  unit: product.unit as Dosed['unit'],
});

/** Rounding of a rate is no rate over the label. */
const ROUNDING = 1.001;

/** What of a mix is on no label for a home lawn, or over its label. */
function labelRefusals(components: readonly Component[]): MixRefusal[] {
  return components.flatMap(({ product, ratePerAcre }): MixRefusal[] => {
    const { slug, unit, maxPerApplication: max } = product;
    if (product.residential === 'no') return [{ rule: 'not-for-home-lawns', herbicide: slug }];
    if (ratePerAcre > max * ROUNDING) {
      return [{ rule: 'rate-over-label', herbicide: slug, rate: ratePerAcre, max, unit }];
    }
    return [];
  });
}

function load(
  components: readonly Component[],
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
    const { ratePer1000, unit } = dosed({ product, ratePerAcre });
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
  const wet = components.filter(({ product }) => product.form !== 'granule');
  const dry = components.filter(({ product }) => product.form === 'granule');
  const { smallestGallons, ...batch } = batchOf(wet.map(dosed), input);
  const refused = labelRefusals([
    ...input.products.flatMap(({ herbicide, ratePerAcre }) => {
      const product = shelf.herbicide(herbicide);
      return product ? [{ product, ratePerAcre }] : [];
    }),
    ...components,
  ]);
  if (smallestGallons !== null) {
    refused.push({
      rule: 'batch-too-small',
      gallons: smallestGallons,
      coversFt2: (smallestGallons / input.carrierGalPer1000) * 1000,
    });
  }
  const { loads } = batch;
  const isPoured = wet.length > 0 && refused.length === 0;
  const products = components.map(({ product }) => product);
  const inches = products.map(({ water }) => water.waterInInches).filter((w) => w !== null);
  return {
    ...batch,
    refused: [...new Map(refused.map((refusal) => [JSON.stringify(refusal), refusal])).values()],
    full:
      isPoured && loads.fullLoads > 0
        ? load(wet, loads.gallonsEach, input.carrierGalPer1000)
        : null,
    last:
      isPoured && loads.lastGallons > 0
        ? load(wet, loads.lastGallons, input.carrierGalPer1000)
        : null,
    spread:
      refused.length > 0
        ? []
        : dry.map(({ product, ratePerAcre }) => {
            // The library may count in ounces what a company's own label spreads by the pound.
            const lbPer1000 = toPer1000(perAcre(poundsOf(ratePerAcre, product.unit)));
            return {
              herbicide: product.slug,
              lbPer1000,
              totalLb: (lbPer1000 * input.areaFt2) / 1000,
            };
          }),
    kills: products.some(({ selective }) => !selective),
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
    (applicationRules.contactProducts as readonly string[]).includes(product.slug),
  );
  return isContact ? contact : post;
}
