import { MixScreen } from '@/features/mix/MixScreen';

export default MixScreen;
