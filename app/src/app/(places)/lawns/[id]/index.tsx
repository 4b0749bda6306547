import '@/i18n/deepWords';
import { LawnScreen } from '@/features/lawns/LawnScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LawnScreen lawnId={id} />;
}
