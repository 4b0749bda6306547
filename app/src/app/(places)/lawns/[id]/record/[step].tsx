import '@/i18n/deepWords';
import { RecordScreen } from '@/features/record/RecordScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id, step, without } = useLocalSearchParams<{
    id: string;
    step: string;
    without?: string;
  }>();
  return <RecordScreen lawnId={id} stepId={step} without={without} />;
}
