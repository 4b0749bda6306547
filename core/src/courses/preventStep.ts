import { chooseMix, targetControl, type Target } from '../choice/chooseMix';
import { highestAir } from '../choice/sprayDay';
import { earlier, soilWindow, spanAround, type StepWindow } from '../choice/window';
import { nextWindow, type ZoneCase } from '../choice/zoneCase';
import { applicationRules, type EmergenceWindow } from '../knowledge';
import { efficacy } from '../knowledge/efficacy';
import { splitRules, walkRules } from '../knowledge/programmes';
import { standingPreventions, standsFor } from '../knowledge/standingProgram';
import { siteFactors } from '../lawn';
import { needId, workId, type NeedState } from '../needs/need';
import type { Reason } from '../needs/reason';
import {
  carrierVolume,
  materialRatePerAcre,
  mixComponents,
  residualShare,
  type MixProduct,
} from '../rates';
import { addDays, daysBetween, localDate, yearOf, type LocalDate } from '../units';
import { controlRows, question, sameMix, situationOf, sprayGates } from './sprayQuestion';
import { stateOf, type PreventStep, type SeedStep, type Unmet } from './step';

/** The year of one emergence group in a zone. */
export interface Prevention {
  need: string;
  cycle: string;
  state: NeedState;
  /** Every lay that is still to come. */
  steps: PreventStep[];
  /** Weeks that the seeding in its way asks for, and weeks there are; `null` where none is in its way. */
  clash: { waitWeeks: number; weeks: number } | null;
  unmet: Unmet[];
  reason?: Reason;
}

interface Laid {
  on: LocalDate;
  products: MixProduct[];
}

/** Weeds that a group's pre-emergent is laid against on every lawn of this place and upkeep. */
function standingWeeds({ input, zone }: ZoneCase, group: string): readonly string[] {
  const rule = standingPreventions.find((entry) => entry.group === group);
  const place = {
    region: input.region,
    upkeep: zone.upkeep ?? input.upkeep,
    factors: siteFactors(zone),
  };
  return rule && standsFor(rule, place) ? rule.weeds : [];
}

/** Last record of a window that held a pre-emergent against the group, whoever laid it. */
function laidIn(
  { records, shelf }: ZoneCase,
  group: EmergenceWindow,
  { opens, closes }: StepWindow,
  need: string,
): Laid[] {
  const from = addDays(opens, -splitRules.slackDays);
  const to = addDays(closes, splitRules.slackDays);
  return records
    .filter((record) => (record.effect ?? 1) >= walkRules.leastEffect)
    .flatMap((record) => {
      const on = localDate(record.date);
      const named = record.stepId?.startsWith(`${need}/`) ?? false;
      const products = record.materials.flatMap((material) => {
        const product = material.kind === 'herbicide' ? shelf.herbicide(material.slug) : undefined;
        const holds =
          product !== undefined &&
          group.weeds.some(
            (weed) => efficacy('pre', weed, product.slug) >= applicationRules.usefulEfficacy,
          );
        return product && (named || holds)
          ? [
              {
                herbicide: product.slug,
                ratePerAcre: materialRatePerAcre(material, record.areaFt2),
              },
            ]
          : [];
      });
      const within = on >= from && on <= addDays(to, group.coverWeeks * 7);
      return products.length > 0 && (named || within) ? [{ on, products }] : [];
    })
    .sort((a, b) => (a.on < b.on ? -1 : 1));
}

/** Weeks until the best of what was laid no longer holds. */
function weeksHeld({ shelf }: ZoneCase, products: readonly MixProduct[]): number {
  const ranges = mixComponents([...products], shelf).map(({ product }) => product.residualWeeks);
  let week = 0;
  while (
    week < 60 &&
    ranges.some((range) => residualShare(week + 1, range) >= splitRules.holdsAt)
  ) {
    week += 1;
  }
  return week;
}

function layOf(
  zoneCase: ZoneCase,
  group: EmergenceWindow,
  targets: readonly Target[],
  window: StepWindow,
  seed: SeedStep | null,
  { need, round, coverWeeks }: { need: string; round: number; coverWeeks: number },
) {
  const { input, zone, season, areaFt2, shelf } = zoneCase;
  const askOn = (date: LocalDate, withSeed: SeedStep | null) =>
    question(zoneCase, 'pre', targets, date, withSeed, {
      treatedFt2: areaFt2,
      airHighF: highestAir(season, date, earlier(addDays(date, 3), window.closes)),
      coverWeeks,
    });
  const beside = chooseMix(askOn(window.best, seed));
  const alone = beside.best ? beside : chooseMix(askOn(window.best, null));
  if (!alone.best) return null;
  const { products } = alone.best;
  const stock = new Set(products.map(({ herbicide }) => herbicide));
  const known = new Map<string, boolean>();
  const passes = (date: LocalDate) => {
    const asked = { ...askOn(date, beside.best ? seed : null), stock };
    const situation = situationOf(asked);
    const same =
      known.get(situation) ?? sameMix(chooseMix(asked, { brief: true }).best?.products, products);
    known.set(situation, same);
    return same;
  };
  const id = workId(need, 'lay', round);
  const step: PreventStep = {
    id,
    serves: [id],
    kind: 'prevent',
    zoneId: zone.id,
    group: group.slug,
    window,
    span: spanAround(window, input.today, passes),
    state: stateOf(window, input.today),
    areaFt2,
    method: 'zone',
    products,
    walks: 1,
    intervalDays: alone.best.minIntervalDays,
    carrierGalPer1000: carrierVolume(products, 'pre', shelf),
    control: controlRows(alone, targets),
    testSpot: false,
    gates: sprayGates(products, 'pre', shelf),
    because: [
      {
        rule: 'prevent-before-germination',
        inputs: {
          group: group.slug,
          opensF: group.opensF,
          closesF: group.closesF,
          direction: group.direction,
        },
      },
      ...(round > 1 ? [{ rule: 'prevent-again', inputs: { weeks: coverWeeks } }] : []),
      ...(alone.best.reaches ? [] : [{ rule: 'control-suppression', inputs: {} }]),
      ...(seed && beside.best
        ? [{ rule: 'prevent-leaves-seeding', inputs: { seedOn: seed.window.best } }]
        : []),
    ],
    excluded: beside.excluded,
  };
  return { step, beside: beside.best !== null };
}

/**
 * The pre-emergent of one emergence group, with and without the seeding in its way, and the second lay where the
 * first is worn off before the last of the group has germinated. What is on record has done it, whatever it was.
 */
export function preventStep(
  zoneCase: ZoneCase,
  group: EmergenceWindow,
  seed: SeedStep | null,
): Prevention | null {
  const { input, zone, season } = zoneCase;
  const weeds = zoneCase.weeds.filter(({ weed }) => group.weeds.includes(weed));
  // What is laid on every lawn that is kept so is chosen for the usual weeds of its group.
  const standing = weeds.length === 0 ? standingWeeds(zoneCase, group.slug) : [];
  const slugs = weeds.length > 0 ? weeds.map(({ weed }) => weed) : standing;
  if (slugs.length === 0) return null;
  const targets: Target[] = slugs.map((weed) => ({ weed, targetPct: targetControl(weed) }));
  const idOf = (year: number) =>
    needId({
      kind: 'prevent',
      subject: group.slug,
      place: { zoneId: zone.id },
      cycle: String(year),
    });
  const thisYear = yearOf(input.today);
  const laidFor = (year: number, window: StepWindow) => laidIn(zoneCase, group, window, idOf(year));
  // Next year's only where somebody has set it already.
  const running = [thisYear - 1, thisYear, thisYear + 1]
    .flatMap((year) => {
      const window = soilWindow(season, group, year);
      return window &&
        input.today <= addDays(window.best, group.coverWeeks * 7) &&
        (year <= thisYear || laidFor(year, window).length > 0)
        ? [{ year, window }]
        : [];
    })
    .pop();
  const laid = running ? laidFor(running.year, running.window) : [];
  const window = laid.length > 0 ? running!.window : nextWindow(season, group, input.today);
  if (!window) return null;
  const cycle = String(laid.length > 0 ? running!.year : yearOf(window.best));
  const need = idOf(Number(cycle));
  const result = { need, cycle, clash: null, unmet: [] };

  let first: PreventStep | null = null;
  let clash: Prevention['clash'] = null;
  if (laid.length === 0) {
    const found = layOf(zoneCase, group, targets, window, seed, {
      need,
      round: 1,
      coverWeeks: group.coverWeeks,
    });
    if (!found) {
      const reason = {
        rule: standing.length > 0 ? 'standing-no-product' : 'prevent-no-product',
        inputs: { group: group.slug },
      };
      return {
        ...result,
        state: 'givenUp',
        steps: [],
        unmet: weeds.map(({ weed }) => ({ zoneId: zone.id, weed, reason })),
        reason,
      };
    }
    first = found.step;
    if (standing.length > 0) {
      first.because.unshift({ rule: 'standing-prevent', inputs: { group: group.slug } });
    }
    if (!found.beside && seed && standing.length > 0) {
      // Nobody has seen the weed: the seed that somebody wants comes first.
      const reason = { rule: 'standing-seed-first', inputs: { group: group.slug } };
      return { ...result, state: 'givenUp', steps: [], reason };
    }
    if (!found.beside && seed) {
      const wait = Math.max(
        ...mixComponents(first.products, zoneCase.shelf).map(
          ({ product }) => product.waitBeforeSeedingWeeks[1],
        ),
      );
      clash = {
        waitWeeks: wait,
        weeks: Math.round(daysBetween(window.best, seed.window.best) / 7),
      };
    }
  }
  const last: Laid = laid.at(-1) ?? { on: first!.window.best, products: first!.products };
  const until = addDays(last.on, weeksHeld(zoneCase, last.products) * 7);
  const wanted = addDays(window.best, group.coverWeeks * 7);
  const bare = Math.round(daysBetween(until, wanted) / 7);
  const opens = earlier(until, addDays(wanted, -splitRules.sparedWeeks * 7));
  const again = addDays(last.on, splitRules.leastWeeks * 7);
  const on = opens > again ? opens : again;
  const due = laid.length < 2 && bare > splitRules.sparedWeeks && on < wanted && !clash;
  const second =
    due && addDays(on, 14) >= input.today
      ? secondLay(zoneCase, group, targets, { need, on, first, seed, wanted })
      : null;
  const gap: Reason | undefined =
    due && !second
      ? { rule: 'prevent-gap', inputs: { group: group.slug, from: until, to: wanted } }
      : undefined;
  return {
    ...result,
    clash,
    state: first ? 'planned' : second ? 'underWay' : 'met',
    steps: [...(first ? [first] : []), ...(second ? [second] : [])],
    reason:
      gap ?? (first ? undefined : { rule: 'prevent-holds', inputs: { group: group.slug, until } }),
  };
}

/** The second lay: with what the year still allows beside the first. */
function secondLay(
  zoneCase: ZoneCase,
  group: EmergenceWindow,
  targets: readonly Target[],
  plan: {
    need: string;
    on: LocalDate;
    first: PreventStep | null;
    seed: SeedStep | null;
    wanted: LocalDate;
  },
): PreventStep | null {
  const { input, shelf } = zoneCase;
  const { need, first, seed, wanted } = plan;
  const on = plan.on < input.today ? input.today : plan.on;
  const usage = zoneCase.usage.copy();
  for (const { herbicide: slug, ratePerAcre } of first?.products ?? []) {
    const product = shelf.herbicide(slug);
    if (product && first) usage.add(product, ratePerAcre, first.window.best);
  }
  const window: StepWindow = {
    opens: on,
    best: on,
    closes: addDays(on, 14),
    basis: { kind: 'calendar' },
  };
  const found = layOf({ ...zoneCase, usage }, group, targets, window, seed, {
    need,
    round: 2,
    coverWeeks: Math.max(1, Math.round(daysBetween(on, wanted) / 7)),
  });
  // It is laid only where it leaves the seeding alone.
  return found && (found.beside || !seed) ? found.step : null;
}
