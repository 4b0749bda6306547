import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const KeyScreen = deepScreen('KeyScreen');

export default function Route() {
  const { id, zone } = useLocalSearchParams<{ id: string; zone?: string }>();
  return <KeyScreen lawnId={id} zoneId={zone ?? null} />;
}
