import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import { reportWords } from '@alfombra/core';
import arrive from './en/arrive.json';
import causes from './en/causes.json';
import checks from './en/checks.json';
import grasses from './en/grasses.json';
import herbicides from './en/herbicides.json';
import rules from './en/rules.json';
import signs from './en/signs.json';
import ui from './en/ui.json';
import weeds from './en/weeds.json';
import esUi from './es/ui.json';

/** Words of everything a user sees. English is whole; Spanish falls back to it where it is not. */
export const catalogs = {
  en: {
    translation: {
      ...ui,
      ...arrive,
      report: reportWords.en,
      cause: causes,
      check: checks,
      grass: grasses,
      herbicide: herbicides,
      rule: rules,
      sign: signs,
      weed: weeds,
    },
  },
  es: { translation: { ...esUi, report: reportWords.es } },
};

void i18next.use(initReactI18next).init({
  resources: catalogs,
  lng: typeof navigator !== 'undefined' && navigator.language?.startsWith('es') ? 'es' : 'en',
  fallbackLng: 'en',
  interpolation: { escapeValue: false },
  returnNull: false,
  showSupportNotice: false,
});

export { i18next };
