import '@/i18n/deepWords';
import { DecideScreen } from '@/features/walk/DecideScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DecideScreen lawnId={id} />;
}
