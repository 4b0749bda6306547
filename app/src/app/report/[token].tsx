import '@/i18n/deepWords';
import { SharedReportScreen } from '@/features/report/SharedReportScreen';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { token } = useLocalSearchParams<{ token: string }>();
  return <SharedReportScreen token={token} />;
}
