import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { fieldTestCard, fieldTestCards, fieldTestResult } from '@alfombra/core/walking';
import '@/i18n/deepWords';
import { deepWords } from '@/i18n/deepWords';
import { Countdown } from './Countdown';
import { FieldTestForm } from './FieldTestForm';
import { FieldTestSteps } from './FieldTestSteps';
import { draftOf, readFieldTest } from './readFieldTest';
import { testDrawings } from './testDrawings';

const words = deepWords.fieldTest as Record<
  string,
  {
    name: string;
    steps: string[];
    field?: Record<string, string>;
    verdict?: Record<string, string>;
  }
>;

it('has words and a drawing for every test, its fields and its own drawing', () => {
  for (const { slug, fields } of fieldTestCards) {
    expect([slug, words[slug]?.steps.length ?? 0]).not.toEqual([slug, 0]);
    expect([slug, fields.filter((field) => !words[slug]?.field?.[field.slug])]).toEqual([slug, []]);
    expect([slug, testDrawings[slug]?.length ?? 0]).not.toEqual([slug, 0]);
  }
  const drawn = Object.values(testDrawings).map((paths) => paths.join());
  expect(new Set(drawn).size).toBe(fieldTestCards.length);
});

it('has words for each verdict that readings can lead to', () => {
  for (const card of fieldTestCards.filter(({ fields }) => fields.length > 0)) {
    for (const step of [0, 0.15, 0.3, 0.6, 1]) {
      for (const yes of [true, false]) {
        const values = Object.fromEntries(
          card.fields.map(({ slug, kind, min, max, samples }) => {
            const value = Math.round(min + step * (max - min));
            return [
              slug,
              kind === 'yes-no'
                ? yes
                : kind === 'series'
                  ? Array<number>(samples).fill(value)
                  : value,
            ];
          }),
        );
        const verdict = fieldTestResult({ test: card.slug, values }, 'tall-fescue')?.verdict;
        if (verdict)
          expect([card.slug, verdict, words[card.slug]?.verdict?.[verdict]]).not.toContain(
            undefined,
          );
      }
    }
  }
});

it('shows steps, what to take and what misleads', () => {
  render(<FieldTestSteps card={fieldTestCard('tug')!} />);
  expect(screen.getByText(/ten small handfuls/)).toBeTruthy();
  expect(screen.getByText(/always lift/)).toBeTruthy();
});

it('works a result out as it is typed and hands it on', async () => {
  const used: unknown[] = [];
  render(
    <FieldTestForm
      draftKey="t"
      card={fieldTestCard('tug')!}
      main="tall-fescue"
      onUse={(input, result) => used.push(input, result.signs)}
    />,
  );
  fireEvent.click(screen.getByTestId('use-field-test'));
  expect((await screen.findByRole('alert')).textContent).toBe('Still missing');
  for (let tap = 0; tap < 6; tap += 1)
    fireEvent.click(screen.getByRole('button', { name: 'One more' }));
  expect(screen.getByTestId('field-test-result').textContent).toContain('It lifts');
  fireEvent.click(screen.getByTestId('use-field-test'));
  await waitFor(() => expect(used).toHaveLength(2));
  expect(used).toEqual([{ test: 'tug', values: { lifts: 6 } }, { 't-tug': false }]);
});

it('says at the field what is out of range and counts the samples', () => {
  render(<FieldTestForm card={fieldTestCard('probe')!} draftKey="t" main="tall-fescue" />);
  fireEvent.change(screen.getByTestId('reading-depths'), { target: { value: '2 3 99' } });
  expect(screen.getByRole('alert').textContent).toBe('From 0 to 24');
  fireEvent.change(screen.getByTestId('reading-depths'), { target: { value: '2 3 2' } });
  expect(screen.getByText(/3 of 10 samples/)).toBeTruthy();
  expect(screen.queryByTestId('use-field-test')).toBeNull();
});

it('brings readings back as they were typed', () => {
  const card = fieldTestCard('ph-spots')!;
  const input = { test: 'ph-spots', values: { best: 6.5, poor: [6.6, 7.8] } };
  const draft = draftOf(card, input);
  expect(draft).toEqual({ best: '6.5', poor: '6.6 7.8' });
  expect(readFieldTest(card, draft).input).toEqual(input);
  expect(draftOf(fieldTestCard('rewet')!, undefined)).toMatchObject({ side: '3' });
});

it('counts down by the clock and says when time is up', () => {
  jest.useFakeTimers();
  render(<Countdown seconds={60} />);
  fireEvent.click(screen.getByRole('button', { name: 'Start 1:00' }));
  act(() => void jest.advanceTimersByTime(30_000));
  expect(screen.getByRole('button', { name: '0:30 · Stop' })).toBeTruthy();
  act(() => void jest.advanceTimersByTime(31_000));
  expect(screen.getByRole('status').textContent).toBe('Time is up');
  jest.useRealTimers();
});
