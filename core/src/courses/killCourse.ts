import { targetControl } from '../choice/chooseMix';
import { expectedDay } from '../choice/sprayDay';
import { earlier, later, type StepWindow } from '../choice/window';
import type { ZoneCase } from '../choice/zoneCase';
import { dayRules } from '../knowledge';
import { efficacy } from '../knowledge/efficacy';
import { killRules, walkRules } from '../knowledge/programmes';
import { desiredCover } from '../lawn';
import { workId } from '../needs/need';
import type { ShelfHerbicide } from '../products';
import { carrierVolume } from '../rates';
import { addDays, daysBetween, localDate, type LocalDate } from '../units';
import { sprayGates } from './sprayQuestion';
import { stateOf, type ControlStep, type SeedStep } from './step';

/** What kills all that grows and leaves nothing in the soil. */
const isTotal = ({ selective, postEmergent, preEmergent, residualWeeks }: ShelfHerbicide) =>
  !selective && postEmergent && !preEmergent && residualWeeks[1] === 0;

/** What does so down to the roots. */
const isRooted = (product: ShelfHerbicide) =>
  isTotal(product) && product.hrac.some((mode) => killRules.modes.includes(mode));

/** Fewest days from a kill to the seed: what the trade leaves, or the label of what may be used asks. */
const daysToSeed = ({ shelf }: ZoneCase): number =>
  Math.max(
    killRules.daysToSeed,
    ...shelf.herbicides.filter(isRooted).map((product) => product.waitBeforeSeedingWeeks[1] * 7),
  );

/** Days on which most of a zone was killed, the first one first. */
export function killedOn({ records, shelf, areaFt2 }: ZoneCase): LocalDate[] {
  const days = records
    .filter(
      ({ effect, areaFt2: treated, materials }) =>
        (effect ?? 1) * Math.min(1, treated / areaFt2) >= killRules.wholeFrom &&
        materials.some(({ kind, slug }) => {
          const product = kind === 'herbicide' ? shelf.herbicide(slug) : undefined;
          return product !== undefined && isTotal(product);
        }),
    )
    .map(({ date }) => localDate(date));
  return [...new Set(days)].sort();
}

/** Days of kills that belong to the seeding that is still to come. */
const ofSeeding = (zoneCase: ZoneCase): LocalDate[] =>
  killedOn(zoneCase).filter(
    (date) => daysBetween(date, zoneCase.input.today) <= killRules.holdsDays,
  );

/** Whether there is something in a zone that has to die before it is sown anew. */
export function wantsKill({ zone, weeds, startOver }: ZoneCase): boolean {
  if (startOver) return true;
  const unwanted = zone.stand.reduce((sum, { cover }) => sum + cover, 0) - desiredCover(zone);
  const growing = weeds.filter((finding) => finding.growing);
  const cover = Math.max(
    unwanted,
    growing.reduce((sum, finding) => sum + finding.cover, 0),
  );
  return cover >= killRules.fromCover;
}

/** First day on which a zone that still has to be killed can be sown; `null` where that is behind it. */
export function sownAfterKill(zoneCase: ZoneCase): LocalDate | null {
  if (!wantsKill(zoneCase) || ofSeeding(zoneCase).length > 0) return null;
  return addDays(zoneCase.input.today, Math.max(killRules.firstDays.best, daysToSeed(zoneCase)));
}

/** The total killer for a zone on a day, at its full rate: the cheapest whose label, year and air allow it. */
function killerOn(zoneCase: ZoneCase, usage: ZoneCase['usage'], date: LocalDate) {
  const { input, shelf, season } = zoneCase;
  const { airHighF, soilF } = expectedDay(season, date);
  if (soilF !== null && soilF <= dayRules.frozenF) return null;
  const { confirmedLabels, certified, onlyShelf, stock } = input.policy;
  return (
    shelf.herbicides
      .filter(isRooted)
      .filter(({ slug }) => !onlyShelf || shelf.inStore.has(slug))
      .filter(({ slug }) => onlyShelf || stock.length === 0 || stock.includes(slug))
      .filter(({ restrictedUse }) => !restrictedUse || certified)
      .filter(
        ({ residential, slug }) =>
          residential === 'yes' ||
          (residential === 'check-label' && confirmedLabels.includes(slug)),
      )
      .filter(({ airF }) => airHighF >= airF[0] && airHighF <= airF[1])
      // The full rate, or what the year has left of it.
      .map((product) => ({
        product,
        ratePerAcre: Math.min(product.rate[1], usage.leftOf(product, date).amount),
      }))
      .filter(({ product, ratePerAcre }) => ratePerAcre >= (product.rate[0] ?? product.rate[1]))
      .filter(({ product, ratePerAcre }) => usage.refusals(product, ratePerAcre, date).length === 0)
      .sort(
        (a, b) =>
          a.ratePerAcre * (a.product.usdPerUnitInvented ?? Infinity) -
          b.ratePerAcre * (b.product.usdPerUnitInvented ?? Infinity),
      )[0] ?? null
  );
}

/** One kill in a window, on the day nearest to its best on which a product may be used. */
function killStep(
  zoneCase: ZoneCase,
  usage: ZoneCase['usage'],
  { opens, best, closes }: { opens: LocalDate; best: LocalDate; closes: LocalDate },
  { need, round, serves }: { need: string; round: number; serves: readonly string[] },
): ControlStep | null {
  const { input, zone, areaFt2, shelf } = zoneCase;
  const growing = zoneCase.weeds.filter((finding) => finding.growing);
  const days = Array.from({ length: daysBetween(opens, closes) + 1 }, (_, day) =>
    addDays(opens, day),
  ).sort((a, b) => Math.abs(daysBetween(best, a)) - Math.abs(daysBetween(best, b)));
  for (const date of days) {
    const found = killerOn(zoneCase, usage, date);
    if (!found) continue;
    const products = [{ herbicide: found.product.slug, ratePerAcre: found.ratePerAcre }];
    const window: StepWindow = { opens, best: date, closes, basis: { kind: 'calendar' } };
    const id = workId(need, 'kill', round);
    return {
      id,
      serves: [id, ...serves],
      kind: 'control',
      kill: true,
      zoneId: zone.id,
      group: 'kill',
      window,
      state: stateOf(window, input.today),
      areaFt2,
      method: 'zone',
      products,
      walks: 1,
      intervalDays: found.product.minIntervalDays,
      carrierGalPer1000: carrierVolume(products, 'post', shelf),
      control: growing.map(({ weed }) => ({
        weed,
        expectedPct: efficacy('post', weed, found.product.slug),
        targetPct: targetControl(weed),
      })),
      testSpot: false,
      gates: sprayGates(products, 'post', shelf),
      because: [
        {
          rule: round > 1 ? 'kill-again' : 'kill-first',
          inputs: { days: killRules.firstDays.best, daysToSeed: daysToSeed(zoneCase) },
        },
      ],
      excluded: [],
    };
  }
  return null;
}

/** What comes before the seed where a stand is started over. */
export interface Kill {
  steps: ControlStep[];
  /** The seed, on a day that leaves time for it. */
  seed: SeedStep;
  /** Days over which the ground is given up: nothing is fed or treated that the kill and the seed do themselves. */
  givenUp: { from: LocalDate; to: LocalDate };
  /** Day on which it is looked what is green again; `null`: nothing was killed yet, or that is settled. */
  lookOn: LocalDate | null;
}

/**
 * Kill, look, kill what is green again, then seed. A walk on record counts whoever made it; a second is planned
 * unless somebody has looked and found nothing, and only where the seed can still follow it.
 * @param need id of the renovation
 * @param weeds work of the weeds that the walks serve as well, by round
 */
export function killCourse(
  zoneCase: ZoneCase,
  seed: SeedStep,
  need: string,
  weeds: (round: number) => readonly string[],
): Kill | null {
  const { input } = zoneCase;
  const { today } = input;
  if (!wantsKill(zoneCase)) return null;
  const killed = ofSeeding(zoneCase);
  const last = killed.at(-1);
  const answer = input.looks
    .filter(({ needId, date }) => needId === need && last !== undefined && date > last)
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .pop()?.seen;
  const wait = daysToSeed(zoneCase);
  const set = zoneCase.sowOn;
  // Seed on a day that somebody set waits for no kill that comes too late for it.
  if (set && !last && addDays(today, wait) > set) return null;
  const usage = zoneCase.usage.copy();
  const steps: ControlStep[] = [];
  let from = killed[0] ?? null;
  let previous = last;
  if (!last) {
    const { opens, best, closes } = killRules.firstDays;
    const before = (days: number) => later(today, addDays(seed.window.best, -Math.max(days, wait)));
    const first = killStep(
      zoneCase,
      usage,
      {
        opens: before(opens),
        best: before(best),
        closes: before(closes),
      },
      { need, round: 1, serves: weeds(1) },
    );
    if (!first) return null;
    steps.push(first);
    from = first.window.best;
    previous = from;
    const [product] = first.products;
    const used = product && zoneCase.shelf.herbicide(product.herbicide);
    if (used && product) usage.add(used, product.ratePerAcre, from);
  }
  let sown = later(seed.window.best, addDays(previous!, wait));
  const settled = answer === 'gone' || killed.length >= killRules.walks;
  if (!settled) {
    const interval = Math.max(
      killRules.regrowthDays,
      ...zoneCase.shelf.herbicides.filter(isRooted).map(({ minIntervalDays }) => minIntervalDays),
    );
    const opens = later(today, addDays(previous!, interval));
    const best = later(opens, addDays(sown, -wait));
    const closes = earlier(
      addDays(set ?? seed.window.closes, -wait),
      addDays(best, killRules.againOpenDays),
    );
    const again =
      best <= closes
        ? killStep(
            zoneCase,
            usage,
            { opens: earlier(opens, best), best, closes },
            {
              need,
              round: killed.length + steps.length + 1,
              serves: weeds(killed.length + steps.length + 1),
            },
          )
        : null;
    if (again) {
      const expected = addDays(previous!, killRules.regrowthDays);
      // Seen green again it waits for nothing more.
      steps.push(
        answer === undefined ? { ...again, waitsFor: { condition: 'look', expected } } : again,
      );
      // The seed is not open while a walk is still before it.
      previous = again.window.best;
      sown = later(sown, addDays(previous, wait));
    }
  }
  if (set) sown = set;
  const looks =
    last !== undefined &&
    !settled &&
    answer === undefined &&
    today <= addDays(last, killRules.regrowthDays + walkRules.lookOpenDays);
  const opens = later(seed.window.opens, addDays(previous!, wait));
  return {
    steps,
    seed: {
      ...seed,
      window: {
        ...seed.window,
        opens: earlier(opens, sown),
        best: sown,
        closes: later(seed.window.closes, sown),
      },
      state: stateOf({ ...seed.window, opens }, today),
    },
    givenUp: { from: from!, to: addDays(sown, killRules.starterDays) },
    lookOn: looks ? addDays(last, killRules.regrowthDays) : null,
  };
}
