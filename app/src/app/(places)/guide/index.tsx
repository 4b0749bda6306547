import { GuideScreen } from '@/features/guide/GuideScreen';

export default GuideScreen;
