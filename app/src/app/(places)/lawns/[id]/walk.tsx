import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const WalkScreen = deepScreen('WalkScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WalkScreen lawnId={id} />;
}
