import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import { reportWords } from '@alfombra/core';
import causes from './en/causes.json';
import grasses from './en/grasses.json';
import herbicides from './en/herbicides.json';
import treatments from './en/treatments.json';
import ui from './en/ui.json';
import weeds from './en/weeds.json';
import esUi from './es/ui.json';

/**
 * Words of the first screens; `deepWords` adds those of the rest. English is whole, Spanish falls back
 * to it where it is not.
 */
export const catalogs = {
  en: {
    translation: {
      ...ui,
      report: reportWords.en,
      cause: causes,
      grass: grasses,
      herbicide: herbicides,
      treatment: treatments,
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
