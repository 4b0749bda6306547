import '@/i18n/deepWords';
import {
  addDays,
  mergeDocuments,
  needOfWork,
  type HandWork,
  type Json,
  type Lawn,
  type LookStep,
} from '@alfombra/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen } from '@testing-library/react';
import { i18next } from '@/i18n';
import { testQuestion } from '@/testdata/testQuestion';
import { seasonView, type SeasonQuestion } from '@/workers/seasonView';
import { DecidedCard } from './DecidedCard';
import { DecideSheet } from './DecideSheet';
import { FindOutCard } from './FindOutCard';
import { binds, daysOf, withDay, without, withoutNeed } from './decisions';

const mockPut = jest.fn();
jest.mock('@/api/queries', () => ({
  usePutLawn: () => ({ mutate: mockPut, error: null, isPending: false }),
}));

const question = testQuestion({ weeds: [{ weed: 'dandelion', cover: 0.06, growing: true }] });
jest.mock('@/ui', () => ({
  ...jest.requireActual<typeof import('@/ui')>('@/ui'),
  LinkButton: ({ label }: { label: string }) => label,
}));
const { today } = question.company;
const withDecisions = (decisions: Lawn['decisions']): SeasonQuestion => ({
  ...question,
  lawn: { ...question.lawn, decisions },
});
const step = seasonView(question).season.steps.find(({ kind }) => kind === 'control')!;
const need = needOfWork(step.id);
const put = () => (mockPut.mock.calls.at(-1) as [Lawn])[0].decisions;
const open = (lawn = question.lawn, of = step) => {
  const { needs } = seasonView({ ...question, lawn }).season;
  render(
    <QueryClientProvider client={new QueryClient()}>
      <DecideSheet step={of} needs={needs} question={{ ...question, lawn }} session={undefined} />
    </QueryClientProvider>,
  );
  fireEvent.click(screen.getByText('Another day, or not here'));
};

it('keeps a step on the day that was picked, and judges it', () => {
  open();
  const day = addDays(step.window.best, 6);
  fireEvent.change(screen.getByLabelText('Day'), { target: { value: day } });
  fireEvent.click(screen.getByText('Keep this day'));
  const decisions = put();
  expect(Object.values(decisions)).toEqual(
    step.serves.map((work) => ({ kind: 'pin', work, date: day, on: today })),
  );
  const { season, judged } = seasonView(withDecisions(decisions));
  const found = season.steps.find(({ id }) => id === step.id)!;
  expect([found.window.best, found.pinned]).toEqual([day, true]);
  // The judge knows whose lawn it is.
  const rules = (lawn: Lawn) =>
    (seasonView({ ...question, lawn: { ...lawn, decisions } }).judged[step.id] ?? []).map(
      ({ rule }) => rule,
    );
  const kept = (children: boolean): Lawn => ({
    ...question.lawn,
    property: { ...question.lawn.property, children },
  });
  expect(judged[step.id]).toBeDefined();
  expect(rules(kept(true))).toContain('reentry');
  expect(rules(kept(false))).not.toContain('reentry');
});
it('points at a day that is over, and keeps nothing', () => {
  mockPut.mockClear();
  open();
  const field = screen.getByLabelText('Day');
  fireEvent.change(field, { target: { value: addDays(today, -1) } });
  fireEvent.click(screen.getByText('Keep this day'));
  expect(screen.getByText('Pick a day from today on')).toBeTruthy();
  expect(mockPut).not.toHaveBeenCalled();
  fireEvent.change(field, { target: { value: today } });
  fireEvent.click(screen.getByText('Keep this day'));
  expect(mockPut).toHaveBeenCalledTimes(1);
});
it('lets the plan choose again', () => {
  const set = withDay({}, today, step, addDays(today, 9));
  const pinned = seasonView(withDecisions(set)).season.steps.find(({ id }) => id === step.id)!;
  open({ ...question.lawn, decisions: set }, pinned);
  fireEvent.click(screen.getByText('Let the plan choose the day'));
  expect(put()).toEqual({});
});
it.each([
  ['Dandelion: not this time', '2026-12-31'],
  ['Dandelion: never on this zone', undefined],
])('leaves it: %s', (button, until) => {
  open();
  fireEvent.click(screen.getByText(button));
  expect(Object.values(put())).toEqual([
    { kind: 'not-here', needId: need, ...(until ? { until } : {}) },
  ]);
  const { season } = seasonView(withDecisions(put()));
  expect(season.steps.some(({ serves }) => serves.includes(step.id))).toBe(false);
  expect(season.needs.find(({ id }) => id === need)!.state).toBe('givenUp');
});
it('leaves it and looks again by choice, has a look for it, and can spray it after all', () => {
  open();
  expect(screen.queryByText('Dandelion: spray it')).toBeNull();
  fireEvent.click(screen.getByText('Dandelion: leave it and look again'));
  const decisions = put();
  expect(Object.values(decisions)).toEqual([
    { kind: 'course', needId: need, course: 'leave', on: today },
  ]);
  const lawn = { ...question.lawn, decisions };
  const { season } = seasonView({ ...question, lawn });
  expect(season.steps.some(({ serves }) => serves.includes(step.id))).toBe(false);
  const look = season.steps.find((one): one is LookStep => one.kind === 'look-again');
  expect(look?.need).toBe(need);
  const zoneIds = new Set(lawn.zones.map(({ id }) => id));
  render(<DecidedCard lawn={lawn} jobs={[]} unheld={[]} zoneIds={zoneIds} today={today} />);
  expect(screen.getByText('By choice: leave it and look again')).toBeTruthy();
  fireEvent.click(screen.getByText('Take back'));
  expect(put()).toEqual({});
});
it.each(['quackgrass', 'bermuda-common', 'torpedograss', 'wild-violet'])(
  'has words for every way that %s may go',
  (weed) => {
    const asked = testQuestion({ weeds: [{ weed, cover: 0.03, growing: true }] });
    const ways = seasonView(asked).season.needs.flatMap((one) =>
      one.subject === weed ? one.ways : [],
    );
    expect(ways.length).toBeGreaterThan(1);
    expect(ways.filter((way) => !i18next.exists(`decided.way.${way}`))).toEqual([]);
  },
);
it('shows what has to be named or counted first, with the way to it', () => {
  const zone = question.lawn.zones[0]!;
  const work = (kind: HandWork['kind'], subject: string): HandWork => ({
    id: `find:${subject}:${zone.id}:2026/${kind}/1`,
    need: `find:${subject}:${zone.id}:2026`,
    kind,
    zoneId: zone.id,
    areaFt2: 1000,
    opens: today,
  });
  render(
    <FindOutCard
      lawn={question.lawn}
      work={[
        work('name', 'sedge'),
        work('name', 'grass'),
        work('count', 'cover'),
        work('measure', 'area'),
        { ...work('sample', 'soil'), opens: addDays(today, 10) },
      ]}
      zoneIds={new Set([zone.id])}
      today={today}
    />,
  );
  expect(screen.getByText(`Name it: some sedge · ${zone.name}`)).toBeTruthy();
  expect(screen.getByText(`Name the grass · ${zone.name}`)).toBeTruthy();
  expect(screen.getByText(`Count the cover · ${zone.name}`)).toBeTruthy();
  expect(screen.getByText(`Measure it: the area is a guess · ${zone.name}`)).toBeTruthy();
  expect(screen.getAllByText(/^By Apr 22/)).toHaveLength(4);
  expect(screen.getByText(/^Apr 18.* to May 2/)).toBeTruthy();
});
it('notes what was lifted out by hand, is not asked for it again, and asks again once it is taken back', () => {
  const course = { kind: 'course' as const, needId: need, course: 'hand-removal', on: today };
  const few = testQuestion({ weeds: [{ weed: 'dandelion', cover: 0.01, growing: true }] });
  const at = (handDone: Lawn['handDone']) => {
    const lawn = { ...few.lawn, decisions: { course }, handDone };
    const { byHand } = seasonView({ ...few, lawn }).season;
    const pulls = byHand.filter(({ kind }) => kind === 'pull');
    const { unmount } = render(
      <FindOutCard
        lawn={lawn}
        work={pulls}
        zoneIds={new Set([question.lawn.zones[0]!.id])}
        today={today}
      />,
    );
    return { pulls, unmount };
  };
  const written = () => (mockPut.mock.calls.at(-1) as [Lawn])[0].handDone;
  const first = at({});
  expect(first.pulls.map(({ opens }) => opens)).toEqual([today]);
  fireEvent.click(screen.getByText('Lifted out'));
  const done = written();
  expect(Object.keys(done)).toEqual([first.pulls[0]!.id]);
  first.unmount();
  const after = at(done);
  expect(
    after.pulls.filter(({ id, opens }) => id === first.pulls[0]!.id || opens <= today),
  ).toEqual([]);
  expect(screen.getByText(/^Lifted out on Apr 8, 2026: dandelion/)).toBeTruthy();
  fireEvent.click(screen.getByText('Take back'));
  expect(written()).toEqual({});
});
it('shows what was decided, and takes it back; what binds no more is gone', () => {
  const decisions = {
    ...withoutNeed({}, today, need, true),
    ...withDay({}, today, { serves: [`${need}/spray/2`] }, addDays(today, -3)),
  };
  const zoneIds = new Set(question.lawn.zones.map(({ id }) => id));
  const lawn = { ...question.lawn, decisions };
  render(<DecidedCard lawn={lawn} jobs={[]} unheld={[]} zoneIds={zoneIds} today={today} />);
  expect(screen.getAllByText('Take back')).toHaveLength(1);
  expect(screen.getByText(/^Dandelion · /)).toBeTruthy();
  fireEvent.click(screen.getByText('Take back'));
  expect(Object.values(put()).map(({ kind }) => kind)).toEqual(['pin']);
  expect(Object.values(decisions).map((one) => binds(one, today))).toEqual([true, false]);
  // The next word clears away what is over.
  expect(Object.keys(withDay(decisions, today, step, today)).length).toBe(1 + step.serves.length);
  expect(without(decisions, daysOf(decisions, { serves: [`${need}/spray/2`] }))).toEqual(
    withoutNeed({}, today, need, true),
  );
});
it('takes a walk against two weeds back as one', () => {
  const serves = ['dandelion', 'white-clover'].map(
    (weed) => `control:${weed}:${question.lawn.zones[0]!.id}:2026/spray/1`,
  );
  const lawn = {
    ...question.lawn,
    decisions: withDay({}, today, { serves }, addDays(today, 4)),
  };
  const zoneIds = new Set(question.lawn.zones.map(({ id }) => id));
  render(
    <DecidedCard
      lawn={lawn}
      jobs={[{ ...step, serves }]}
      unheld={[]}
      zoneIds={zoneIds}
      today={today}
    />,
  );
  expect(screen.getByText(/^Dandelion, White clover · /)).toBeTruthy();
  fireEvent.click(screen.getByText('Take back'));
  expect(put()).toEqual({});
});
it('says what of it the plan cannot hold', () => {
  const work = `control:white-clover:${question.lawn.zones[0]!.id}:2026/spray/1`;
  const decisions = withDay({}, today, { serves: [work] }, addDays(today, 4));
  const { season } = seasonView(withDecisions(decisions));
  const zoneIds = new Set(question.lawn.zones.map(({ id }) => id));
  const lawn = { ...question.lawn, decisions };
  render(
    <DecidedCard
      lawn={lawn}
      jobs={season.steps}
      unheld={season.unheld}
      zoneIds={zoneIds}
      today={today}
    />,
  );
  expect(screen.getByText('Set by hand, but nothing is planned for it')).toBeTruthy();
});
it('meets what another device decided about something else', () => {
  const base = { decisions: {} };
  const mine = { decisions: withDay({}, today, step, addDays(today, 5)) };
  const theirs = { decisions: withoutNeed({}, today, 'feed:early-fall:z:2026', false) };
  const merge = mergeDocuments(base, mine as unknown as Json, theirs as unknown as Json);
  expect(merge.conflicts).toEqual([]);
  expect(merge.merged).toEqual({ decisions: { ...mine.decisions, ...theirs.decisions } });
});
