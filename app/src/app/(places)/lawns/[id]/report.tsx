import '@/i18n/deepWords';
import { ReportScreen } from '@/features/report/ReportScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ReportScreen lawnId={id} />;
}
