import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const CauseScreen = deepScreen('CauseScreen');

export default function Cause() {
  const { cause } = useLocalSearchParams<{ cause: string }>();
  return <CauseScreen slug={cause} />;
}
