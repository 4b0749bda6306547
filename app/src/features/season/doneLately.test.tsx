import '@/i18n/deepWords';
import type { ApplicationRecord } from '@alfombra/core';
import { fireEvent, render, screen } from '@testing-library/react';
import { QUESTION_ZONE, testQuestion } from '@/testdata/testQuestion';
import { seasonView } from '@/workers/seasonView';
import { DoneLately } from './DoneLately';

const mockPut = jest.fn();
jest.mock('@/api/putRecord', () => ({
  usePutRecords: () => ({ mutate: mockPut, error: null, isPending: false }),
}));

const question = testQuestion({ weeds: [{ weed: 'dandelion', cover: 0.06, growing: true }] });
const { today } = question.company;
const step = seasonView(question).season.steps.find(({ kind }) => kind === 'control')!;
const record = {
  id: '0190a000-0000-7000-8000-0000000000f1',
  version: 3,
  findings: [],
  lawnId: question.lawn.id,
  zoneId: QUESTION_ZONE,
  stepId: step.id,
  date: today,
  start: '09:00',
  end: '09:20',
  areaFt2: step.areaFt2,
  materials: [{ kind: 'herbicide', slug: '24d-amine', amount: 1, unit: 'fl-oz' }],
  targets: ['dandelion'],
} as unknown as ApplicationRecord;
const card = (
  fields: Partial<ApplicationRecord> = {},
  rainIn = 0,
  more: readonly ApplicationRecord[] = [],
) =>
  render(
    <DoneLately
      lawn={question.lawn}
      company={question.company}
      weather={{ days: [{ date: today, tmaxF: 60, tminF: 40, rainIn }] }}
      records={[{ ...record, ...fields }, ...more]}
    />,
  );
const puts = () => (mockPut.mock.calls.at(-1) as [{ id: string; body: object }[]])[0];
const put = () => puts()[0]!;

it('takes the word that rain washed a spray off, and the plan has it again', () => {
  card({}, 0.4);
  expect(screen.getByText('0.4 in of rain at the station, that day and the next')).toBeTruthy();
  fireEvent.click(screen.getByText('Rain washed it off'));
  const { id, body } = put();
  expect(id).toBe(record.id);
  expect(body).toMatchObject({ effect: 0.1, stepId: step.id });
  expect(Object.keys(body)).not.toEqual(expect.arrayContaining(['version']));
  const planned = (effect?: number) =>
    seasonView({
      ...question,
      records: [{ ...record, ...(effect === undefined ? {} : { effect }) } as never],
    }).season.steps.some(({ serves }) =>
      serves.some((work) => work.startsWith(step.id.split('/')[0]!) && work.includes('/walk/')),
    );
  expect([planned(), planned(0.1)]).toEqual([false, true]);
});
it('takes that word back', () => {
  card({ effect: 0.1 });
  expect(screen.getByText(/^Washed off: /)).toBeTruthy();
  fireEvent.click(screen.getByText('Take back'));
  expect(put().body).not.toHaveProperty('effect');
});
it('is one line for work over several zones, and one word about it', () => {
  const batchId = '0190a000-0000-7000-8000-0000000000b1';
  const other = { ...record, batchId, id: '0190a000-0000-7000-8000-0000000000f2' };
  card({ batchId }, 0.4, [other]);
  expect(screen.getAllByText('Rain washed it off')).toHaveLength(1);
  fireEvent.click(screen.getByText('Rain washed it off'));
  expect(puts()).toMatchObject([
    { id: record.id, body: { effect: 0.1, batchId } },
    { id: other.id, body: { effect: 0.1, batchId } },
  ]);
});
it('stands for a week, and of sprays only', () => {
  const shown = (fields: Partial<ApplicationRecord>) => {
    const { unmount } = card(fields);
    const there = screen.queryByText('Done lately') !== null;
    unmount();
    return there;
  };
  expect(shown({ date: '2026-04-01' as never })).toBe(true);
  expect(shown({ date: '2026-03-31' as never })).toBe(false);
  expect(
    shown({ materials: [{ kind: 'seed', slug: 'tall-fescue', amount: 1, unit: 'lb' }] as never }),
  ).toBe(false);
});
