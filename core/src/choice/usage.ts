import { activeCaps, countingRules, rotationRules } from '../knowledge';
import type { Shelf, ShelfHerbicide } from '../products';
import { activesPerAcre, materialRatePerAcre, type Application } from '../rates';
import { daysBetween, localDate, yearOf, type LocalDate } from '../units';
import type { Reason } from '../needs/reason';

/** A product at its rate on a day, done or planned, on one zone. */
interface Use {
  product: ShelfHerbicide;
  ratePerAcre: number;
  date: LocalDate;
  /** Weeds that it was meant for; empty where nobody said. */
  targets: readonly string[];
}

const EPSILON = 1e-9;
/** Label rates are rounded; a thousandth over a cap in lb a.i. is the same rate. */
const ACTIVE_ROUNDING = 1.001;

const capOf = new Map(activeCaps.map((cap) => [cap.active, cap]));

const lbOf = ({ product, ratePerAcre }: Use, active: string): number =>
  activesPerAcre(product, ratePerAcre).find((dose) => dose.active === active)?.lbPerAcre ?? 0;

/** Days from a date to the nearest of the uses, either way round; `null` without uses. */
function nearestDays(uses: readonly Use[], date: LocalDate): number | null {
  const gaps = uses.map((use) => Math.abs(daysBetween(use.date, date)));
  return gaps.length > 0 ? Math.min(...gaps) : null;
}

/** What one zone has had, and is planned to have, of each product and active. */
export class Usage {
  private readonly uses: Use[] = [];

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
    this.uses.push({ product, ratePerAcre, date, targets });
  }

  /**
   * How often a mode of action may still be the only one in a tank against some weeds in the year of a
   * day: none once it has been alone against them for the most years running.
   */
  groupTurns(group: string, weeds: readonly string[], date: LocalDate): number {
    const against = this.uses.filter(({ targets }) => targets.some((weed) => weeds.includes(weed)));
    const ofYear = (year: number) => against.filter((use) => yearOf(use.date) === year);
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
    const sum = (uses: readonly Use[]) => uses.reduce((total, use) => total + use.ratePerAcre, 0);
    return Math.max(
      sum(same.filter((use) => yearOf(use.date) === yearOf(date))),
      sum(same.filter((use) => Math.abs(daysBetween(use.date, date)) < countingRules.seasonDays)),
    );
  }

  /** What the year of a day still allows of a product: amount per acre and applications. */
  leftOf(product: ShelfHerbicide, date: LocalDate): { amount: number; count: number } {
    const same = this.uses.filter((use) => use.product.slug === product.slug);
    const year = same.filter((use) => yearOf(use.date) === yearOf(date));
    return {
      amount: product.maxPerYear - this.usedOf(same, date),
      count: product.maxApplications - year.length,
    };
  }

  /** What the year of a day still allows of an active: lb per acre and walks; `null` without a cap. */
  leftOfActive(active: string, date: LocalDate): { lb: number; count: number } | null {
    const cap = capOf.get(active);
    if (!cap) return null;
    const holding = this.uses.filter(
      (use) => yearOf(use.date) === yearOf(date) && lbOf(use, active) > 0,
    );
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
    const year = this.uses.filter((use) => yearOf(use.date) === yearOf(date));
    const same = (use: Use) => use.product.slug === product.slug;
    const used = this.usedOf(this.uses.filter(same), date);
    if (used + ratePerAcre > product.maxPerYear + EPSILON) {
      reasons.push({
        rule: 'R14-year-amount',
        inputs: { used, wanted: ratePerAcre, max: product.maxPerYear, unit: product.unit },
      });
    }
    const count = year.filter(same).length;
    if (count + 1 > product.maxApplications) {
      reasons.push({
        rule: 'R14-year-count',
        inputs: { used: count, max: product.maxApplications },
      });
    }
    const gap = nearestDays(this.uses.filter(same), date);
    if (gap !== null && gap < product.minIntervalDays) {
      reasons.push({ rule: 'R15-interval', inputs: { days: gap, min: product.minIntervalDays } });
    }
    for (const { active, lbPerAcre } of activesPerAcre(product, ratePerAcre)) {
      reasons.push(...this.activeRefusals(active, lbPerAcre, date, year));
    }
    return reasons;
  }

  private activeRefusals(
    active: string,
    wanted: number,
    date: LocalDate,
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
      date,
    );
    if (gap !== null && gap < cap.minIntervalDays) {
      refuse('R15-active-interval', { days: gap, min: cap.minIntervalDays });
    }
    return reasons;
  }
}
