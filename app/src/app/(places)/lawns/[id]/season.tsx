import '@/i18n/deepWords';
import { LawnSeasonScreen } from '@/features/season/LawnSeasonScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LawnSeasonScreen lawnId={id} />;
}
