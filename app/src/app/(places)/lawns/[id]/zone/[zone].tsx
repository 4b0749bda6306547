import '@/i18n/deepWords';
import { ZoneScreen } from '@/features/zone/ZoneScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id, zone } = useLocalSearchParams<{ id: string; zone: string }>();
  return <ZoneScreen lawnId={id} zoneId={zone} />;
}
