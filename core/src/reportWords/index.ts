import en from './en.json';
import es from './es.json';

/** Words of the visit report, which the app shows as a page and the server prints as PDF. */
export const reportWords = { en, es };
