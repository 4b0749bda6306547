import { applicationRules, dayRules, weed as weedOf, type Region } from '../knowledge';
import { standSeason } from '../lawn';
import { carrierVolume, type MixProduct } from '../rates';
import { addDays, daysBetween, monthInWindow, monthOf, yearOf, type LocalDate } from '../units';
import {
  chooseMix,
  targetControl,
  type MixAnswer,
  type MixChoice,
  type MixQuestion,
  type Target,
} from '../choice/chooseMix';
import type { WeedFinding } from '../needs/seasonInput';
import { expectedDay, type ExpectedDay } from '../choice/sprayDay';
import { controlRows, question, sprayGates } from './sprayQuestion';
import type { SeedStep, SprayStep, Unmet } from './step';
import { firstFrost, type ZoneCase } from '../choice/zoneCase';
import { stateOf } from './step';

/** Days ahead over which a post-emergent day is looked for, and the longest it may stay open. */
const SEARCH_DAYS = 150;
const LONGEST_WINDOW = 28;
/** A window shorter than this is taken only when no better one comes. */
const DECENT_WINDOW = 2;
/** Past these days the search goes by weeks: normals change slowly. */
const DAILY_SEARCH_DAYS = 21;
const COARSE_STEP_DAYS = 5;
/** Soil below which neither weed nor turf takes up a foliar product; the second for cold-hardy ones, °F. */
const GROWING_SOIL_F = 50;
const HARDY_SOIL_F = 45;
const COLD_HARDY_AIR_F = 40;
/** Soil above which a winter annual dies by itself within weeks, °F. */
const WINTER_ANNUAL_ENDS_F = 68;
/** Weeks before the first frost in which a summer annual is left to it. */
const FROST_WEEKS = 6;

/** True on a day when a weed grows and is worth spraying. */
function weedIsUp(
  finding: WeedFinding,
  region: Region,
  date: LocalDate,
  day: ExpectedDay,
): boolean {
  const entry = weedOf(finding.weed);
  if (!entry) return false;
  const months = entry.months[region];
  if (months && !monthInWindow(monthOf(date), months)) return false;
  const soilF = day.soilF ?? GROWING_SOIL_F;
  if (entry.lifeCycle.startsWith('winter-annual')) {
    return !(day.soilRising && soilF > WINTER_ANNUAL_ENDS_F);
  }
  // A plant that starts with warm soil has no leaf to take anything up before it.
  if (entry.emergenceDirection === 'rising' && day.soilRising && soilF < entry.emergenceF) {
    return false;
  }
  if (entry.category === 'grassy-annual') {
    const frost = firstFrost(region, yearOf(date));
    return daysBetween(date, frost) >= FROST_WEEKS * 7;
  }
  return true;
}

/** A walk on a day: who is hit, where, and with what. */
interface Walk {
  date: LocalDate;
  best: MixChoice;
  answer: MixAnswer;
  targets: Target[];
  /** Targets that a mix can reach; the product is chosen for these. */
  within: Target[];
  treatedFt2: number;
  method: 'spot' | 'zone';
}

/** Also where dormant turf lets the weeds be sprayed: what falls on frozen ground runs off. */
const isFrozen = ({ soilF }: ExpectedDay): boolean => soilF !== null && soilF <= dayRules.frozenF;

/** Looks for a walk day by day, asking each distinct situation only once. */
class WalkSearch {
  private readonly answers = new Map<string, { answer: MixAnswer; within: Target[] }>();
  /** Something in store feeds too: what it may bring moves with the day. */
  private readonly feedsToo: boolean;

  constructor(
    private readonly zoneCase: ZoneCase,
    private readonly seed: SeedStep | null,
    private readonly weeds: readonly WeedFinding[],
  ) {
    const { shelf } = zoneCase;
    this.feedsToo = shelf.herbicides.some(
      ({ slug, nutrients, postEmergent }) => nutrients && postEmergent && shelf.inStore.has(slug),
    );
  }

  on(date: LocalDate): Walk | null {
    const { input, season, areaFt2, usage } = this.zoneCase;
    const day = expectedDay(season, date);
    if (isFrozen(day)) return null;
    const up = this.weeds.filter((finding) => weedIsUp(finding, input.region, date, day));
    if (up.length === 0) return null;
    const cover = Math.min(
      1,
      up.reduce((sum, finding) => sum + finding.cover, 0),
    );
    const method = cover < applicationRules.spotBelowCover ? 'spot' : 'zone';
    const treatedFt2 =
      method === 'spot' ? Math.max(1, areaFt2 * cover * applicationRules.spotFactor) : areaFt2;
    const targets: Target[] = up.map(({ weed, stage }) => ({
      weed,
      targetPct: targetControl(weed),
      ...(stage ? { stage } : {}),
    }));
    const asked = question(this.zoneCase, 'post', targets, date, this.seed, {
      treatedFt2,
      airHighF: day.airHighF,
    });
    // Weeds that are green in dormant warm-season turf are hit because all else sleeps.
    const asleep =
      asked.conditions.has('fully-dormant') && standSeason(this.zoneCase.zone) === 'warm';
    const soilF = asleep ? GROWING_SOIL_F : (day.soilF ?? GROWING_SOIL_F);
    if (soilF < HARDY_SOIL_F) return null;
    const key = [
      targets.map(({ weed }) => weed).join(),
      Math.round(asked.airHighF),
      [...asked.conditions].join(),
      asked.drought,
      asked.weeksToSeeding === null ? '' : Math.floor(asked.weeksToSeeding),
      asked.weeksSinceEmergence === null ? '' : Math.floor(asked.weeksSinceEmergence),
      // Limits move with the day once something is on record or planned.
      usage.isEmpty && !this.feedsToo ? '' : date,
    ].join('|');
    const { answer, within } = this.ask(key, asked);
    if (!answer.best) return null;
    const hardy = answer.best.products.every(
      ({ herbicide: slug }) =>
        (this.zoneCase.shelf.herbicide(slug)?.airF[0] ?? Infinity) <= COLD_HARDY_AIR_F,
    );
    if (soilF < GROWING_SOIL_F && !hardy) return null;
    return { date, best: answer.best, answer, targets, within, treatedFt2, method };
  }

  /**
   * The mix for the targets, or, where some of them are out of reach of every mix, for the others:
   * a weed that nothing touches must not choose the product for the ones that can be had.
   */
  private ask(key: string, asked: MixQuestion): { answer: MixAnswer; within: Target[] } {
    const known = this.answers.get(key);
    if (known) return known;
    let within = [...asked.targets];
    let answer = chooseMix(asked);
    if (answer.best && !answer.best.reaches) {
      const { control } = answer.best;
      const useful = within.filter(
        ({ weed }) => (control[weed] ?? 0) >= applicationRules.usefulEfficacy,
      );
      if (useful.length > 0 && useful.length < within.length) {
        within = useful;
        answer = chooseMix({ ...asked, targets: within });
      }
    }
    const found = { answer, within };
    this.answers.set(key, found);
    return found;
  }

  /** Last day in a row on which the same products at the same rates still pass every rule. */
  closes(walk: Walk): LocalDate {
    const slugs = new Set(walk.best.products.map(({ herbicide: slug }) => slug));
    const mix = (products: readonly MixProduct[] | undefined) =>
      products?.map((p) => `${p.herbicide}@${p.ratePerAcre}`).join();
    let closes = walk.date;
    while (daysBetween(walk.date, closes) < LONGEST_WINDOW) {
      const next = addDays(closes, 1);
      const day = expectedDay(this.zoneCase.season, next);
      if (isFrozen(day)) break;
      const asked = question(this.zoneCase, 'post', walk.within, next, this.seed, {
        treatedFt2: walk.treatedFt2,
        airHighF: day.airHighF,
      });
      const again = chooseMix({ ...asked, stock: slugs });
      if (mix(again.best?.products) !== mix(walk.best.products)) break;
      closes = next;
    }
    return closes;
  }

  /** The first walk whose window is decent, or else the first at all. */
  first(): { walk: Walk; closes: LocalDate } | null {
    const { today } = this.zoneCase.input;
    let fallback: { walk: Walk; closes: LocalDate } | null = null;
    let ahead = 0;
    while (ahead <= SEARCH_DAYS) {
      const walk = this.on(addDays(today, ahead));
      if (walk) {
        const found = { walk, closes: this.closes(walk) };
        const days = daysBetween(walk.date, found.closes);
        if (days >= DECENT_WINDOW) return found;
        fallback ??= found;
        ahead += days;
      }
      ahead += ahead < DAILY_SEARCH_DAYS ? 1 : COARSE_STEP_DAYS;
    }
    return fallback;
  }
}

function stepOf(
  zoneCase: ZoneCase,
  { walk, closes }: { walk: Walk; closes: LocalDate },
): SprayStep {
  const { input, zone, season } = zoneCase;
  const { best, answer, targets, within, treatedFt2, method } = walk;
  const window = {
    opens: walk.date,
    best: walk.date,
    closes,
    basis: { kind: 'air' as const },
  };
  const lead = targets.map(({ weed }) => weed).sort()[0];
  const coverPct = Math.round(
    100 *
      zoneCase.weeds
        .filter(({ weed }) => targets.some((target) => target.weed === weed))
        .reduce((sum, { cover }) => sum + cover, 0),
  );
  return {
    id: `${zone.id}:control:${lead}:${yearOf(walk.date)}`,
    kind: 'control',
    zoneId: zone.id,
    group: 'post-emergent',
    window,
    state: stateOf(window, input.today),
    areaFt2: treatedFt2,
    method,
    products: best.products,
    walks: best.walks,
    intervalDays: best.minIntervalDays,
    carrierGalPer1000: carrierVolume(best.products, 'post', zoneCase.shelf),
    control: controlRows(answer, within),
    testSpot: best.testSpot,
    gates: sprayGates(best.products, 'post', zoneCase.shelf),
    because: [
      { rule: method === 'spot' ? 'control-spot' : 'control-zone', inputs: { coverPct } },
      {
        rule: 'control-tolerated',
        inputs: {
          grasses: zoneCase.grasses.join(' '),
          airHighF: Math.round(expectedDay(season, walk.date).airHighF),
        },
      },
      { rule: 'control-cheapest', inputs: { products: best.products.length } },
      ...(best.reaches ? [] : [{ rule: 'control-suppression', inputs: {} }]),
      ...(best.testSpot ? [{ rule: 'control-test-spot', inputs: {} }] : []),
    ],
    excluded: answer.excluded,
  };
}

/**
 * The next post-emergent walk of a zone over some of its weeds: the first days on which a product
 * works that every desired grass takes, and how long they stay so.
 * @param weeds growing weeds that no walk is planned for yet
 * @returns the step, and the weeds that it does not reach with the reason
 */
export function controlStep(
  zoneCase: ZoneCase,
  seed: SeedStep | null,
  weeds: readonly WeedFinding[],
): { step: SprayStep | null; waiting: WeedFinding[]; unmet: Unmet[] } {
  const unmetBy = (rule: string, list: readonly string[]): Unmet[] =>
    list.map((weed) => ({ zoneId: zoneCase.zone.id, weed, reason: { rule, inputs: { weed } } }));
  const found = new WalkSearch(zoneCase, seed, weeds).first();
  if (!found) {
    const slugs = weeds.map(({ weed }) => weed);
    return { step: null, waiting: [], unmet: unmetBy('control-no-product', slugs) };
  }
  const step = stepOf(zoneCase, found);
  const targeted = found.walk.targets.map(({ weed }) => weed);
  const reached = new Set(step.control.map(({ weed }) => weed));
  return {
    step,
    waiting: weeds.filter(({ weed }) => !targeted.includes(weed)),
    unmet: unmetBy(
      'control-no-product',
      targeted.filter((weed) => !reached.has(weed)),
    ),
  };
}
