import '@/i18n/deepWords';
import { KeyScreen } from '@/features/key/KeyScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id, zone } = useLocalSearchParams<{ id: string; zone?: string }>();
  return <KeyScreen lawnId={id} zoneId={zone ?? null} />;
}
