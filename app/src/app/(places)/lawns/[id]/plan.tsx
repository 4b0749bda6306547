import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const PlanScreen = deepScreen('PlanScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PlanScreen lawnId={id} />;
}
