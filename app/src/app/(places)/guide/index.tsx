import '@/i18n/deepWords';
import { GuideScreen } from '@/features/guide/GuideScreen';

export default GuideScreen;
