import { activeCaps, herbicide, type Herbicide } from '../knowledge';
import { activesPerAcre, materialRatePerAcre, type Application } from '../rates';
import { daysBetween, localDate, yearOf, type LocalDate } from '../units';
import type { Reason } from './reason';

/** A product at its rate on a day, done or planned, on one zone. */
interface Use {
  product: Herbicide;
  ratePerAcre: number;
  date: LocalDate;
}

const EPSILON = 1e-9;

/** What one zone has had, and is planned to have, of each product and active. */
export class Usage {
  private readonly uses: Use[] = [];

  /** @param applications records of the zone; fertilizer and seed are passed over */
  static of(applications: readonly Application[]): Usage {
    const usage = new Usage();
    for (const application of applications) {
      for (const material of application.materials) {
        const product = material.kind === 'herbicide' ? herbicide(material.slug) : undefined;
        if (product) {
          usage.add(
            product,
            materialRatePerAcre(material, application.areaFt2),
            localDate(application.date),
          );
        }
      }
    }
    return usage;
  }

  add(product: Herbicide, ratePerAcre: number, date: LocalDate): void {
    this.uses.push({ product, ratePerAcre, date });
  }

  get isEmpty(): boolean {
    return this.uses.length === 0;
  }

  /** Uses in the calendar year of a day. */
  private inYear(date: LocalDate): readonly Use[] {
    return this.uses.filter((use) => yearOf(use.date) === yearOf(date));
  }

  /**
   * Limits that one more walk of a set of products would break: yearly amount, number and interval
   * of each product, and the same for each active over every product that holds it.
   */
  refusals(
    set: readonly { product: Herbicide; ratePerAcre: number }[],
    dates: readonly LocalDate[],
  ): Reason[] {
    const reasons: Reason[] = [];
    const first = dates[0];
    if (!first) return reasons;
    const before = this.inYear(first);
    for (const { product, ratePerAcre } of set) {
      const same = before.filter((use) => use.product.slug === product.slug);
      const used = same.reduce((sum, use) => sum + use.ratePerAcre, 0);
      if (used + dates.length * ratePerAcre > product.maxPerYear + EPSILON) {
        reasons.push({
          rule: 'R14-year-amount',
          inputs: { used, wanted: dates.length * ratePerAcre, max: product.maxPerYear, unit: product.unit },
        });
      }
      if (same.length + dates.length > product.maxApplications) {
        reasons.push({
          rule: 'R14-year-count',
          inputs: { used: same.length, max: product.maxApplications },
        });
      }
      const gap = closest(this.uses.filter((use) => use.product.slug === product.slug), dates);
      if (gap !== null && gap < product.minIntervalDays) {
        reasons.push({
          rule: 'R15-interval',
          inputs: { days: gap, min: product.minIntervalDays },
        });
      }
    }
    reasons.push(...this.activeRefusals(set, dates, before));
    return reasons;
  }

  private activeRefusals(
    set: readonly { product: Herbicide; ratePerAcre: number }[],
    dates: readonly LocalDate[],
    before: readonly Use[],
  ): Reason[] {
    const reasons: Reason[] = [];
    for (const cap of activeCaps) {
      const lbIn = ({ product, ratePerAcre }: { product: Herbicide; ratePerAcre: number }) =>
        activesPerAcre(product, ratePerAcre).find(({ active }) => active === cap.active)
          ?.lbPerAcre ?? 0;
      const wanted = set.reduce((sum, entry) => sum + lbIn(entry), 0);
      if (wanted === 0) continue;
      const holding = before.filter((use) => lbIn(use) > 0);
      const used = holding.reduce((sum, use) => sum + lbIn(use), 0);
      const inputs = { active: cap.active };
      if (wanted > cap.maxLbPerApplication * 1.001) {
        reasons.push({
          rule: 'R14-active-application',
          inputs: { ...inputs, wanted, max: cap.maxLbPerApplication },
        });
      }
      if (used + dates.length * wanted > cap.maxLbPerYear * 1.001) {
        reasons.push({
          rule: 'R14-active-year',
          inputs: { ...inputs, used, wanted: dates.length * wanted, max: cap.maxLbPerYear },
        });
      }
      const days = new Set(holding.map((use) => use.date)).size;
      if (cap.maxApplications !== null && days + dates.length > cap.maxApplications) {
        reasons.push({
          rule: 'R14-active-count',
          inputs: { ...inputs, used: days, max: cap.maxApplications },
        });
      }
      const gap = closest(this.uses.filter((use) => lbIn(use) > 0), dates);
      if (gap !== null && gap < cap.minIntervalDays) {
        reasons.push({
          rule: 'R15-active-interval',
          inputs: { ...inputs, days: gap, min: cap.minIntervalDays },
        });
      }
    }
    return reasons;
  }
}

/** Days between the nearest of earlier uses and any of the new dates, either way round. */
function closest(uses: readonly Use[], dates: readonly LocalDate[]): number | null {
  let gap: number | null = null;
  for (const use of uses) {
    for (const date of dates) {
      const days = Math.abs(daysBetween(use.date, date));
      if (gap === null || days < gap) gap = days;
    }
  }
  return gap;
}
