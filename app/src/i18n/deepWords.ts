import { reportWords } from '@alfombra/core';
import { i18next } from '.';
import calculators from './en/calculators.json';
import causes from './en/causes.json';
import checks from './en/checks.json';
import deepUi from './en/deepUi.json';
import fieldTests from './en/fieldTests.json';
import herbicides from './en/herbicides.json';
import key from './en/key.json';
import rules from './en/rules.json';
import shelf from './en/shelf.json';
import signs from './en/signs.json';
import treatments from './en/treatments.json';
import weeds from './en/weeds.json';
import year from './en/year.json';

/** Words that only the screens behind the first ones show; they come with those screens' chunks. */
export const deepWords = {
  ...calculators,
  ...deepUi,
  ...fieldTests,
  ...shelf,
  ...year,
  cause: causes,
  check: checks,
  herbicide: herbicides,
  key,
  report: reportWords.en,
  rule: rules,
  sign: signs,
  treatment: treatments,
  weed: weeds,
};

i18next.addResourceBundle('en', 'translation', deepWords, true);
i18next.addResourceBundle('es', 'translation', { report: reportWords.es }, true);
