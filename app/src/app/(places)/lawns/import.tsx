import '@/i18n/deepWords';
import { ImportScreen } from '@/features/property/ImportScreen';

export default ImportScreen;
