import '@/i18n/deepWords';
import { LabelScreen } from '@/features/shelf/LabelScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { label, base } = useLocalSearchParams<{ label: string; base?: string }>();
  return <LabelScreen labelId={label} base={base ?? null} />;
}
