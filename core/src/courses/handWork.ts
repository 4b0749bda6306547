import { walkRules } from '../knowledge/programmes';
import { addDays, type LocalDate } from '../units';
import type { HandWork } from './step';

/** Last day of work by hand: until then it waits for a trip that is made anyway. */
export const handWorkCloses = ({ opens }: Pick<HandWork, 'opens'>): LocalDate =>
  addDays(opens, walkRules.handDays);
