import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { LinkButton } from '@/ui';

const DOORS = ['plan', 'readings', 'photos', 'report'] as const;

/** What is kept of a lawn, without a visit to it: its plan, its soil, its pictures, its papers. */
export function LawnDoors({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  return (
    <View className="flex-row flex-wrap gap-2" role="group" aria-label={t('lawnDoors.label')}>
      {DOORS.map((door) => (
        <View key={door} className="min-w-[45%] grow lg:min-w-0 lg:flex-1">
          <LinkButton
            kind="plain"
            label={t(`lawnDoors.${door}`)}
            href={`/lawns/${lawnId}/${door}`}
          />
        </View>
      ))}
    </View>
  );
}
