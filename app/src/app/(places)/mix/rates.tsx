import '@/i18n/deepWords';
import { AnyRateCardScreen } from '@/features/rates/RateCardScreen';

export default AnyRateCardScreen;
