import { i18next } from '@/i18n';
import en from '@/i18n/en/key.json';

// Only the key's screens need its words; the catalog test reads the file itself.
i18next.addResourceBundle('en', 'translation', { key: en }, true);
