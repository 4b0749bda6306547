import '@/i18n/deepWords';
import { StepMixScreen } from '@/features/mix/StepMixScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id, step, without } = useLocalSearchParams<{
    id: string;
    step: string;
    without?: string;
  }>();
  return <StepMixScreen lawnId={id} stepId={step} without={without} />;
}
