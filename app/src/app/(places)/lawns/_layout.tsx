import { LawnsLayout } from '@/features/lawns/LawnsLayout';

export default LawnsLayout;
