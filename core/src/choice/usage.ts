import { activeCaps, countingRules, rotationRules } from '../knowledge';
import type { Shelf, ShelfHerbicide } from '../products';
import { activesPerAcre, materialRatePerAcre, type Application } from '../rates';
import { localDate, toDayNumber, yearOf, type LocalDate } from '../units';
import type { Reason } from '../needs/reason';

/** A product at its rate on a day, done or planned, on one zone. */
interface Use {
  product: ShelfHerbicide;
  ratePerAcre: number;
  date: LocalDate;
  /** Weeds that it was meant for; empty where nobody said. */
  targets: readonly string[];
  /** Its date as a number of days, and its year. */
  day: number;
  year: number;
  /** lb of each active per acre. */
  doses: ReadonlyMap<string, number>;
}

const EPSILON = 1e-9;
/** Label rates are rounded; a thousandth over a cap in lb a.i. is the same rate. */
const ACTIVE_ROUNDING = 1.001;

const capOf = new Map(activeCaps.map((cap) => [cap.active, cap]));

const lbOf = ({ doses }: Use, active: string): number => doses.get(active) ?? 0;

/** Days from a day to the nearest of the uses, either way round; `null` without uses. */
const nearestDays = (uses: readonly Use[], day: number): number | null =>
  uses.length > 0 ? Math.min(...uses.map((use) => Math.abs(use.day - day))) : null;

/** What one zone has had, and is planned to have, of each product and active. */
export class Usage {
  private readonly uses: Use[] = [];
  private turns: number[] | null = null;

  /** @param applications records of the zone; fertilizer and seed are passed over */
  static of(
    applications: readonly (Application & { targets?: readonly string[] })[],
    shelf: Shelf,
  ): Usage {
    const usage = new Usage();
    for (const application of applications) {
      for (const material of application.materials) {
        const product = material.kind === 'herbicide' ? shelf.herbicide(material.slug) : undefined;
        if (product) {
          usage.add(
            product,
            materialRatePerAcre(material, application.areaFt2),
            localDate(application.date),
            application.targets,
          );
        }
      }
    }
    return usage;
  }

  add(
    product: ShelfHerbicide,
    ratePerAcre: number,
    date: LocalDate,
    targets: readonly string[] = [],
  ): void {
    this.uses.push({
      product,
      ratePerAcre,
      date,
      targets,
      day: toDayNumber(date),
      year: yearOf(date),
      doses: new Map(
        activesPerAcre(product, ratePerAcre).map(({ active, lbPerAcre }) => [active, lbPerAcre]),
      ),
    });
    this.turns = null;
  }

  /** Days from which on a limit may read otherwise than the day before. */
  private get turningDays(): number[] {
    if (this.turns) return this.turns;
    const days = this.uses.flatMap(({ product, day, doses }) => {
      const intervals = [...doses.keys()].flatMap(
        (active) => capOf.get(active)?.minIntervalDays ?? [],
      );
      return [1, product.minIntervalDays, countingRules.seasonDays, ...intervals].flatMap(
        (span) => [day - span + 1, day + span],
      );
    });
    this.turns = [...new Set(days)].sort((a, b) => a - b);
    return this.turns;
  }

  /** Name of the run of days around one over which every limit reads the same. */
  phase(date: LocalDate): string {
    const day = toDayNumber(date);
    return `${yearOf(date)}.${this.turningDays.filter((turn) => turn <= day).length}`;
  }

  /**
   * How often a mode of action may still be the only one in a tank against some weeds in the year of a
   * day: none once it has been alone against them for the most years running.
   */
  groupTurns(group: string, weeds: readonly string[], date: LocalDate): number {
    const against = this.uses.filter(({ targets }) => targets.some((weed) => weeds.includes(weed)));
    const ofYear = (year: number) => against.filter((use) => use.year === year);
    const year = yearOf(date);
    const alone = (own: readonly Use[]) =>
      own.length > 0 && own.every(({ product }) => product.hrac.every((mode) => mode === group));
    const running = Array.from({ length: rotationRules.mostYears }, (_, index) => year - 1 - index);
    if (running.every((own) => alone(ofYear(own)))) return 0;
    const days = ofYear(year)
      .filter(({ product }) => product.hrac.includes(group))
      .map((use) => use.date);
    return Math.max(0, rotationRules.mostInYear - new Set(days).size);
  }

  copy(): Usage {
    const usage = new Usage();
    usage.uses.push(...this.uses);
    return usage;
  }

  get isEmpty(): boolean {
    return this.uses.length === 0;
  }

  /** Amount per acre of a product in the year of a day, or in the half years around it if that is more. */
  private usedOf(same: readonly Use[], date: LocalDate): number {
    if (same.length === 0) return 0;
    const day = toDayNumber(date);
    const year = yearOf(date);
    const sum = (uses: readonly Use[]) => uses.reduce((total, use) => total + use.ratePerAcre, 0);
    return Math.max(
      sum(same.filter((use) => use.year === year)),
      sum(same.filter((use) => Math.abs(use.day - day) < countingRules.seasonDays)),
    );
  }

  /** What the year of a day still allows of a product: amount per acre and applications. */
  leftOf(product: ShelfHerbicide, date: LocalDate): { amount: number; count: number } {
    const same = this.uses.filter((use) => use.product.slug === product.slug);
    const year = same.filter((use) => use.year === yearOf(date));
    return {
      amount: product.maxPerYear - this.usedOf(same, date),
      count: product.maxApplications - year.length,
    };
  }

  /** What the year of a day still allows of an active: lb per acre and walks; `null` without a cap. */
  leftOfActive(active: string, date: LocalDate): { lb: number; count: number } | null {
    const cap = capOf.get(active);
    if (!cap) return null;
    const year = yearOf(date);
    const holding = this.uses.filter((use) => use.year === year && lbOf(use, active) > 0);
    const days = new Set(holding.map((use) => use.date)).size;
    return {
      lb:
        cap.maxLbPerYear * ACTIVE_ROUNDING -
        holding.reduce((sum, use) => sum + lbOf(use, active), 0),
      count: cap.maxApplications === null ? Infinity : cap.maxApplications - days,
    };
  }

  /**
   * Limits that a product at a rate on a day would break: amount, number and interval of the product
   * in the calendar year, and the same for each of its actives over every product that holds it.
   */
  refusals(product: ShelfHerbicide, ratePerAcre: number, date: LocalDate): Reason[] {
    const reasons: Reason[] = [];
    const inYear = yearOf(date);
    const day = toDayNumber(date);
    const year = this.uses.filter((use) => use.year === inYear);
    const same = this.uses.filter((use) => use.product.slug === product.slug);
    const used = this.usedOf(same, date);
    if (used + ratePerAcre > product.maxPerYear + EPSILON) {
      reasons.push({
        rule: 'R14-year-amount',
        inputs: { used, wanted: ratePerAcre, max: product.maxPerYear, unit: product.unit },
      });
    }
    const count = same.filter((use) => use.year === inYear).length;
    if (count + 1 > product.maxApplications) {
      reasons.push({
        rule: 'R14-year-count',
        inputs: { used: count, max: product.maxApplications },
      });
    }
    const gap = nearestDays(same, day);
    if (gap !== null && gap < product.minIntervalDays) {
      reasons.push({ rule: 'R15-interval', inputs: { days: gap, min: product.minIntervalDays } });
    }
    for (const { active, lbPerAcre } of activesPerAcre(product, ratePerAcre)) {
      reasons.push(...this.activeRefusals(active, lbPerAcre, day, year));
    }
    return reasons;
  }

  private activeRefusals(
    active: string,
    wanted: number,
    day: number,
    year: readonly Use[],
  ): Reason[] {
    const cap = capOf.get(active);
    if (!cap) return [];
    const reasons: Reason[] = [];
    const refuse = (rule: string, inputs: Reason['inputs']) =>
      reasons.push({ rule, inputs: { active, ...inputs } });
    const holding = year.filter((use) => lbOf(use, active) > 0);
    const used = holding.reduce((sum, use) => sum + lbOf(use, active), 0);
    if (wanted > cap.maxLbPerApplication * ACTIVE_ROUNDING) {
      refuse('R14-active-application', { wanted, max: cap.maxLbPerApplication });
    }
    if (used + wanted > cap.maxLbPerYear * ACTIVE_ROUNDING) {
      refuse('R14-active-year', { used, wanted, max: cap.maxLbPerYear });
    }
    const days = new Set(holding.map((use) => use.date)).size;
    if (cap.maxApplications !== null && days + 1 > cap.maxApplications) {
      refuse('R14-active-count', { used: days, max: cap.maxApplications });
    }
    const gap = nearestDays(
      this.uses.filter((use) => lbOf(use, active) > 0),
      day,
    );
    if (gap !== null && gap < cap.minIntervalDays) {
      refuse('R15-active-interval', { days: gap, min: cap.minIntervalDays });
    }
    return reasons;
  }
}
