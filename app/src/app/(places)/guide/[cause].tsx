import '@/i18n/deepWords';
import { CauseScreen } from '@/features/guide/CauseScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Cause() {
  const { cause } = useLocalSearchParams<{ cause: string }>();
  return <CauseScreen slug={cause} />;
}
