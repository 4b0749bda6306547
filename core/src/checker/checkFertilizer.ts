import type { GrassSlug } from '../knowledge';
import type { ShelfFertilizer, ShelfTreatment } from '../products';
import { localDate } from '../units';
import {
  perAcreOf,
  ROUNDING,
  shelfIn,
  type CheckContext,
  type Judged,
  type Use,
} from './checkContext';
import { countingGrasses } from './checkHerbicide';
import { checkPermit } from './checkSite';
import { checkUses } from './checkUses';
import { findingsBy, type CheckFinding, type Say } from './finding';

/** Judges whether a label of one's own names the grass; the library names none for these. */
export function checkTurfNamed(
  { own }: Pick<ShelfFertilizer | ShelfTreatment, 'own'>,
  context: CheckContext,
  say: Say,
): void {
  const turf: readonly GrassSlug[] = own?.turf ?? [];
  if (turf.length === 0) return;
  for (const species of countingGrasses(context)) {
    if (!turf.includes(species)) say('turf-off-label', 'exceeds', { species });
  }
}

const usesOf = (application: Judged, context: CheckContext): Use<ShelfFertilizer>[] =>
  application.materials.flatMap(({ kind, slug, amount }) => {
    const product = kind === 'fertilizer' ? shelfIn(context).fertilizer(slug) : undefined;
    if (!product) return [];
    return [
      {
        product,
        rate: perAcreOf(amount, application.areaFt2),
        date: localDate(application.date),
        share: application.areaFt2 / context.zoneFt2,
        targets: null,
      },
    ];
  });

/** Judges fertilizers by what their own labels limit, and a feed with a weed killer by whether there is a weed. */
export function checkFertilizers(application: Judged, context: CheckContext): CheckFinding[] {
  const others = context.others.flatMap((other) => usesOf(other, context));
  const fed = usesOf(application, context).flatMap((use) => {
    const { product, rate } = use;
    return findingsBy(product.slug, (say) => {
      const { maxPerApplication: max } = product;
      if (max !== null && rate > max * ROUNDING) {
        say('rate-over-label', 'exceeds', { rate, max, unit: 'lb' });
      }
      const same = others.filter((other) => other.product.slug === product.slug);
      checkUses(use, same, { ...product, unit: 'lb' }, say);
      checkTurfNamed(product, context, say);
      checkPermit({ ...product, restrictedUse: false }, context, say);
    });
  });
  const shelf = shelfIn(context);
  const targets = application.targets ?? [];
  const needless = application.materials.flatMap(({ kind, slug }) => {
    const killer = kind === 'herbicide' ? shelf.herbicide(slug) : undefined;
    return killer?.postEmergent && killer.nutrients && targets.length === 0
      ? findingsBy(slug, (say) => say('feed-without-weed', 'caution'))
      : [];
  });
  return [...fed, ...needless];
}
