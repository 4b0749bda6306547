import '@/i18n/deepWords';
import { TestScreen } from '@/features/guide/TestScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { test } = useLocalSearchParams<{ test: string }>();
  return <TestScreen slug={test} />;
}
