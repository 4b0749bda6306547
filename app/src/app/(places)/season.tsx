import { CompanySeasonScreen } from '@/features/season/CompanySeasonScreen';

export default CompanySeasonScreen;
