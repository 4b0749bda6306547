import { deepScreen } from '@/features/deepScreen';
import { useLocalSearchParams } from 'expo-router';

const ReportScreen = deepScreen('ReportScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ReportScreen lawnId={id} />;
}
