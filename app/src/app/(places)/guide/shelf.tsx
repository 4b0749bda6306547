import '@/i18n/deepWords';
import { ShelfScreen } from '@/features/shelf/ShelfScreen';

export default ShelfScreen;
