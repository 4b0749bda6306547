import { cornerLetter } from '../../lawn';
import en from './en.json';
import es from './es.json';

/** Words of the visit report, which the app shows as a page and the server prints as PDF. */
export const reportWords = { en, es };

/** Name of the edge that leaves a corner, as the plan letters the corners: `A–B`. */
export function sideName(edge: number, corners: number): string {
  return `${cornerLetter(edge)}–${cornerLetter((edge + 1) % corners)}`;
}
