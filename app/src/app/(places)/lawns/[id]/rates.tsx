import '@/i18n/deepWords';
import { RateCardScreen } from '@/features/rates/RateCardScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id, zone } = useLocalSearchParams<{ id: string; zone?: string }>();
  return <RateCardScreen lawnId={id} zoneId={zone ?? null} />;
}
