import { useTranslation } from 'react-i18next';
import { Screen, useWide, Words } from '@/ui';
import { LawnList } from './LawnList';

/** The list on a phone; beside the list, an empty place to open a lawn in. */
export function LawnsIndex() {
  const { t } = useTranslation();
  const wide = useWide();
  if (!wide) return <LawnList chosenId={null} />;
  return (
    <Screen title={t('lawns.pick')}>
      <Words tone="second">{t('lawns.pickLead')}</Words>
    </Screen>
  );
}
