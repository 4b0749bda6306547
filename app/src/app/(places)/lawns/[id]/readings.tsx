import '@/i18n/deepWords';
import { ReadingsScreen } from '@/features/readings/ReadingsScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ReadingsScreen lawnId={id} />;
}
