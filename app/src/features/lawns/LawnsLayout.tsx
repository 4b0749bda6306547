import { Slot, useGlobalSearchParams, useSegments } from 'expo-router';
import { View } from 'react-native';
import { useWide } from '@/ui';
import { whereIs } from '@/features/session/places';
import { LawnList } from './LawnList';

/** Wide: the list stays at the left and the lawn opens beside it. A walk takes the whole room. */
export function LawnsLayout() {
  const wide = useWide();
  const { takesWindow } = whereIs(useSegments());
  const { id } = useGlobalSearchParams<{ id?: string }>();
  if (!wide || takesWindow) return <Slot />;
  return (
    <View className="flex-1 flex-row">
      <View className="w-[380px] border-r-2 border-line">
        <LawnList chosenId={id ?? null} side />
      </View>
      <View className="min-w-0 flex-1">
        <Slot />
      </View>
    </View>
  );
}
