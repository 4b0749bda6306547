import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const PairScreen = deepScreen('PairScreen');

export default function Route() {
  const { pair } = useLocalSearchParams<{ pair: string }>();
  return <PairScreen slug={pair} />;
}
