import type { Step, WorkStep } from '@alfombra/core';
import { render, screen } from '@testing-library/react';
import { i18next } from '@/i18n';
import '@/i18n/deepWords';
import { JobLine } from './JobLine';
import { SeasonStrip } from './SeasonStrip';
import { productLines } from './productWords';
import { checkWords, reasonWords } from './reasonWords';
import { seasonView } from '@/workers/seasonView';
import { stepName } from './stepName';
import { QUESTION_ZONE, testQuestion } from '@/testdata/testQuestion';

const view = seasonView(testQuestion());
const t = i18next.t.bind(i18next);

it('leaves a worker whole: plain data, one soil a zone', () => {
  expect(structuredClone(view)).toEqual(view);
  expect(Object.keys(view.soil)).toEqual([QUESTION_ZONE]);
});

it('words every step and every reason, with no key or placeholder left over', () => {
  const words = view.season.steps.flatMap((step: Step) => [
    stepName(t, step),
    ...step.because.map((reason) => reasonWords(t, reason)),
    ...('excluded' in step
      ? step.excluded.flatMap(({ reasons }) => reasons.map((reason) => reasonWords(t, reason)))
      : []),
    ...productLines(t, step).map(({ name, unit }) => `${name} ${unit}`),
  ]);
  expect(words.length).toBeGreaterThan(20);
  for (const line of words) {
    expect(line).not.toMatch(/\{\{|rule\.|herbicide\.|unit\.|group\.|undefined|NaN/);
  }
});

it('tells the year of a job that is not of this one', () => {
  const step = view.season.steps.find(({ kind }) => kind === 'feed') as WorkStep;
  const line = (best: string) => (
    <JobLine
      step={{ ...step, window: { ...step.window, best: best as never }, state: 'upcoming' }}
      today={'2026-04-08' as never}
      lawnId="l"
      zoneName="Front"
      main={false}
      open={false}
      onPress={() => undefined}
    />
  );
  const { rerender } = render(line('2026-10-08'));
  expect(screen.getByText('Oct 8')).toBeTruthy();
  rerender(line('2027-04-08'));
  expect(screen.getByText('Apr 8, 2027')).toBeTruthy();
});

it('words a finding of the checker with its numbers', () => {
  expect(
    checkWords(t, { rule: 'rate-over-label', inputs: { rate: 72.6, max: 64, unit: 'fl-oz' } }),
  ).toBe('Rate 72.6 fl oz an acre; the label allows 64');
});

it('tells the strip to those who do not see it', () => {
  const soil = view.soil[QUESTION_ZONE]!;
  render(<SeasonStrip soil={soil} threads={view.threads} />);
  expect(
    screen.getByRole('img', { name: /Soil temperature over the year: .+ °F on Apr 8/ }),
  ).toBeTruthy();
});

it('says the hours of a label, and else when it is dry', () => {
  const words = (inputs: Record<string, number>) => checkWords(t, { rule: 'reentry', inputs });
  expect(words({ hours: 24 })).toMatch(/off it for 24 h by your label/);
  expect(words({})).toMatch(/off it until dry/);
  // A rule without such words keeps its own.
  expect(checkWords(t, { rule: 'rain', inputs: { hours: 3 } })).toMatch(/^Rain too soon/);
});
