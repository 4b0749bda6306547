import '@/i18n/deepWords';
import { CalculatorScreen } from '@/features/calculators/CalculatorScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { calculator } = useLocalSearchParams<{ calculator: string }>();
  return <CalculatorScreen slug={calculator} />;
}
