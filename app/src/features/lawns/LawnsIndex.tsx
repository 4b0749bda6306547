import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Empty, Selvedge, useWide } from '@/ui';
import { LawnList } from './LawnList';

/** The list on a phone; beside the list, an empty place to open a lawn in. */
export function LawnsIndex() {
  const { t } = useTranslation();
  const wide = useWide();
  if (!wide) return <LawnList chosenId={null} />;
  return (
    <View className="flex-1 bg-ground">
      <Selvedge />
      <View className="flex-1 justify-center">
        <Empty title={t('lawns.pick')} lead={t('lawns.pickLead')} />
      </View>
    </View>
  );
}
