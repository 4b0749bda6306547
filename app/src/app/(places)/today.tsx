import '@/i18n/deepWords';
import { TodayScreen } from '@/features/today/TodayScreen';

export default TodayScreen;
