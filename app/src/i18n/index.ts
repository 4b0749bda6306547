import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import grasses from './en/grasses.json';
import ui from './en/ui.json';
import esUi from './es/ui.json';
import { chosenLanguage, keepLanguage, localeFor, type Language } from './language';

/**
 * Words of the first screens; `deepWords` adds those of the rest. English is whole, Spanish falls back
 * to it where it is not.
 */
export const catalogs = {
  en: {
    translation: {
      ...ui,
      grass: grasses,
    },
  },
  es: { translation: esUi },
};

const tellPage = (language: string) => {
  if (typeof document !== 'undefined') document.documentElement.lang = language;
};
i18next.on('languageChanged', tellPage);
void i18next.use(initReactI18next).init({
  resources: catalogs,
  lng: chosenLanguage(),
  fallbackLng: 'en',
  interpolation: { escapeValue: false },
  returnNull: false,
});

/** The locale that numbers and days are written and read in now. */
export const locale = (): string =>
  localeFor(i18next.language, typeof navigator === 'undefined' ? [] : navigator.languages);

/** Changes the words at once and keeps the choice on this device. */
export function chooseLanguage(language: Language): void {
  keepLanguage(language);
  void i18next.changeLanguage(language);
}

export { i18next };
export { LANGUAGES, type Language } from './language';
