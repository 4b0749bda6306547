import { deepScreen } from '@/features/deepScreen';

export default deepScreen('ShelfScreen');
