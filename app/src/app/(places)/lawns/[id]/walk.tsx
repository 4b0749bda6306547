import '@/i18n/deepWords';
import { WalkScreen } from '@/features/walk/WalkScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WalkScreen lawnId={id} />;
}
