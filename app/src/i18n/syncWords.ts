import { i18next } from '.';
import syncSheet from './en/syncSheet.json';

/** Words of the sheets about what waits: they come when one is opened, on whatever page. */
export const syncWords = { syncSheet };

i18next.addResourceBundle('en', 'translation', syncWords, true);
