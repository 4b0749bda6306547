import {
  applicationRules,
  prodiamineSteps,
  tankRules,
  weed as weedOf,
  type GrassSlug,
  type Tolerance,
  type ToleranceCondition,
} from '../knowledge';
import { efficacy, MOST_CONTROL, stageFactor } from '../knowledge/efficacy';
import type { Shelf, ShelfHerbicide } from '../products';
import { activesOf, meanResidual } from '../rates';
import { SQUARE_FEET_PER_ACRE, type LocalDate } from '../units';
import { feedRefusal, type NitrogenRoom } from './fed';
import type { Near } from '../needs/seasonInput';
import { setbackRefusals } from './setback';
import type { Exclusion, Reason } from '../needs/reason';
import { hasLadder, rateCap, recipeOverCap, standTolerance } from './tolerance';
import type { Usage } from './usage';

/** A weed to be hit, how well, and the stage it is in. */
export interface Target {
  weed: string;
  /** Wanted control, %. */
  targetPct: number;
  stage?: string;
}

/** Everything that decides which product may and should be used on one walk. */
export interface MixQuestion {
  mode: 'pre' | 'post';
  grasses: readonly GrassSlug[];
  targets: readonly Target[];
  treatedFt2: number;
  /** Forecast high of the day, °F. */
  airHighF: number;
  conditions: ReadonlySet<ToleranceCondition>;
  drought: boolean;
  treeRoots: boolean;
  sensitivePlants: boolean;
  /** Wells and open water by the zone. */
  near?: Near;
  /** Weeks until the zone is seeded; `null` when it is not. */
  weeksToSeeding: number | null;
  /** Weeks since seedlings came up; `null` when there are none. */
  weeksSinceEmergence: number | null;
  residential: boolean;
  certified: boolean;
  /** Products whose label the company has checked for home lawns. */
  confirmedLabels: ReadonlySet<string>;
  walks: number;
  /** Weeks over which a pre-emergent must hold; its residual then counts. */
  coverWeeks?: number;
  stock?: ReadonlySet<string>;
  /** Every product as the company has it. */
  shelf: Shelf;
  walkUsd?: number;
  /** What a target costs that is all left standing, $ per 1000 ft² (invented): a weaker control has its price. */
  survivorsUsd?: number;
  /** Earlier and planned use on the zone, and the day of the walk. */
  usage?: { usage: Usage; date: LocalDate };
  /** lb N per 1000 ft² that may come with it that day, by how slow it is; asked only where something feeds too. */
  nitrogenRoom?: () => NitrogenRoom;
}

export interface MixChoice {
  products: { herbicide: string; ratePerAcre: number }[];
  /** Expected control after all walks, % by weed. */
  control: Record<string, number>;
  /** Every target is reached. */
  reaches: boolean;
  walks: number;
  minIntervalDays: number;
  chemicalUsdInvented: number;
  totalUsdInvented: number;
  /** A low rate on tender or hot turf: try 10-25 ft² and look again in three days. */
  testSpot: boolean;
}

export interface MixAnswer {
  best: MixChoice | null;
  runnersUp: MixChoice[];
  excluded: Exclusion[];
}

/** A product that passes every rule for a question, at the rate that it would be used. */
export interface Candidate {
  product: ShelfHerbicide;
  ratePerAcre: number;
  /** Share of the full effect at this rate. */
  effect: number;
  light: boolean;
  actives: string[];
  components: number;
  /** Effect on each target as a share, in the order of the targets. */
  hits: number[];
}

/** Steps of prodiamine that leave enough weeks before seeding, highest first. */
function prodiamineStep(weeks: number) {
  return [...prodiamineSteps].reverse().find((step) => step.waitWeeks <= weeks);
}

/**
 * Share of the full effect that a rate has: all of it in the upper half of the label's range, whose
 * top is for the oldest weeds; the light effect at the lowest rate; evenly to nothing below (cautious
 * straight lines, from memory: response to dose is S-shaped).
 */
export function doseEffect(
  { effectRate: [lowest, high] }: Pick<ShelfHerbicide, 'effectRate'>,
  ratePerAcre: number,
): number {
  const { lightEffect } = applicationRules;
  const low = lowest ?? high;
  const middle = (low + high) / 2;
  if (ratePerAcre >= middle - 1e-9) return 1;
  return ratePerAcre <= low
    ? (lightEffect * ratePerAcre) / low
    : lightEffect + ((1 - lightEffect) * (ratePerAcre - low)) / (middle - low);
}

/** The rate that a question asks of a product on its turf, in full or light, and the share of the effect it has. */
export function chooseRate(
  product: ShelfHerbicide,
  question: MixQuestion,
  light: boolean,
): { ratePerAcre: number; effect: number } {
  const dormant = question.conditions.has('fully-dormant');
  const cap = rateCap(product, question.grasses);
  if (product.slug === 'glyphosate' && dormant) {
    return { ratePerAcre: Math.min(16, cap), effect: 0.95 * Math.min(1, cap / 16) };
  }
  if (hasLadder(product) && question.mode === 'pre') {
    const weeks = question.weeksToSeeding ?? Infinity;
    const step = [...prodiamineSteps]
      .reverse()
      .find(({ waitWeeks, ozPerAcre }) => waitWeeks <= weeks && ozPerAcre <= cap + 1e-9);
    if (step) return { ratePerAcre: step.ozPerAcre, effect: step.effect };
  }
  const [low, high] = product.rate;
  const wanted = light ? (low ?? high) : high;
  const ratePerAcre = Math.min(wanted, cap);
  return {
    ratePerAcre,
    effect: Math.min(light ? applicationRules.lightEffect : 1, doseEffect(product, ratePerAcre)),
  };
}

/** Whether what a product feeds stands in the way of its rate. */
function feedReasons(
  product: ShelfHerbicide,
  ratePerAcre: number,
  { nitrogenRoom, shelf, stock }: MixQuestion,
): Reason[] {
  const { nutrients } = product;
  if (!nutrients) return [];
  // A feed with a weed killer in it is offered to whoever keeps it; nobody buys it for a weed.
  if (product.postEmergent && !shelf.inStore.has(product.slug) && !stock?.has(product.slug)) {
    return [{ rule: 'R18-feeds-too', inputs: {} }];
  }
  const refusal = nitrogenRoom ? feedRefusal(product, ratePerAcre, nitrogenRoom) : null;
  return refusal ? [refusal] : [];
}

/** What a label, the turf and the day make of one product, whatever it is to hit. */
export interface LabelScreen {
  reasons: Reason[];
  ratePerAcre: number;
  /** Share of the full effect at this rate. */
  effect: number;
  /** Turf or heat ask for the light rate. */
  light: boolean;
  /** How the most tender grass of the stand takes it. */
  turf: { rating: Tolerance; species: GrassSlug | null };
  /** What of the year's limits the rate would break. */
  refusals: Reason[];
}

/** Whether a product may go on this turf on this day, and at which rate. */
export function screenLabel(product: ShelfHerbicide, question: MixQuestion): LabelScreen {
  const reasons: Reason[] = [];
  const refuse = (rule: string, inputs: Reason['inputs'] = {}) => reasons.push({ rule, inputs });
  const worst = standTolerance(product, question.grasses, question.conditions);
  if (worst.rating !== 'safe' && worst.rating !== 'caution') {
    refuse('R01-turf', { rating: worst.rating, species: worst.species });
  }
  const overCap = recipeOverCap(product, question.grasses);
  if (overCap) refuse('R01-recipe-over-cap', { component: overCap });
  if (question.residential && product.residential === 'no') refuse('R02-site');
  if (question.airHighF > product.airF[1]) {
    refuse('R03-too-hot', { airHighF: question.airHighF, maxF: product.airF[1] });
  }
  if (question.mode === 'post' && question.airHighF < product.airF[0]) {
    refuse('R04-too-cold', { airHighF: question.airHighF, minF: product.airF[0] });
  }
  if (question.mode === 'post' && question.drought) {
    refuse('R05-drought');
    if (product.slug.includes('quinclorac')) refuse('R06-needs-moist-soil');
  }
  const weeks = question.weeksToSeeding;
  if (weeks !== null) {
    const wait = hasLadder(product)
      ? prodiamineStep(weeks)
        ? 0
        : prodiamineSteps[0].waitWeeks
      : product.waitBeforeSeedingWeeks[1];
    if (wait > weeks) refuse('R07-seeding-wait', { waitWeeks: wait, weeks });
  }
  const age = question.weeksSinceEmergence;
  if (age !== null && age < product.seedlingAgeWeeks) {
    refuse('R08-seedlings', { weeks: age, minWeeks: product.seedlingAgeWeeks });
  }
  if (question.treeRoots && product.rootZone === 'high') refuse('R09-root-zone');
  // What a tank holds of another counts as well.
  for (const part of [
    product,
    ...(product.tankMix ?? []).map(({ herbicide }) => ({ slug: herbicide })),
  ]) {
    reasons.push(...setbackRefusals(question.near ?? {}, { slug: part.slug }));
  }
  if (
    question.residential &&
    product.residential === 'check-label' &&
    !question.confirmedLabels.has(product.slug)
  ) {
    refuse('R10-label-unconfirmed');
  }
  if (
    question.sensitivePlants &&
    product.volatility === 'high' &&
    question.airHighF > applicationRules.vapourAboveF
  ) {
    refuse('R11-vapour', { airHighF: question.airHighF, maxF: applicationRules.vapourAboveF });
  }
  if (product.restrictedUse && !question.certified) refuse('R13-restricted-use');
  // Turf that takes a product with caution gets the light rate of whatever goes on it; heat is about the leaf.
  const light =
    worst.rating === 'caution' ||
    (question.mode === 'post' && question.airHighF > applicationRules.lightRateAboveF);
  let chosen = chooseRate(product, question, light);
  const refusalsAt = (rate: number) =>
    question.usage ? question.usage.usage.refusals(product, rate, question.usage.date) : [];
  if (!light && question.mode === 'post' && refusalsAt(chosen.ratePerAcre).length > 0) {
    // What the year no longer allows in full it may still allow at the low rate.
    const low = chooseRate(product, question, true);
    if (refusalsAt(low.ratePerAcre).length === 0) chosen = low;
  }
  reasons.push(...feedReasons(product, chosen.ratePerAcre, question));
  return { reasons, ...chosen, light, turf: worst, refusals: refusalsAt(chosen.ratePerAcre) };
}

/** What a product does to each target of a question at its full rate, %. */
function hitsOf(product: ShelfHerbicide, question: MixQuestion): number[] {
  const held =
    question.mode === 'pre' && question.coverWeeks !== undefined
      ? meanResidual(question.coverWeeks, product.residualWeeks)
      : 1;
  return question.targets.map(({ weed, stage }) => {
    const full = efficacy(question.mode, weed, product.slug) * held;
    const factor = stage ? stageFactor(weed, stage, product.slug) : 1;
    return Math.round(
      factor > 1 ? Math.max(full, Math.min(MOST_CONTROL, full * factor)) : full * factor,
    );
  });
}

function screen(
  product: ShelfHerbicide,
  question: MixQuestion,
  hits: readonly number[] = hitsOf(product, question),
): { candidate: Candidate; reasons: Reason[] } {
  const { reasons, ratePerAcre, effect, light, refusals } = screenLabel(product, question);
  if (Math.max(0, ...hits) < applicationRules.usefulEfficacy) {
    reasons.push({ rule: 'R12-no-use', inputs: { best: Math.max(0, ...hits) } });
  }
  if (reasons.length === 0) reasons.push(...refusals);
  return {
    candidate: {
      product,
      ratePerAcre,
      effect,
      light,
      actives: activesOf(product),
      components: product.tankMix?.length ?? 1,
      hits: hits.map((percent) => percent / 100),
    },
    reasons,
  };
}

/** Graminicides lose their effect beside phenoxy acids and dicamba; triclopyr is the exception. */
function antagonistic(a: Candidate, b: Candidate): boolean {
  const isGraminicide = (c: Candidate) => c.product.hrac.includes(tankRules.graminicideGroup);
  const isOtherAuxin = (c: Candidate) =>
    c.product.hrac.includes(tankRules.auxinGroup) &&
    c.actives.some((active) => (tankRules.antagonists as readonly string[]).includes(active));
  return (isGraminicide(a) && isOtherAuxin(b)) || (isGraminicide(b) && isOtherAuxin(a));
}

export const MOST_COMPONENTS = 3;

/**
 * Whether two products may share a tank. They never share an active, so each one's limits, checked
 * when it was screened, are the pair's limits too.
 */
export function compatible(a: Candidate, b: Candidate, question: MixQuestion): boolean {
  if (a.actives.some((active) => b.actives.includes(active))) return false;
  if (a.components + b.components > MOST_COMPONENTS) return false;
  if (antagonistic(a, b)) return false;
  // Most pairs share nothing, and there are thousands of them.
  if (!a.product.hrac.some((group) => b.product.hrac.includes(group))) return true;
  if (question.mode === 'pre') return false;
  // Two that work one way are not twice as sure (Colby asks for independent ones): a premix or a second walk
  // widens what one of them hits.
  return waysOf(a) !== waysOf(b);
}

/** The modes of action of a product, as a word. */
const waysOf = ({ product }: Candidate): string => [...new Set(product.hrac)].sort().join(' ');

/** The mode of action of a tank that has but one; `null` where there are more. */
export function onlyGroup(set: readonly Candidate[]): string | null {
  const [first] = set.find(({ product }) => product.hrac.length > 0)?.product.hrac ?? [];
  const alone = set.every(({ product }) => product.hrac.every((group) => group === first));
  return alone ? (first ?? null) : null;
}

/** How often a tank of one mode of action may still go out against the weeds; `Infinity` for more modes. */
function turnsOf(set: readonly Candidate[], { usage, targets }: MixQuestion): number {
  const group = onlyGroup(set);
  if (group === null || !usage) return Infinity;
  return usage.usage.groupTurns(
    group,
    targets.map(({ weed }) => weed),
    usage.date,
  );
}

/** Turns of each mode of action, asked once for all the tanks of a question. */
function turnsIn(question: MixQuestion): (set: readonly Candidate[]) => number {
  const known = new Map<string | null, number>();
  return (set) => {
    const group = onlyGroup(set);
    const before = known.get(group);
    if (before !== undefined) return before;
    const turns = turnsOf(set, question);
    known.set(group, turns);
    return turns;
  };
}

function evaluate(
  set: readonly Candidate[],
  question: MixQuestion,
  turns: (set: readonly Candidate[]) => number,
): MixChoice | null {
  const { walks, treatedFt2 } = question;
  if (turns(set) < walks) return null;
  // One feeding is all that the room of the day was asked for.
  if (set.filter(({ product }) => product.nutrients).length * walks > 1) return null;
  for (const { product, ratePerAcre } of set) {
    if (walks * ratePerAcre > product.maxPerYear + 1e-9 || walks > product.maxApplications) {
      return null;
    }
  }
  const control: Record<string, number> = {};
  let reaches = true;
  question.targets.forEach(({ weed, targetPct }, index) => {
    // Independent action (Colby 1967, Weeds 15): survivors of each product multiply.
    const survive = set.reduce(
      (share, candidate) => share * (1 - candidate.effect * (candidate.hits[index] as number)),
      1,
    );
    const percent = 100 * (1 - survive ** walks);
    control[weed] = percent;
    if (percent < targetPct - 1e-9) reaches = false;
  });
  const acres = treatedFt2 / SQUARE_FEET_PER_ACRE;
  const chemical =
    walks *
    acres *
    set.reduce(
      (sum, { product, ratePerAcre }) => sum + product.usdPerUnitInvented * ratePerAcre,
      0,
    );
  return {
    products: set.map(({ product, ratePerAcre }) => ({ herbicide: product.slug, ratePerAcre })),
    control,
    reaches,
    walks,
    minIntervalDays: Math.max(...set.map(({ product }) => product.minIntervalDays)),
    chemicalUsdInvented: chemical,
    totalUsdInvented: chemical + walks * (question.walkUsd ?? applicationRules.walkUsdInvented),
    testSpot: set.some(({ light }) => light) && question.mode === 'post',
  };
}

/** Smallest margin over the targets, percentage points; negative when one is missed. */
const margin = (choice: MixChoice, targets: readonly Target[]): number =>
  Math.min(...targets.map(({ weed, targetPct }) => (choice.control[weed] as number) - targetPct));

const reachedCount = (choice: MixChoice, targets: readonly Target[]): number =>
  targets.filter(({ weed, targetPct }) => (choice.control[weed] as number) >= targetPct).length;

/** Costs this near to each other are the same, $ an acre (invented). */
const SAME_USD_PER_ACRE = 0.05;

/** Whether a cheaper choice wins: cost first, then fewer products, then the wider margin. */
function byCost({ targets, treatedFt2, survivorsUsd = 0 }: MixQuestion) {
  const usdOf = ({ totalUsdInvented, control }: MixChoice) =>
    targets.reduce(
      (usd, { weed }) =>
        usd + (survivorsUsd * treatedFt2 * (1 - (control[weed] as number) / 100)) / 1000,
      totalUsdInvented,
    );
  // By the acre, so that a spot is met with the same as the lawn around it.
  const tie = (SAME_USD_PER_ACRE * treatedFt2) / SQUARE_FEET_PER_ACRE;
  return (a: MixChoice, b: MixChoice): number => {
    const cost = usdOf(a) - usdOf(b);
    if (Math.abs(cost) > tie) return cost;
    return a.products.length - b.products.length || margin(b, targets) - margin(a, targets);
  };
}

/** Whether a choice that misses a target is the lesser evil: more targets, then smaller shortfall. */
function byShortfall(targets: readonly Target[]) {
  return (a: MixChoice, b: MixChoice): number =>
    reachedCount(b, targets) - reachedCount(a, targets) ||
    margin(b, targets) - margin(a, targets) ||
    a.totalUsdInvented - b.totalUsdInvented;
}

/** Every product of the library or the shelf: the ones that pass, and why the others do not. */
export function screenAll(
  question: MixQuestion,
  { brief = false }: { brief?: boolean } = {},
): {
  feasible: Candidate[];
  excluded: Exclusion[];
} {
  const excluded: Exclusion[] = [];
  const feasible: Candidate[] = [];
  for (const product of question.shelf.herbicides) {
    if (question.stock && !question.stock.has(product.slug)) continue;
    if (question.mode === 'pre' ? !product.preEmergent : !product.postEmergent) {
      if (!question.stock) continue;
    }
    const hits = hitsOf(product, question);
    if (brief && !hits.some((hit) => hit >= applicationRules.usefulEfficacy)) continue;
    const { candidate, reasons } = screen(product, question, hits);
    if (reasons.length > 0) excluded.push({ herbicide: product.slug, reasons });
    else feasible.push(candidate);
  }
  return { feasible, excluded };
}

/**
 * Chooses what to spray on one walk: every product is screened (all exclusions are kept), then every
 * single product and compatible pair is tried, and the cheapest that reaches all targets wins. When
 * none does, the best of the rest is returned with `reaches: false`, if it does anything at all.
 * @param brief while days are searched: what does nothing for the targets is not told among the excluded
 */
export function chooseMix(question: MixQuestion, { brief = false } = {}): MixAnswer {
  const { feasible, excluded: screened } = screenAll(question, { brief });
  const turns = turnsIn(question);
  // Alone they have had their turn; beside another mode of action they may still go.
  const excluded = [
    ...screened,
    ...feasible
      .filter((own) => turns([own]) < question.walks)
      .map(({ product }) => ({
        herbicide: product.slug,
        reasons: [{ rule: 'R16-rotation', inputs: { mode: product.hrac[0] ?? '' } }],
      })),
  ];
  const choices: MixChoice[] = [];
  const consider = (set: readonly Candidate[]) => {
    const choice = evaluate(set, question, turns);
    if (choice) choices.push(choice);
  };
  feasible.forEach((a, index) => {
    consider([a]);
    for (const b of feasible.slice(index + 1)) if (compatible(a, b, question)) consider([a, b]);
  });
  const reaching = choices.filter(({ reaches }) => reaches).sort(byCost(question));
  if (reaching[0]) {
    return { best: reaching[0], runnersUp: reaching.slice(1, 3), excluded };
  }
  const short = choices
    .filter((choice) =>
      Object.values(choice.control).some((pct) => pct >= applicationRules.usefulEfficacy),
    )
    .sort(byShortfall(question.targets));
  return { best: short[0] ?? null, runnersUp: short.slice(1, 3), excluded };
}

/** Control asked of a weed, %: less of the very hard ones. */
export function targetControl(weedSlug: string): number {
  const hard = (weedOf(weedSlug)?.difficulty ?? 3) >= 5;
  return hard ? applicationRules.hardTargetControl : applicationRules.targetControl;
}
