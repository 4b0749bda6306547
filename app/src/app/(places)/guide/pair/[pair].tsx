import '@/i18n/deepWords';
import { PairScreen } from '@/features/guide/PairScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { pair } = useLocalSearchParams<{ pair: string }>();
  return <PairScreen slug={pair} />;
}
