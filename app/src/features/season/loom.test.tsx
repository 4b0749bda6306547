import '@/i18n/deepWords';
import {
  addDays,
  causes,
  FALL_ROUND,
  grasses,
  needOfWork,
  wholeJob,
  jobsOf,
  weeds,
  type Lawn,
} from '@alfombra/core';
import type { Knot } from '@alfombra/core/planning';
import { fireEvent, render, screen } from '@testing-library/react';
import { i18next } from '@/i18n';
import { testQuestion } from '@/testdata/testQuestion';
import { SeasonSessions, tryDay, tryDays } from '@/workers/seasonSession';
import { needName } from './decisions';
import { JobKnot, type KnotHand } from './JobKnot';
import { threadName } from './threadName';
import { TrialCard } from './TrialCard';

const mockPut = jest.fn();
jest.mock('@/api/queries', () => ({
  usePutLawn: () => ({
    mutate: (lawn: unknown, then?: { onSuccess?: () => void }) => {
      mockPut(lawn);
      then?.onSuccess?.();
    },
    error: null,
    isPending: false,
  }),
}));

const question = testQuestion();
const { today } = question.company;
const sessions = new SeasonSessions();
const view = sessions.open(question);
const session = sessions.of(view.session!);
const job = jobsOf(view.season.steps).find(({ lines }) => lines[0]!.kind === 'prevent')!;
const step = wholeJob(job.lines);
const FIRST = '2026-01-01' as typeof today;
/** Of the year; the strip is a px wide for each of them, and its padding. */
const DAYS = 364;

const hand: jest.Mocked<KnotHand> = {
  picked: null,
  trial: null,
  today,
  onPick: jest.fn(),
  onTry: jest.fn(),
};
const show = (knot: Partial<Knot> = {}) =>
  render(
    <JobKnot
      knot={{
        id: job.id,
        need: needOfWork(job.id),
        kind: 'prevent',
        date: step.window.best,
        state: 'waiting',
        zoneIds: [],
        ...knot,
      }}
      name="crabgrass held off"
      top={0}
      days={DAYS}
      width={DAYS + 24}
      first={FIRST}
      hand={hand}
    />,
  );

/** jsdom has no pointer events with a place; their names on those of a mouse do. */
const point = (on: Element, name: string, clientX: number) =>
  fireEvent(on, new MouseEvent(name, { bubbles: true, clientX }));

// jsdom knows no capture of a pointer and gives nothing a place.
beforeEach(() => {
  Element.prototype.setPointerCapture = () => undefined;
  Element.prototype.getBoundingClientRect = () => ({ left: 0, width: DAYS + 24 }) as DOMRect;
});

describe('a knot on its thread', () => {
  it('says that what was found is treated, and what may come is prevented', () => {
    const { unmount } = show({ kind: 'protect', need: 'cure:chinch-bug:z:2026' });
    expect(screen.getByRole('slider', { name: /^Treat: / })).toBeTruthy();
    unmount();
    show({ kind: 'protect', need: 'protect:chinch-bug:z:2026' });
    expect(screen.getByRole('slider', { name: /^Prevent: / })).toBeTruthy();
  });
  it('is moved by the arrow keys, a day and a week, and never before today', () => {
    show();
    const knot = screen.getByRole('slider', { name: /^Prevent: crabgrass held off/ });
    const after = (key: string) => {
      fireEvent.keyDown(knot, { key });
      return hand.onTry.mock.calls.at(-1);
    };
    expect(after('ArrowRight')).toEqual([job.id, addDays(step.window.best, 1)]);
    expect(after('ArrowUp')).toEqual([job.id, addDays(step.window.best, 7)]);
    for (let week = 0; week < 8; week += 1) fireEvent.keyDown(knot, { key: 'ArrowDown' });
    render(<></>);
    expect(after('ArrowDown')![1] >= today).toBe(true);
  });
  it('follows a finger, opens under one that lies still, and is no slider once it is done', () => {
    const { unmount } = show();
    const knot = screen.getByRole('slider');
    point(knot, 'pointerdown', 120);
    point(knot, 'pointermove', 122);
    point(knot, 'pointerup', 0);
    expect(hand.onPick).toHaveBeenCalledWith(job.id);
    hand.onTry.mockClear();
    point(knot, 'pointerdown', 120);
    point(knot, 'pointermove', 12 + 150);
    point(knot, 'pointerup', 0);
    expect(hand.onTry).toHaveBeenLastCalledWith(job.id, addDays(FIRST, 150));
    expect(hand.onPick).toHaveBeenCalledTimes(1);
    unmount();
    show({ state: 'done' });
    expect(screen.queryByRole('slider')).toBeNull();
  });
});

it('says of a tried day what the judge says and what moves, and keeps it on a word', () => {
  const words = tryDays(session, job.id);
  const late = Object.keys(words)
    .sort()
    .find((day) => words[day as typeof today]!.length > 0) as typeof today;
  const done = jest.fn();
  const card = (
    date: typeof today,
    said: typeof words | undefined,
    failed: Error | null = null,
  ) => (
    <TrialCard
      step={step}
      date={date}
      words={said}
      laid={tryDay(session, job.id, date)}
      busy={false}
      failed={failed}
      lawn={question.lawn}
      today={today}
      onDone={done}
    />
  );
  const { rerender } = render(card(step.window.best, words));
  expect(screen.getByText('The judge has nothing against this day.')).toBeTruthy();
  expect(screen.getByText('Nothing else moves.')).toBeTruthy();
  if (late) {
    rerender(card(late, words));
    expect(screen.queryByText('The judge has nothing against this day.')).toBeNull();
  }
  rerender(card(step.window.best, undefined));
  expect(screen.getByText(/^The judge is being asked/)).toBeTruthy();
  rerender(card(addDays(step.window.best, 80), words));
  expect(screen.getByText('Nobody has judged a day that far off.')).toBeTruthy();
  rerender(card(step.window.best, undefined, new Error('the worker is gone')));
  expect(screen.getByText('the worker is gone')).toBeTruthy();
  expect(screen.queryByText(/being asked/)).toBeNull();
  const outside = (date: typeof today) => {
    rerender(card(date, words));
    return screen.queryAllByText(/^Outside its days/).length;
  };
  const { opens, closes } = step.window;
  expect([outside(closes), outside(addDays(closes, 1))]).toEqual([0, 1]);
  expect([outside(opens), outside(addDays(opens, -1))]).toEqual([0, 1]);
  const day = addDays(step.window.best, 3);
  rerender(card(day, words));
  fireEvent.click(screen.getByText('Keep this day'));
  const [lawn] = mockPut.mock.calls.at(-1) as [Lawn];
  expect(Object.values(lawn.decisions)).toEqual(
    step.serves.map((work) => ({ kind: 'pin', work, date: day, on: today })),
  );
  expect(done).toHaveBeenCalled();
});

it('has a word for every need and every thread', () => {
  const t = i18next.t.bind(i18next);
  const subjects = [
    ...weeds.map(({ slug }) => `control:${slug}`),
    ...causes.map(({ slug }) => `cure:${slug}`),
    ...grasses.map(({ slug }) => `fill:${slug}`),
    `control:${FALL_ROUND}`,
    ...['soil', 'grass', 'area', 'cover', 'sedge', 'broadleaf', 'grassy'].map((of) => `find:${of}`),
    ...view.season.needs.map(({ kind, subject }) => `${kind}:${subject}`),
  ];
  const names = [
    ...subjects.map((subject) => needName(t, `${subject}:zone:2026`)),
    ...view.threads.map((thread) => threadName(t, thread)),
  ];
  expect(names.filter((name) => /[{}]|undefined|^[A-Za-z]+\.\S/.test(name))).toEqual([]);
});
