import '@/i18n/deepWords';
import { FreeMixScreen } from '@/features/mix/FreeMixScreen';

export default FreeMixScreen;
