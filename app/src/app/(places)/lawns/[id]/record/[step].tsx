import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const RecordScreen = deepScreen('RecordScreen');

export default function Route() {
  const { id, step } = useLocalSearchParams<{ id: string; step: string }>();
  return <RecordScreen lawnId={id} stepId={step} />;
}
