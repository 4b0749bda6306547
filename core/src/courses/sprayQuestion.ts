import { applicationRules, grass, type GrassSlug } from '../knowledge';
import { layoutCosts } from '../knowledge/layoutCosts';
import type { Shelf } from '../products';
import { mixComponents, type MixProduct } from '../rates';
import { daysBetween, localDate, type LocalDate } from '../units';
import type { MixAnswer, MixQuestion, Target } from '../choice/chooseMix';
import { nitrogenRoom } from '../choice/nitrogen';
import { expectedDay, toleranceConditions } from '../choice/sprayDay';
import type { Gate, SeedStep, SprayStep } from './step';
import type { ZoneCase } from '../choice/zoneCase';

/** Days ahead for which today's drought is taken to last. */
const DROUGHT_HOLDS_DAYS = 3;

/** Days until all of a grass is up; plugs take as long to root, and what prunes roots spares neither. */
const daysToCome = (species: string): number =>
  grass(species as GrassSlug).seed?.germinationDays[1] ?? 21;

/** Weeks from a spray day to seeding (`before`) or since seedlings came up (`after`). */
function seedTiming(
  date: LocalDate,
  seed: SeedStep | null,
): Pick<MixQuestion, 'weeksToSeeding' | 'weeksSinceEmergence'> {
  if (!seed) return { weeksToSeeding: null, weeksSinceEmergence: null };
  const days = daysBetween(date, seed.window.best);
  const emergence = daysToCome(seed.species);
  if (days >= 0) return { weeksToSeeding: days / 7, weeksSinceEmergence: null };
  // Past a year the new grass is an established stand.
  return days < -365
    ? { weeksToSeeding: null, weeksSinceEmergence: null }
    : { weeksToSeeding: null, weeksSinceEmergence: Math.max(0, (-days - emergence) / 7) };
}

/** Seed or plugs already in the ground: the youngest on record. */
function sownAlready(
  { records }: ZoneCase,
  date: LocalDate,
): Pick<MixQuestion, 'weeksSinceEmergence'> | null {
  const weeks = records.flatMap((record) => {
    const days = daysBetween(localDate(record.date), date);
    if (days < 0 || days > 365) return [];
    return record.materials
      .filter(({ kind }) => kind === 'seed' || kind === 'plugs')
      .map(({ slug }) => Math.max(0, (days - daysToCome(slug)) / 7));
  });
  return weeks.length > 0 ? { weeksSinceEmergence: Math.min(...weeks) } : null;
}

/** Puts the question of one walk on a day: who is there, what grows, how hot, what came before. */
export function question(
  zoneCase: ZoneCase,
  mode: 'pre' | 'post',
  targets: readonly Target[],
  date: LocalDate,
  seed: SeedStep | null,
  walk: {
    treatedFt2: number;
    airHighF: number;
    /** Weeks over which a pre-emergent must hold. */
    coverWeeks?: number;
  },
): MixQuestion {
  const { input, shelf, zone, season, grasses, areaFt2, usage, near } = zoneCase;
  const { treatedFt2, airHighF, coverWeeks } = walk;
  const day = { ...expectedDay(season, date), airHighF };
  const soon = daysBetween(input.today, date) <= DROUGHT_HOLDS_DAYS;
  const drought =
    soon && zone.site.irrigated !== true && input.rain10DaysIn < applicationRules.droughtWaterIn;
  const timing = seedTiming(date, seed);
  return {
    mode,
    grasses,
    targets,
    treatedFt2,
    airHighF,
    conditions: toleranceConditions(zone, day, date, {
      drought,
      treatedShare: treatedFt2 / areaFt2,
    }),
    drought,
    treeRoots: zone.site.treeRoots,
    sensitivePlants: zone.site.sensitivePlants,
    near,
    ...timing,
    ...(timing.weeksSinceEmergence === null ? (sownAlready(zoneCase, date) ?? {}) : {}),
    residential: true,
    certified: input.policy.certified,
    confirmedLabels: new Set(input.policy.confirmedLabels),
    walks: 1,
    survivorsUsd: layoutCosts.survivorsPer1000,
    ...(coverWeeks === undefined ? {} : { coverWeeks }),
    shelf,
    ...(input.policy.onlyShelf
      ? { stock: shelf.inStore }
      : input.policy.stock.length > 0
        ? { stock: new Set(input.policy.stock) }
        : {}),
    usage: { usage, date },
    nitrogenRoom: () => nitrogenRoom(zoneCase, date, airHighF),
  };
}

/** Whether a product that may be chosen feeds besides what it is for: what it may bring moves with every day. */
const mayFeed = ({ shelf, stock }: MixQuestion): boolean =>
  shelf.herbicides.some(
    ({ slug, nutrients }) => nutrients !== null && (stock ?? shelf.inStore).has(slug),
  );

/**
 * All that the answer to a question hangs on, as a word: days with the same word have the same answer. Every limit of
 * air and weeks is a whole number.
 */
export function situationOf(asked: MixQuestion): string {
  const { airHighF, weeksToSeeding, weeksSinceEmergence, usage } = asked;
  const limits = () => {
    if (!usage) return '';
    if (mayFeed(asked)) return usage.date;
    return usage.usage.isEmpty ? '' : usage.usage.phase(usage.date);
  };
  return [
    asked.targets.map(({ weed }) => weed).join(),
    Math.ceil(airHighF),
    Number.isInteger(airHighF),
    [...asked.conditions].join(),
    asked.drought,
    weeksToSeeding === null ? '' : Math.floor(weeksToSeeding),
    weeksSinceEmergence === null ? '' : Math.floor(weeksSinceEmergence),
    limits(),
  ].join('|');
}

/** The same products at the same rates. */
export const sameMix = (
  a: readonly MixProduct[] | undefined,
  b: readonly MixProduct[] | undefined,
): boolean => {
  const words = (products: readonly MixProduct[] | undefined) =>
    products?.map(({ herbicide, ratePerAcre }) => `${herbicide}@${ratePerAcre}`).join();
  return words(a) === words(b);
};

/** Expected and wanted control of each target. */
export function controlRows(answer: MixAnswer, targets: readonly Target[]): SprayStep['control'] {
  return targets.map(({ weed, targetPct }) => ({
    weed,
    expectedPct: answer.best?.control[weed] ?? 0,
    targetPct,
  }));
}

/** What must hold on the day of a spray. */
export function sprayGates(
  products: readonly MixProduct[],
  mode: 'pre' | 'post',
  shelf: Shelf,
): Gate[] {
  const parts = mixComponents(products, shelf).map(({ product }) => product);
  const whole = products.flatMap(({ herbicide: slug }) => shelf.herbicide(slug) ?? []);
  const gates: Gate[] = [
    {
      kind: 'air',
      minF: mode === 'post' ? Math.max(...whole.map(({ airF }) => airF[0])) : null,
      maxF: Math.min(...whole.map(({ airF }) => airF[1])),
    },
    { kind: 'wind', ...applicationRules.wind },
  ];
  const dry = Math.max(0, ...parts.map((p) => p.water.keepDryHours ?? p.rainfastHours ?? 0));
  if (mode === 'post' && dry > 0) gates.push({ kind: 'dry-leaf-hours', hours: dry });
  const waterIn = parts.find(({ water }) => water.waterInInches !== null);
  if (mode === 'pre' && waterIn?.water.waterInInches) {
    gates.push({
      kind: 'water-in',
      inches: waterIn.water.waterInInches,
      withinDays: waterIn.water.withinDays,
    });
  }
  gates.push({ kind: mode === 'post' ? 'moist-soil' : 'not-frozen-or-saturated' });
  return gates;
}
