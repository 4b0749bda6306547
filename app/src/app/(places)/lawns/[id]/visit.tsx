import '@/i18n/deepWords';
import { VisitScreen } from '@/features/visit/VisitScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <VisitScreen lawnId={id} />;
}
