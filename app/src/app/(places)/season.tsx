import '@/i18n/deepWords';
import { CompanySeasonScreen } from '@/features/season/CompanySeasonScreen';

export default CompanySeasonScreen;
