import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const CalculatorScreen = deepScreen('CalculatorScreen');

export default function Route() {
  const { calculator } = useLocalSearchParams<{ calculator: string }>();
  return <CalculatorScreen slug={calculator} />;
}
