import '@/i18n/deepWords';
import type { LawnRevision, Season } from '@alfombra/core';
import { fireEvent, render, screen } from '@testing-library/react';
import { useSeenStore } from '@/state/seenStore';
import { QUESTION_ZONE, testQuestion } from '@/testdata/testQuestion';
import { MovedCard, movesOf } from './MovedCard';

let mockRevisions: LawnRevision[] = [];
jest.mock('@/api/queries', () => ({
  useRevisions: () => ({ data: mockRevisions }),
  useCompany: () => ({ data: undefined }),
}));

const { lawn, company } = testQuestion();
const work = (zone = QUESTION_ZONE) => `prevent:crabgrass:${zone}:2026/lay/1`;
const revision = (id: number, move: Partial<LawnRevision['moves'][number]>): LawnRevision => ({
  id,
  day: company.today,
  moves: [
    {
      works: [work()],
      kind: 'prevent',
      from: '2026-04-09' as never,
      to: '2026-04-15' as never,
      cause: 'day',
      ...move,
    },
  ],
});
const zones = new Set([QUESTION_ZONE]);
/** The season, in which the work lies where it was moved to. */
const steps = [{ serves: [work()], window: { best: '2026-04-15' } }] as unknown as Season['steps'];
const show = (of = steps, on = lawn) =>
  render(<MovedCard lawn={on} steps={of} zoneIds={zones} today={company.today} />);

it('makes one move of several, and none of what came back', () => {
  const on = revision(1, {});
  const back = revision(2, { from: '2026-04-15' as never, to: '2026-04-09' as never });
  const far = revision(2, {
    from: '2026-04-15' as never,
    to: '2026-04-22' as never,
    cause: 'readings',
  });
  expect(movesOf([back, on], zones)).toEqual([]);
  expect(movesOf([far, on], zones)).toMatchObject([
    { from: '2026-04-09', to: '2026-04-22', cause: 'readings' },
  ]);
  // Of other zones it says nothing.
  expect(movesOf([on], new Set(['other']))).toEqual([]);
});

it('says what moved and why, until it has been seen', () => {
  useSeenStore.setState({ seen: { [lawn.id]: 6 } });
  mockRevisions = [revision(7, {})];
  const { unmount } = show();
  expect(screen.getByText('Prevent crabgrass: Apr 9 → Apr 15')).toBeTruthy();
  expect(screen.getByText(/Because of the weather, and the days that came\./)).toBeTruthy();
  fireEvent.click(screen.getByText('Seen'));
  expect(useSeenStore.getState().seen).toEqual({ [lawn.id]: 7 });
  expect(screen.queryByText(/Moved since/)).toBeNull();
  unmount();
  mockRevisions = [
    revision(8, {
      from: null,
      products: [{ kind: 'herbicide', slug: 'dithiopyr' }],
      cause: 'decisions',
    }),
    ...mockRevisions,
  ];
  show();
  expect(screen.getByText('Prevent crabgrass: comes in on Apr 15, now dithiopyr')).toBeTruthy();
});

it('is no news to who looks for the first time, and what comes later is', () => {
  useSeenStore.setState({ seen: {} });
  mockRevisions = [revision(3, {})];
  const { unmount } = show();
  expect(screen.queryByText(/Moved since/)).toBeNull();
  expect(useSeenStore.getState().seen).toEqual({ [lawn.id]: 3 });
  unmount();
  mockRevisions = [revision(4, {}), ...mockRevisions];
  show();
  expect(screen.getByText(/Moved since/)).toBeTruthy();
});

it('tells of zones alike once, and of work that went on in one zone by itself', () => {
  const both = revision(1, { works: [work('a'), work('b')] });
  const one = revision(2, {
    works: [work('a')],
    from: '2026-04-15' as never,
    to: '2026-04-30' as never,
  });
  const places = new Set(['a', 'b']);
  expect(movesOf([both], places).map(({ works }) => works.length)).toEqual([2]);
  expect(movesOf([one, both], places).map(({ works, to }) => [works.length, to])).toEqual([
    [1, '2026-04-30'],
    [1, '2026-04-15'],
  ]);
});

it('says nothing that is not so now, and nothing of what somebody has just decided', () => {
  const looked = () => useSeenStore.setState({ seen: { [lawn.id]: 0 } });
  const count = (of = steps, on = lawn) => {
    looked();
    const { unmount } = show(of, on);
    const { length } = screen.queryAllByText(/Moved since/);
    unmount();
    return length;
  };
  mockRevisions = [revision(1, {})];
  expect(count()).toBe(1);
  expect(count([])).toBe(0);
  mockRevisions = [revision(1, { cause: 'decisions' })];
  expect(count()).toBe(1);
  const needId = work().split('/')[0]!;
  const decisions = { one: { kind: 'not-here' as const, needId } };
  expect(count(steps, { ...lawn, decisions })).toBe(0);
  mockRevisions = [revision(1, { cause: 'day' })];
  expect(count(steps, { ...lawn, decisions })).toBe(1);
});

it('names a treatment of what was found, a bag by its grade, and the year of another year’s day', () => {
  useSeenStore.setState({ seen: { [lawn.id]: 0 } });
  const cure = `cure:chinch-bug:${QUESTION_ZONE}:2026/treat/1`;
  mockRevisions = [
    revision(1, {
      works: [cure],
      kind: 'protect',
      to: '2027-04-15' as never,
      products: [{ kind: 'fertilizer', slug: '24-0-11-half-slow' }],
    }),
  ];
  show([{ serves: [cure], window: { best: '2027-04-15' } }] as unknown as Season['steps']);
  expect(screen.getByText(/^Treat .*: Apr 9 → Apr 15, 2027, now 24-0-11/)).toBeTruthy();
});
