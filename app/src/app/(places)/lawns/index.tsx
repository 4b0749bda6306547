import { LawnsIndex } from '@/features/lawns/LawnsIndex';

export default LawnsIndex;
