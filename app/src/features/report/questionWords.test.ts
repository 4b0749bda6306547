import '@/i18n/deepWords';
import { reportWords, type QuestionSubject } from '@alfombra/core';
import { i18next } from '@/i18n';
import { TEST_ZONE, testLawn } from '@/testdata/testLawn';
import { questionWords } from './questionWords';

const zones = testLawn().zones;
const SUBJECTS: [QuestionSubject, string, string][] = [
  [{ kind: 'edge', zoneId: TEST_ZONE, edge: 3 }, 'side D–A of “Back”', 'lado D–A de «Back»'],
  [{ kind: 'irrigation', zoneId: TEST_ZONE }, 'sprinklers in “Back”', 'aspersores en «Back»'],
  [{ kind: 'dog' }, 'dog', 'perro'],
  [{ kind: 'mows' }, 'mows', 'corta'],
  [{ kind: 'other', text: 'Which gate?' }, 'Which gate?', 'Which gate?'],
];

it.each(SUBJECTS)('asks %o in both languages', (subject, english, spanish) => {
  expect(questionWords(i18next.getFixedT('en'), subject, zones)).toContain(english);
  expect(questionWords(i18next.getFixedT('es'), subject, zones)).toContain(spanish);
});

it('has the same words in both languages, with the same blanks', () => {
  const flat = (words: object, path = ''): [string, string][] =>
    Object.entries(words).flatMap(([key, value]) =>
      typeof value === 'string'
        ? [[`${path}${key}`, (value.match(/{{\w+}}/g) ?? []).sort().join()] as [string, string]]
        : flat(value as object, `${path}${key}.`),
    );
  expect(flat(reportWords.es)).toEqual(flat(reportWords.en));
});
