import '@/i18n/deepWords';
import { RecordScreen } from '@/features/record/RecordScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id, step } = useLocalSearchParams<{ id: string; step: string }>();
  return <RecordScreen lawnId={id} stepId={step} />;
}
