import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const LabelScreen = deepScreen('LabelScreen');

export default function Route() {
  const { label, base } = useLocalSearchParams<{ label: string; base?: string }>();
  return <LabelScreen labelId={label} base={base ?? null} />;
}
