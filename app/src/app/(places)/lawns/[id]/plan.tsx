import '@/i18n/deepWords';
import { PlanScreen } from '@/features/plan/PlanScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PlanScreen lawnId={id} />;
}
