import '@/i18n/deepWords';
import { PracticeScreen } from '@/features/practice/PracticeScreen';

export default PracticeScreen;
