import { applicationRules, dayRules, weed as weedOf, type Region } from '../knowledge';
import { perennialSummer, walkRules } from '../knowledge/programmes';
import { workId } from '../needs/need';
import { standSeason } from '../lawn';
import { carrierVolume } from '../rates';
import {
  addDays,
  daysBetween,
  monthInWindow,
  monthOf,
  toDayNumber,
  yearOf,
  type LocalDate,
} from '../units';
import type { ControlTask } from './controlProgress';
import {
  chooseMix,
  targetControl,
  type MixAnswer,
  type MixChoice,
  type MixQuestion,
  type Target,
} from '../choice/chooseMix';
import type { SeasonInput, WeedFinding } from '../needs/seasonInput';
import { spanAround } from '../choice/window';
import { expectedDay, type ExpectedDay } from '../choice/sprayDay';
import { controlRows, question, sameMix, situationOf, sprayGates } from './sprayQuestion';
import type { ControlStep, SeedStep, Unmet } from './step';
import { hardFrost, type ZoneCase } from '../choice/zoneCase';
import { stateOf } from './step';

/** Days ahead over which a post-emergent day is looked for, and the longest it may stay open. */
const SEARCH_DAYS = 270;
const LONGEST_WINDOW = 28;
/** A window shorter than this is taken only when no better one comes. */
const DECENT_WINDOW = 2;
/** Walks that are laid out ahead in one zone. */
const MOST_WALKS_AHEAD = 8;
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
/** A weed that comes up in soil as warm as this is killed to the ground by frost, °F. */
const TENDER_FROM_F = 55;

/** True on a day when a weed grows and is worth spraying. */
function weedIsUp(
  finding: WeedFinding,
  input: Pick<SeasonInput, 'region' | 'frost'>,
  date: LocalDate,
  day: ExpectedDay,
): boolean {
  const entry = weedOf(finding.weed);
  if (!entry) return false;
  const months = entry.months[input.region];
  if (months && !monthInWindow(monthOf(date), months)) return false;
  const soilF = day.soilF ?? GROWING_SOIL_F;
  if (entry.lifeCycle.startsWith('winter-annual')) {
    return !(day.soilRising && soilF > WINTER_ANNUAL_ENDS_F);
  }
  // A plant that starts with warm soil has no leaf to take anything up before it.
  if (entry.emergenceDirection === 'rising' && day.soilRising && soilF < entry.emergenceF) {
    return false;
  }
  const toFrost = daysBetween(date, hardFrost(input, yearOf(date)));
  if (entry.category === 'grassy-annual') return toFrost >= FROST_WEEKS * 7;
  const tender = entry.emergenceDirection === 'rising' && entry.emergenceF >= TENDER_FROM_F;
  // What frost has killed to the ground, or is about to, takes nothing up.
  return !tender || monthOf(date) <= 6 || toFrost >= walkRules.daysBeforeFrost;
}

/** Whether the weed is left for the fall, in which the same walk does more. */
function waitsForFall(finding: WeedFinding, region: Region, date: LocalDate): boolean {
  const entry = weedOf(finding.weed);
  const summer = perennialSummer[region];
  return (
    entry?.category === 'broadleaf' &&
    entry.lifeCycle === 'perennial' &&
    summer !== null &&
    monthInWindow(monthOf(date), summer)
  );
}

/** A walk on a day: who is hit, where, and with what. */
interface Walk {
  date: LocalDate;
  best: MixChoice;
  answer: MixAnswer;
  asked: MixQuestion;
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

  constructor(
    private readonly zoneCase: ZoneCase,
    private readonly seed: SeedStep | null,
    private readonly tasks: readonly ControlTask[],
  ) {}

  on(date: LocalDate): Walk | null {
    const { input, season, areaFt2 } = this.zoneCase;
    const day = expectedDay(season, date);
    if (isFrozen(day)) return null;
    const up = this.tasks
      .filter(({ notBefore }) => notBefore === null || notBefore <= date)
      .map(({ finding }) => finding)
      .filter(
        (finding) =>
          weedIsUp(finding, input, date, day) && !waitsForFall(finding, input.region, date),
      );
    if (up.length === 0) return null;
    const cover = Math.min(
      1,
      up.reduce((sum, finding) => sum + finding.cover, 0),
    );
    const method = cover < applicationRules.spotBelowCover ? 'spot' : 'zone';
    // In heat there are spots only.
    if (method === 'zone' && day.airHighF > applicationRules.lightRateAboveF) return null;
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
    const { answer, within } = this.ask(situationOf(asked), asked);
    if (!answer.best) return null;
    const hardy = answer.best.products.every(
      ({ herbicide: slug }) =>
        (this.zoneCase.shelf.herbicide(slug)?.airF[0] ?? Infinity) <= COLD_HARDY_AIR_F,
    );
    if (soilF < GROWING_SOIL_F && !hardy) return null;
    const { best } = answer;
    return { date, best, answer, asked, targets, within, treatedFt2, method };
  }

  /**
   * The mix for the targets, or, where some of them are out of reach of every mix, for the others:
   * a weed that nothing touches must not choose the product for the ones that can be had.
   */
  private ask(key: string, asked: MixQuestion): { answer: MixAnswer; within: Target[] } {
    const known = this.answers.get(key);
    if (known) return known;
    let within = [...asked.targets];
    let answer = chooseMix(asked, { brief: true });
    if (answer.best && !answer.best.reaches) {
      const { control } = answer.best;
      const useful = within.filter(
        ({ weed }) => (control[weed] ?? 0) >= applicationRules.usefulEfficacy,
      );
      if (useful.length > 0 && useful.length < within.length) {
        within = useful;
        answer = chooseMix({ ...asked, targets: within }, { brief: true });
      }
    }
    const found = { answer, within };
    this.answers.set(key, found);
    return found;
  }

  /** Last day in a row on which the same products at the same rates still pass every rule. */
  closes(walk: Walk): LocalDate {
    const slugs = new Set(walk.best.products.map(({ herbicide: slug }) => slug));
    let closes = walk.date;
    const passes = new Map<string, boolean>();
    while (daysBetween(walk.date, closes) < LONGEST_WINDOW) {
      const next = addDays(closes, 1);
      const day = expectedDay(this.zoneCase.season, next);
      if (isFrozen(day)) break;
      if (!this.stillUp(walk, next, day)) break;
      const asked = question(this.zoneCase, 'post', walk.within, next, this.seed, {
        treatedFt2: walk.treatedFt2,
        airHighF: day.airHighF,
      });
      const situation = situationOf(asked);
      const same =
        passes.get(situation) ??
        sameMix(
          chooseMix({ ...asked, stock: slugs }, { brief: true }).best?.products,
          walk.best.products,
        );
      passes.set(situation, same);
      if (!same) break;
      closes = next;
    }
    return closes;
  }

  /** Whether every weed of a walk is there to be hit on a later day, by as much ground as may be sprayed then. */
  private stillUp({ within, method }: Walk, date: LocalDate, day: ExpectedDay): boolean {
    const { input } = this.zoneCase;
    if (method === 'zone' && day.airHighF > applicationRules.lightRateAboveF) return false;
    return within.every(({ weed }) => {
      const finding = this.zoneCase.weeds.find((entry) => entry.weed === weed);
      return finding === undefined || weedIsUp(finding, input, date, day);
    });
  }

  /** The first walk whose window is decent, or else the first at all. */
  first(): { walk: Walk; closes: LocalDate } | null {
    const { today } = this.zoneCase.input;
    let fallback: { walk: Walk; closes: LocalDate } | null = null;
    // Before the first of them is due there is nothing to look for.
    const due = this.tasks.map(({ notBefore }) => notBefore ?? today).sort()[0] ?? today;
    let ahead = Math.max(0, daysBetween(today, due));
    let next = ahead;
    const last = Math.max(SEARCH_DAYS, ahead + DAILY_SEARCH_DAYS);
    while (ahead <= last) {
      if (this.on(addDays(today, ahead))) {
        // From the first such day on: what is found must not hang on the day on which it is asked.
        for (; next <= ahead; next += 1) {
          const walk = this.on(addDays(today, next));
          if (!walk) continue;
          const found = { walk, closes: this.closes(walk) };
          const length = daysBetween(walk.date, found.closes);
          if (length >= DECENT_WINDOW) return found;
          fallback ??= found;
          next += length;
        }
      }
      ahead = Math.max(ahead, next - 1);
      const coarse = COARSE_STEP_DAYS - ((toDayNumber(today) + ahead) % COARSE_STEP_DAYS);
      next = Math.max(next, ahead + 1);
      ahead += ahead < DAILY_SEARCH_DAYS ? 1 : coarse;
    }
    return fallback;
  }
}

function stepOf(
  zoneCase: ZoneCase,
  { walk, closes }: { walk: Walk; closes: LocalDate },
  tasks: readonly ControlTask[],
): ControlStep {
  const { input, zone, season } = zoneCase;
  const { best, answer, targets, within, treatedFt2, method } = walk;
  const window = {
    opens: walk.date,
    best: walk.date,
    closes,
    basis: { kind: 'air' as const },
  };
  const served = tasks
    .filter(({ finding }) => within.some(({ weed }) => weed === finding.weed))
    .sort((a, b) => (a.finding.weed < b.finding.weed ? -1 : 1));
  const serves = [...new Set(served.map(({ need, done }) => workId(need, 'walk', done + 1)))];
  const later = served.filter(({ waitsForLook }) => waitsForLook);
  const coverPct = Math.round(
    100 *
      tasks
        .filter(({ finding }) => targets.some(({ weed }) => weed === finding.weed))
        .reduce((sum, { finding }) => sum + finding.cover, 0),
  );
  return {
    id: serves[0]!,
    serves,
    kind: 'control',
    zoneId: zone.id,
    group: 'post-emergent',
    window,
    // Every day of its window was asked.
    span: spanAround(window, input.today, () => true),
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
    ...(later.length === served.length && later.length > 0
      ? { waitsFor: { condition: 'look' as const, expected: walk.date } }
      : {}),
    because: [
      ...served.flatMap(({ finding, done, rounds }) =>
        rounds > 1
          ? [{ rule: 'control-round', inputs: { weed: finding.weed, round: done + 1, of: rounds } }]
          : [],
      ),
      ...served.flatMap(({ finding, unseen }) =>
        unseen ? [{ rule: 'control-unseen', inputs: { weed: finding.weed } }] : [],
      ),
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
    // All that was excluded, also what does nothing here.
    excluded: chooseMix({ ...walk.asked, targets: within }).excluded,
  };
}

/** A task after one more walk; `null` when that was its last, or it is expected to be gone. */
function afterWalk(task: ControlTask, { best, date }: Walk): ControlTask | null {
  const { finding } = task;
  const done = task.done + 1;
  if (done >= task.rounds) return null;
  const [interval] = weedOf(finding.weed)?.intervalDays ?? [walkRules.usualResultDays];
  return {
    ...task,
    done,
    notBefore: addDays(date, Math.max(interval, best.minIntervalDays)),
    waitsForLook: true,
    unseen: false,
  };
}

/**
 * The post-emergent walks of a zone, one after the other: each on the first days on which a product works that every
 * desired grass takes, for all the weeds whose turn it is; then the next, as often as the weeds ask.
 * @param tasks weeds that still have walks before them
 * @param reserve notes a planned walk, so that the next keeps clear of its limits
 * @returns the steps in order, and the weeds that nothing reaches, with the reason
 */
export function controlSteps(
  zoneCase: ZoneCase,
  seed: SeedStep | null,
  tasks: readonly ControlTask[],
  reserve: (step: ControlStep) => void,
): { steps: ControlStep[]; unmet: Unmet[] } {
  const unmetBy = (rule: string, list: readonly string[]): Unmet[] =>
    list.map((weed) => ({ zoneId: zoneCase.zone.id, weed, reason: { rule, inputs: { weed } } }));
  const steps: ControlStep[] = [];
  const unmet: Unmet[] = [];
  let open = [...tasks];
  while (open.length > 0 && steps.length < MOST_WALKS_AHEAD) {
    const found = new WalkSearch(zoneCase, seed, open).first();
    if (!found) break;
    const step = stepOf(zoneCase, found, open);
    const reached = new Set(step.control.map(({ weed }) => weed));
    const missed = found.walk.targets.map(({ weed }) => weed).filter((weed) => !reached.has(weed));
    steps.push(step);
    reserve(step);
    unmet.push(...unmetBy('control-no-product', missed));
    open = open.flatMap((task) => {
      const { weed } = task.finding;
      if (missed.includes(weed)) return [];
      return reached.has(weed) ? (afterWalk(task, found.walk) ?? []) : [task];
    });
  }
  const named = new Set(steps.flatMap(({ control }) => control.map(({ weed }) => weed)));
  // What has had a walk, or has one planned, and finds no day for the next has not been left without a product.
  const left = open.map(({ finding, done }) => ({ weed: finding.weed, done }));
  unmet.push(
    ...unmetBy(
      'control-no-product',
      left.filter(({ weed, done }) => done === 0 && !named.has(weed)).map(({ weed }) => weed),
    ),
    ...unmetBy(
      'control-no-day',
      left.filter(({ weed, done }) => done > 0 || named.has(weed)).map(({ weed }) => weed),
    ),
  );
  return { steps, unmet };
}
