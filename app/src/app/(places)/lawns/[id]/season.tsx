import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const LawnSeasonScreen = deepScreen('LawnSeasonScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LawnSeasonScreen lawnId={id} />;
}
