import '@/i18n/deepWords';
import { MixScreen } from '@/features/mix/MixScreen';

export default MixScreen;
