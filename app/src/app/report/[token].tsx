import '@/i18n/deepWords';
import { SharedReportScreen } from '@/features/report/SharedReportScreen';
import { RouteBoundary } from '@/features/session/RouteBoundary';
import { useLocalSearchParams } from 'expo-router';

export default function Route() {
  const { token } = useLocalSearchParams<{ token: string }>();
  return (
    <RouteBoundary>
      <SharedReportScreen token={token} />
    </RouteBoundary>
  );
}
