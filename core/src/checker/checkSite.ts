import { setbacks } from '../knowledge';
import type { ShelfHerbicide, ShelfTreatment } from '../products';
import { shelfIn, type CheckContext, type Judged } from './checkContext';
import { findingsBy, type CheckFinding, type Say } from './finding';

/** Judges whether a product may be used on a home lawn at all, and by whom. */
export function checkPermit(
  product: Pick<ShelfHerbicide | ShelfTreatment, 'slug' | 'residential' | 'restrictedUse'>,
  { confirmedLabels = [], certified }: CheckContext,
  say: Say,
): void {
  if (product.residential === 'no') say('not-for-home-lawns', 'exceeds');
  if (product.residential === 'check-label' && !confirmedLabels.includes(product.slug)) {
    say('label-unconfirmed', 'caution');
  }
  if (product.restrictedUse && certified !== true) say('licence-needed', 'exceeds');
}

/** Judges where it goes down: wells, open water, and who uses the lawn afterwards. */
export function checkSite(application: Judged, context: CheckContext): CheckFinding[] {
  const shelf = shelfIn(context);
  const { wellFt, waterFt } = context;
  return application.materials.flatMap(({ kind, slug }) => {
    const herbicide = kind === 'herbicide' ? shelf.herbicide(slug) : undefined;
    const treatment = kind === 'treatment' ? shelf.treatment(slug) : undefined;
    const product = herbicide ?? treatment;
    if (!product) return [];
    return findingsBy(slug, (say) => {
      const keep = (
        rule: 'well' | 'open-water',
        feet: number | null | undefined,
        most: number | undefined,
        word: number,
      ) => {
        if (feet === undefined) return;
        if (most !== undefined && feet !== null && feet < most) {
          say(rule, 'exceeds', { feet, min: most });
        } else if (feet === null ? most !== undefined : feet < word) {
          say(rule, 'caution', { min: most ?? word });
        }
      };
      keep('well', wellFt, setbacks.well[slug], setbacks.wellWord);
      keep(
        'open-water',
        waterFt,
        treatment ? setbacks.water[treatment.group] : undefined,
        setbacks.waterWord,
      );
      if (context.children === true || context.pets === true) {
        const hours = product.own?.reentryHours ?? null;
        say('reentry', 'caution', hours === null ? {} : { hours });
      }
    });
  });
}
