import { useTranslation } from 'react-i18next';
import { Card, Words } from '@/ui';

/** What is put down, as far as care depends on it. */
export type Handling = 'spray' | 'granules' | 'seed';

const GENERAL: Readonly<Record<Handling, readonly string[]>> = {
  spray: ['drift', 'hose', 'rinse', 'notice', 'disposal', 'heat', 'shoes', 'dig'],
  granules: ['sweep', 'notice', 'disposal', 'heat', 'shoes', 'dig'],
  seed: ['sweep', 'dig', 'heat'],
};

/**
 * The usual care, the same on every card: the label first, then what this product asks, people and pets, then
 * what holds for all work of its kind.
 */
export function CautionBlock({
  handling,
  product = [],
  reentryHours = null,
  wateredIn = false,
}: {
  handling: Handling;
  /** What this product or job asks for itself. */
  product?: readonly (string | null)[];
  /** Hours until people and pets may go back, as a label says. */
  reentryHours?: number | null;
  wateredIn?: boolean;
}) {
  const { t } = useTranslation();
  const people =
    handling === 'seed'
      ? t('careBlock.peopleSeed')
      : reentryHours !== null
        ? t('mix.reentry', { count: reentryHours })
        : t(wateredIn ? 'careBlock.peopleWatered' : 'mix.people');
  return (
    <Card tone="caution" testID="care">
      <Words weight="bold">{t('mix.cautions')}</Words>
      {[t('mix.label'), ...product, people]
        .filter((line): line is string => line !== null && line !== '')
        .map((line) => (
          <Words key={line}>{line}</Words>
        ))}
      {GENERAL[handling].map((rule) => (
        <Words key={rule} size="note">
          {t(`careBlock.${rule}`)}
        </Words>
      ))}
    </Card>
  );
}
