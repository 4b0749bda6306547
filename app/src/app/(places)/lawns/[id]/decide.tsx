import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const DecideScreen = deepScreen('DecideScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DecideScreen lawnId={id} />;
}
