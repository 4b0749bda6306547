/** Languages that somebody can choose. */
export const LANGUAGES = ['en', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];

const KEPT_AS = 'alfombra-language';

/** The language chosen on this device; English until somebody chooses, for the Spanish catalog is not whole. */
export function chosenLanguage(): Language {
  const kept = typeof localStorage === 'undefined' ? null : localStorage.getItem(KEPT_AS);
  return LANGUAGES.find((language) => language === kept) ?? 'en';
}

/** Keeps a choice on this device. */
export function keepLanguage(language: Language): void {
  localStorage.setItem(KEPT_AS, language);
}

/**
 * The locale that numbers and days are written in: the language of the words with a region, which
 * decides what a comma means. A device's own locale of that language comes first (`es-US`, `en-GB`);
 * without one, the region of the device's first locale (`es-ES` with English words is `en-ES`); without
 * any region, the United States, where the units of this app are used.
 * @param language language of the words
 * @param devices locales of the device in order of preference, BCP 47
 */
export function localeFor(language: string, devices: readonly string[]): string {
  const known = devices.flatMap((tag) => {
    try {
      return [new Intl.Locale(tag)];
    } catch {
      return [];
    }
  });
  const own = known.find((locale) => locale.language === language && locale.region);
  if (own) return own.baseName;
  const region = known.find((locale) => locale.region)?.region ?? 'US';
  return `${language}-${region}`;
}
