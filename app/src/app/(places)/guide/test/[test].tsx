import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const TestScreen = deepScreen('TestScreen');

export default function Route() {
  const { test } = useLocalSearchParams<{ test: string }>();
  return <TestScreen slug={test} />;
}
