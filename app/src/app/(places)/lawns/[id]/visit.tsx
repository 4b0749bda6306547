import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const VisitScreen = deepScreen('VisitScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <VisitScreen lawnId={id} />;
}
