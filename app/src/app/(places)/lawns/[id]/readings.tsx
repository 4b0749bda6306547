import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const ReadingsScreen = deepScreen('ReadingsScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ReadingsScreen lawnId={id} />;
}
