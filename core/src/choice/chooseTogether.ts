import { applicationRules, gradeControl } from '../knowledge';
import type { Shelf, ShelfHerbicide } from '../products';
import type { MixProduct } from '../rates';
import { SQUARE_FEET_PER_ACRE, type LocalDate } from '../units';
import { MOST_WALKS, problemOf, survivors, SUREST } from './chooseWalks';
import { screenAll, type Candidate, type MixQuestion } from './chooseMix';
import type { WalkPlan } from './exactWalks';
import type { Exclusion, TreatmentExclusion } from '../needs/reason';
import { screenTreatments, type CauseTarget, type TreatmentCandidate } from './screenTreatments';
import { togetherWalks, type Family, type TogetherPlan } from './togetherWalks';
import type { ZoneCase } from './zoneCase';

/** How a product goes out: on the leaf, watered in, watered in alone because it lives, or spread dry. */
export const LANES = ['leaf', 'soil', 'living', 'granule'] as const;
export type Lane = (typeof LANES)[number];
/** A tank carries weed killer and treatments alike; what lives and what is dry goes out by itself. */
const SHARED = [true, true, false, false];

/** All that is due in a zone on one day. */
export interface TogetherQuestion {
  /** The weeds; `null` where none are due. */
  weeds: MixQuestion | null;
  causes: readonly (CauseTarget & { targetPct: number })[];
  /** The pre-emergent that is planned for the day; it is chosen by its own step. */
  prevent: { products: readonly MixProduct[]; areaFt2: number } | null;
  feed: { fertilizer: string; productLbPer1000: number } | null;
  date: LocalDate;
  airHighF: number;
}

export interface TogetherMaterial {
  kind: 'herbicide' | 'treatment' | 'fertilizer';
  slug: string;
  ratePerAcre: number;
  unit: string;
}

/** One way to do it all: the walks with what each carries, what it costs and what it achieves. */
export interface TogetherOption {
  kind: 'cheapest' | 'fewest-walks' | 'runner-up';
  walks: { lane: Lane; materials: TogetherMaterial[] }[];
  /** Expected control of each weed and cause, %. */
  control: Record<string, number>;
  minIntervalDays: number;
  chemicalUsdInvented: number;
  totalUsdInvented: number;
}

export interface TogetherAnswer {
  options: TogetherOption[];
  /** Walks and cost when weeds, each cause and the feeding are each seen to alone. */
  apart: { walks: number; totalUsdInvented: number } | null;
  excluded: Exclusion[];
  excludedTreatments: TreatmentExclusion[];
}

const MOST_TREATMENTS = 2;
/** Days that what is sprayed on the leaf is left to dry before anything is watered in. */
const DRY_DAYS = 2;
/** Where a treatment has no price of its own, $ per 1000 ft² (invented). */
const USUAL_USD = 6;

/** A treatment at one rate and what it does for each cause. */
interface Offer {
  candidate: TreatmentCandidate;
  lane: Lane;
  hits: number[];
}

function laneOf({ product }: TreatmentCandidate): Lane {
  if (product.form === 'granule') return 'granule';
  if (product.form === 'live') return 'living';
  return (product.waterInIn ?? 0) > 0 ? 'soil' : 'leaf';
}

function offersOf(
  zoneCase: ZoneCase,
  { causes, date, airHighF }: TogetherQuestion,
): { offers: Offer[]; excluded: TreatmentExclusion[] } {
  const offers = new Map<string, Offer>();
  const excluded: TreatmentExclusion[] = [];
  causes.forEach((target, index) => {
    const screened = screenTreatments(zoneCase, target, date, airHighF);
    excluded.push(...screened.excluded);
    for (const candidate of screened.passing) {
      if (candidate.product.nutrients) continue;
      const key = `${candidate.product.slug}@${candidate.ratePerAcre}`;
      const offer = offers.get(key) ?? {
        candidate,
        lane: laneOf(candidate),
        hits: causes.map(() => 0),
      };
      offer.hits[index] = gradeControl[candidate.product[target.mode]] / 100;
      // Against several causes the strictest one decides how often.
      const rotation = Math.min(offer.candidate.rotation, candidate.rotation);
      offers.set(key, { ...offer, candidate: { ...offer.candidate, rotation } });
    }
  });
  return { offers: [...offers.values()], excluded };
}

/** Treatments as the exact choice sees them; a group's turn in the rotation is a resource. */
function treatmentFamily(
  offers: readonly Offer[],
  { causes }: TogetherQuestion,
  areaFt2: number,
): Family {
  const capacity: number[] = [];
  const columns: ((offer: Offer) => number)[] = [];
  const limit = (room: number, of: (offer: Offer) => number) => {
    if (room === Infinity) return;
    capacity.push(room);
    columns.push(of);
  };
  const seen = new Set<string>();
  for (const { candidate } of offers) {
    const { product, left, rotation } = candidate;
    const same = (of: (offer: Offer) => number) => (offer: Offer) =>
      offer.candidate.product.slug === product.slug ? of(offer) : 0;
    if (!seen.has(product.slug)) {
      limit(
        left.amount,
        same((offer) => offer.candidate.ratePerAcre),
      );
      limit(
        left.count,
        same(() => 1),
      );
    }
    seen.add(product.slug);
    const group = `${product.kind} ${product.group}`;
    if (seen.has(group)) continue;
    seen.add(group);
    const ofGroup = (offer: Offer) =>
      `${offer.candidate.product.kind} ${offer.candidate.product.group}` === group;
    const least = Math.min(...offers.filter(ofGroup).map((offer) => offer.candidate.rotation));
    limit(Math.min(rotation, least), (offer) => (ofGroup(offer) ? 1 : 0));
  }
  const alone = ({ lane }: Offer) => !SHARED[LANES.indexOf(lane)];
  return {
    problem: {
      items: offers.map((offer) => ({
        cost: ((offer.candidate.product.usdPer1000Invented ?? USUAL_USD) * areaFt2) / 1000,
        components: 1,
        kill: offer.hits.map(survivors),
        uses: columns.map((of) => of(offer)),
        lane: LANES.indexOf(offer.lane),
      })),
      // One mode of action is not doubled in a tank, nor one product in it at two rates.
      conflict: (a, b) =>
        alone(offers[a]!) ||
        alone(offers[b]!) ||
        offers[a]!.candidate.product.group === offers[b]!.candidate.product.group,
      capacity,
      mostProducts: MOST_TREATMENTS,
      mostComponents: MOST_TREATMENTS,
      mostWalks: MOST_WALKS,
    },
    need: causes.map(({ targetPct }) => survivors(targetPct / 100)),
  };
}

/** Work that is settled but for the walk it goes out on: one use, by any of these lanes. */
const settled = (cost: number, lanes: readonly Lane[]): Family => ({
  problem: {
    items: lanes.map((lane) => ({
      cost,
      components: 1,
      kill: [1],
      uses: [],
      lane: LANES.indexOf(lane),
    })),
    conflict: () => true,
    capacity: [],
    mostProducts: 1,
    mostComponents: 1,
    mostWalks: 1,
  },
  need: [1],
});

interface Kind {
  family: Family;
  /** What each item of the family is on the ground. */
  materials: (item: number) => TogetherMaterial[];
  /** Its targets, and the share of each that one item controls. */
  targets: { slug: string; hit: (item: number) => number }[];
  interval: (item: number) => number;
}

const herbicideOf = ({
  product,
  ratePerAcre,
}: {
  product: ShelfHerbicide;
  ratePerAcre: number;
}): TogetherMaterial => ({
  kind: 'herbicide',
  slug: product.slug,
  ratePerAcre,
  unit: product.unit,
});

function herbicideKind(question: MixQuestion, feasible: readonly Candidate[]): Kind {
  const { walkCost: _walkCost, ...problem } = problemOf(question, feasible, MOST_WALKS);
  return {
    family: {
      problem,
      need: question.targets.map(({ targetPct }) => survivors(targetPct / 100)),
    },
    materials: (item) => [herbicideOf(feasible[item]!)],
    targets: question.targets.map(({ weed }, index) => ({
      slug: weed,
      hit: (item) => feasible[item]!.effect * feasible[item]!.hits[index]!,
    })),
    interval: (item) => feasible[item]!.product.minIntervalDays,
  };
}

function treatmentKind(
  question: TogetherQuestion,
  offers: readonly Offer[],
  areaFt2: number,
): Kind {
  return {
    family: treatmentFamily(offers, question, areaFt2),
    materials: (item) => {
      const { product, ratePerAcre } = offers[item]!.candidate;
      return [{ kind: 'treatment', slug: product.slug, ratePerAcre, unit: product.unit ?? 'oz' }];
    },
    targets: question.causes.map(({ cause }, index) => ({
      slug: cause,
      hit: (item) => offers[item]!.hits[index]!,
    })),
    interval: (item) => offers[item]!.candidate.product.minIntervalDays ?? 0,
  };
}

/**
 * A pre-emergent goes out dry, or is watered in; where its label gives it days until then, it may be
 * sprayed with what has to dry on the leaf first.
 */
function preventKind(
  { products, areaFt2 }: NonNullable<TogetherQuestion['prevent']>,
  shelf: Shelf,
): Kind {
  const parts = products.flatMap(({ herbicide: slug, ratePerAcre }) => {
    const product = shelf.herbicide(slug);
    return product ? [{ product, ratePerAcre }] : [];
  });
  const dry = parts.some(({ product }) => product.form === 'granule');
  const waits = parts.every(({ product: { water } }) => (water.withinDays ?? Infinity) >= DRY_DAYS);
  const acres = areaFt2 / SQUARE_FEET_PER_ACRE;
  const cost = parts.reduce(
    (sum, { product, ratePerAcre }) => sum + product.usdPerUnitInvented * ratePerAcre * acres,
    0,
  );
  return {
    family: settled(cost, dry ? ['granule'] : waits ? ['leaf', 'soil'] : ['soil']),
    materials: () => parts.map(herbicideOf),
    targets: [],
    interval: () => 0,
  };
}

/** The feeding is one walk with the spreader; what the fertilizer costs is not compared. */
const feedKind = (feed: NonNullable<TogetherQuestion['feed']>): Kind => ({
  family: settled(0, ['granule']),
  materials: () => [
    {
      kind: 'fertilizer',
      slug: feed.fertilizer,
      ratePerAcre: (feed.productLbPer1000 * SQUARE_FEET_PER_ACRE) / 1000,
      unit: 'lb',
    },
  ],
  targets: [],
  interval: () => 0,
});

/** Lays a plan out over the walks: families share the walks of a shared lane from the first on. */
function walksOf({ passes, families }: TogetherPlan, kinds: readonly Kind[]) {
  const walks = passes.flatMap((count, lane) =>
    Array.from({ length: count }, () => ({
      lane: LANES[lane]!,
      materials: [] as TogetherMaterial[],
    })),
  );
  families.forEach(({ pattern, plan }, index) => {
    const tanks = [...plan.walks];
    pattern.forEach((count, lane) => {
      const open = walks.filter(
        (walk) =>
          walk.lane === LANES[lane] && (SHARED[lane] === true || walk.materials.length === 0),
      );
      for (let walk = 0; walk < count; walk += 1) {
        const items = tanks.shift() as WalkPlan['walks'][number];
        open[walk]!.materials.push(...items.flatMap((item) => kinds[index]!.materials(item)));
      }
    });
  });
  return walks;
}

function optionOf(
  kind: TogetherOption['kind'],
  plan: TogetherPlan,
  kinds: readonly Kind[],
  walkUsd: number,
): TogetherOption {
  const walks = walksOf(plan, kinds);
  const control: Record<string, number> = {};
  const intervals = [0];
  plan.families.forEach(({ plan: own }, index) => {
    const items = own.walks.flat();
    const { targets, interval } = kinds[index]!;
    intervals.push(...items.map(interval));
    for (const { slug, hit } of targets) {
      const survive = items.reduce((share, item) => share * (1 - Math.min(SUREST, hit(item))), 1);
      control[slug] = 100 * (1 - survive);
    }
  });
  return {
    kind,
    walks,
    control,
    minIntervalDays: Math.max(...intervals),
    chemicalUsdInvented: plan.cost - walkUsd * walks.length,
    totalUsdInvented: plan.cost,
  };
}

/**
 * The exact choice for all that a zone needs at once: weeds, insects, diseases, the pre-emergent and
 * the feeding that are due, over the fewest or the cheapest walks. What works on the leaf never shares a tank with what
 * must be watered in (common practice), a dry product has a walk of its own.
 */
export function chooseTogether(zoneCase: ZoneCase, question: TogetherQuestion): TogetherAnswer {
  const { weeds, prevent, feed, causes } = question;
  const all = weeds ? screenAll(weeds) : { feasible: [], excluded: [] };
  // What feeds too has no place beside the feeding of the day.
  const screened = { ...all, feasible: all.feasible.filter(({ product }) => !product.nutrients) };
  const { offers, excluded } = offersOf(zoneCase, question);
  const kinds: Kind[] = [
    ...(weeds ? [herbicideKind(weeds, screened.feasible)] : []),
    ...(causes.length > 0 ? [treatmentKind(question, offers, zoneCase.areaFt2)] : []),
    ...(prevent ? [preventKind(prevent, zoneCase.shelf)] : []),
    ...(feed ? [feedKind(feed)] : []),
  ];
  const walkUsd = weeds?.walkUsd ?? applicationRules.walkUsdInvented;
  const { plans, alone } = togetherWalks(
    kinds.map(({ family }) => family),
    { shared: SHARED, walkCost: walkUsd, keep: 2 },
  );
  const count = ({ passes }: TogetherPlan) => passes.reduce((sum, own) => sum + own, 0);
  const cheapest = plans[0];
  const options: TogetherOption[] = [];
  if (cheapest) {
    options.push(optionOf('cheapest', cheapest, kinds, walkUsd));
    const fewest = plans.reduce((best, plan) => (count(plan) < count(best) ? plan : best));
    if (fewest !== cheapest) options.push(optionOf('fewest-walks', fewest, kinds, walkUsd));
    const next = plans.find((plan) => plan !== cheapest && plan !== fewest);
    if (next) options.push(optionOf('runner-up', next, kinds, walkUsd));
  }
  return {
    options,
    apart:
      kinds.length > 1 && alone.every((plan) => plan !== null)
        ? {
            walks: alone.reduce((sum, plan) => sum + count(plan), 0),
            totalUsdInvented: alone.reduce((sum, plan) => sum + plan.cost, 0),
          }
        : null,
    excluded: screened.excluded,
    excludedTreatments: excluded,
  };
}
