import '@/i18n/deepWords';
import { mergeDocuments, type Json, type Lawn, type LookStep } from '@alfombra/core';
import { fireEvent, render, screen } from '@testing-library/react';
import { QUESTION_ZONE, testQuestion } from '@/testdata/testQuestion';
import { seasonView, type SeasonQuestion } from '@/workers/seasonView';
import { LookCard } from './LookCard';
import { SeenCard } from './SeenCard';
import { StepCard } from './StepCard';

const mockPut = jest.fn();
jest.mock('@/api/queries', () => ({
  usePutLawn: () => ({ mutate: mockPut, error: null, isPending: false }),
  useCompany: () => ({ data: undefined }),
}));
jest.mock('@/ui', () => ({
  ...jest.requireActual<typeof import('@/ui')>('@/ui'),
  LinkButton: ({ label }: { label: string }) => label,
}));

/** Dandelion sprayed on 10 March, of the two walks that it takes. */
const NEED = `control:dandelion:${QUESTION_ZONE}:2026`;
const base = testQuestion({
  weeds: [{ weed: 'dandelion', cover: 0.06, growing: true, since: '2026-03-01' } as never],
});
const sprayed: SeasonQuestion = {
  ...base,
  visits: base.visits.map((visit) => ({ ...visit, date: '2026-03-01' as never })),
  records: [
    {
      id: 'r1',
      zoneId: QUESTION_ZONE,
      date: '2026-03-10',
      areaFt2: 3000,
      stepId: `${NEED}/walk/1`,
      materials: [{ kind: 'herbicide', slug: '24d-amine', amount: 3.5, unit: 'fl-oz' }],
    },
  ],
};
const { today } = sprayed.company;
const seasonWith = (looks: Lawn['looks']) =>
  seasonView({ ...sprayed, lawn: { ...sprayed.lawn, looks } }).season;
const lookOf = (season = seasonWith({})) =>
  season.steps.find((step): step is LookStep => step.kind === 'look-again')!;
const card = (step = lookOf()) =>
  render(
    <LookCard
      step={step}
      lawn={sprayed.lawn}
      records={sprayed.records}
      zoneName="Front"
      today={today}
    />,
  );
const put = () => (mockPut.mock.calls.at(-1) as [Lawn])[0].looks;

it('asks one question, says what should be seen by then, and takes an answer in one tap', () => {
  card();
  expect(screen.getByText('Last work: Mar 10, 2026')).toBeTruthy();
  expect(screen.getByText(/^Leaves yellow: Mar 1\d/)).toBeTruthy();
  expect(screen.getByText(/^Dead down to the root: /)).toBeTruthy();
  fireEvent.click(screen.getByText('The same'));
  expect(put()).toEqual({ [`${NEED}/${today}`]: { needId: NEED, date: today, seen: 'same' } });
});
it.each([
  ['gone', 'Done with. Nothing more is planned against it.'],
  ['same', /^Next: Control dandelion, /],
] as const)('shows at once what follows from: %s', (seen, words) => {
  const looks = { [`${NEED}/${today}`]: { needId: NEED, date: today, seen } };
  render(
    <SeenCard
      lawn={{ ...sprayed.lawn, looks }}
      season={seasonWith(looks)}
      zoneIds={new Set([QUESTION_ZONE])}
      today={today}
    />,
  );
  expect(screen.getByText(words)).toBeTruthy();
  fireEvent.click(screen.getByText('Take back'));
  expect(put()).toEqual({});
});
it('has no second walk due before somebody has looked, and says what it waits for', () => {
  const need = NEED.replace('dandelion', 'buckhorn-plantain');
  const asked: SeasonQuestion = {
    ...sprayed,
    visits: JSON.parse(
      JSON.stringify(sprayed.visits).replaceAll('dandelion', 'buckhorn-plantain'),
    ) as SeasonQuestion['visits'],
    records: sprayed.records.map((record) => ({ ...record, stepId: `${need}/walk/1` })),
  };
  const walkOf = (looks: Lawn['looks']) =>
    seasonView({ ...asked, lawn: { ...asked.lawn, looks } }).season.steps.find(({ serves }) =>
      serves.includes(`${need}/walk/2`),
    )!;
  const walk = walkOf({});
  expect(walk.waitsFor).toBeDefined();
  render(<StepCard today={today} step={walk as never} lawnId="l" zoneName="Front" doubt={null} />);
  expect(screen.getByText('Waits for a look')).toBeTruthy();
  expect(screen.getByText(/^Only if it is still seen at the look before it/)).toBeTruthy();
  expect(walkOf({ x: { needId: need, date: today, seen: 'gone' } })).toBeUndefined();
  // Seen again: is it due then?
  expect(walkOf({ x: { needId: need, date: today, seen: 'same' } }).waitsFor).toBeUndefined();
});
it('keeps what two devices saw: other returns side by side, one return twice is asked about', () => {
  const other = `control:white-clover:${QUESTION_ZONE}:2026`;
  const with_ = (needId: string, seen: string) => ({
    looks: { [`${needId}/${today}`]: { needId, date: today, seen } },
  });
  const merge = (a: object, b: object) =>
    mergeDocuments({ looks: {} } as Json, a as Json, b as Json);
  const both = merge(with_(NEED, 'gone'), with_(other, 'same'));
  expect(both.conflicts).toEqual([]);
  expect(Object.keys((both.merged as { looks: object }).looks)).toHaveLength(2);
  expect(merge(with_(NEED, 'gone'), with_(NEED, 'same')).conflicts).not.toEqual([]);
});
