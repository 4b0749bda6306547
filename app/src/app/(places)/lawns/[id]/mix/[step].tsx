import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const StepMixScreen = deepScreen('StepMixScreen');

export default function Route() {
  const { id, step } = useLocalSearchParams<{ id: string; step: string }>();
  return <StepMixScreen lawnId={id} stepId={step} />;
}
