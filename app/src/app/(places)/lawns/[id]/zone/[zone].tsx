import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const ZoneScreen = deepScreen('ZoneScreen');

export default function Route() {
  const { id, zone } = useLocalSearchParams<{ id: string; zone: string }>();
  return <ZoneScreen lawnId={id} zoneId={zone} />;
}
