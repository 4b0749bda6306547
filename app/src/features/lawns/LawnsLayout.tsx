import { Slot, useGlobalSearchParams, usePathname } from 'expo-router';
import { View } from 'react-native';
import { useWide } from '@/ui';
import { LawnList } from './LawnList';

/** Wide: the list stays at the left and the lawn opens beside it. A walk takes the whole room. */
export function LawnsLayout() {
  const wide = useWide();
  const path = usePathname();
  const { id } = useGlobalSearchParams<{ id?: string }>();
  if (!wide || /\/(walk|plan)$/.test(path)) return <Slot />;
  return (
    <View className="flex-1 flex-row">
      <View className="w-[380px] border-r-2 border-line">
        <LawnList chosenId={id ?? null} />
      </View>
      <View className="min-w-0 flex-1">
        <Slot />
      </View>
    </View>
  );
}
