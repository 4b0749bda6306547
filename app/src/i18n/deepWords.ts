import { i18next } from '.';
import calculators from './en/calculators.json';
import checks from './en/checks.json';
import deepUi from './en/deepUi.json';
import fieldTests from './en/fieldTests.json';
import key from './en/key.json';
import rules from './en/rules.json';
import shelf from './en/shelf.json';
import signs from './en/signs.json';
import year from './en/year.json';

/** Words that only the screens behind the first ones show; they come with those screens' chunk. */
export const deepWords = {
  ...calculators,
  ...deepUi,
  ...fieldTests,
  ...shelf,
  ...year,
  check: checks,
  key,
  rule: rules,
  sign: signs,
};

i18next.addResourceBundle('en', 'translation', deepWords, true);
