import { act, fireEvent, render, screen } from '@testing-library/react';
import 'fake-indexeddb/auto';
import '@/i18n/deepWords';
import { useOutboxStore } from '@/state/sync/outboxStore';
import type { PendingWrite } from '@/state/sync/pendingWrite';
import { TEST_LAWN } from '@/testdata/testLawn';
import { longDay } from '@/ui';
import { SignOutSheet } from './SignOutSheet';
import { SyncStrip } from './SyncStrip';

let mockSignedOut = 0;
jest.mock('@/api/queries', () => ({
  useSignOut: () => ({ mutate: () => (mockSignedOut += 1), isIdle: mockSignedOut === 0 }),
  useLawns: () => ({
    data: [{ id: '0190a000-0000-7000-8000-00000000000b', name: '1 Test Street' }],
  }),
}));
let mockDoubted: string | null = null;
jest.mock('@/api/workingDay', () => ({ useDoubtedDay: () => mockDoubted }));
const settled: unknown[] = [];
const discarded: number[] = [];
jest.mock('@/api/sync/sync', () => ({
  sendNow: () => Promise.resolve(),
  settleConflict: (...given: unknown[]) => Promise.resolve(settled.push(given)),
  discardWrite: (seq: number) => Promise.resolve(discarded.push(seq)),
  retryWrite: () => Promise.resolve(),
}));

const pending = (fields: Partial<PendingWrite>): PendingWrite => ({
  seq: 1,
  writeId: 'w',
  owner: 'me',
  kind: 'lawn',
  id: TEST_LAWN,
  lawnId: null,
  base: null,
  baseVersion: 1,
  body: { name: 'Mine' },
  state: 'waiting',
  tried: false,
  failures: 0,
  conflict: null,
  failure: null,
  ...fields,
});
const show = (state: Partial<ReturnType<typeof useOutboxStore.getState>>) => {
  useOutboxStore.setState({ writes: [], line: 'up', storage: null, takenAlong: 40, ...state });
  render(<SyncStrip />);
};
const openSheet = () => fireEvent.click(screen.getByTestId('sync-strip'));

it('is not there while nothing waits', () => {
  show({});
  expect(screen.queryByTestId('sync-strip')).toBeNull();
});

it('counts what waits and says that there is no line', async () => {
  show({ writes: [pending({}), pending({ seq: 2, kind: 'visit' })], line: 'down' });
  expect(screen.getByRole('status').textContent).toBe('2 waiting to be sent · no connection');
  openSheet();
  // The sheet is fetched when it is opened.
  expect(
    await screen.findByText('No connection. 40 lawns are on this phone; go on working.'),
  ).toBeTruthy();
  expect(screen.getByText('Lawn · 1 Test Street')).toBeTruthy();
});

it.each([
  [890e6, 1000e6, null],
  [9300e6, 10000e6, 'this phone is nearly full'],
  [10e6, 60e6, 'this phone is nearly full'],
])('with %s of %s bytes used says %p', (usage, quota, words) => {
  show({ storage: { usage, quota } });
  expect(screen.queryByRole('status')?.textContent ?? null).toBe(words);
});

it('puts a conflict to the technician and wants an answer for each place', () => {
  show({
    writes: [
      pending({
        state: 'conflict',
        conflict: {
          theirs: { name: 'Theirs' },
          version: 2,
          merged: { name: 'Theirs' },
          conflicts: [{ path: ['name'], base: 'Old', mine: 'Mine', theirs: 'Theirs' }],
        },
      }),
    ],
  });
  expect(screen.getByRole('status').textContent).toBe('1 needs you');
  openSheet();
  const keep = screen.getByTestId('settle');
  expect(keep.getAttribute('aria-disabled')).toBe('true');
  fireEvent.click(screen.getByRole('button', { name: 'Mine: Mine' }));
  fireEvent.click(screen.getByTestId('settle'));
  expect(settled).toEqual([[1, 'w', ['mine']]]);
});

it('says why the server refuses and lets go only on a word', () => {
  show({
    writes: [
      pending({
        state: 'refused',
        failure: { code: 'bad-input', message: 'give the lawn a name', path: ['name'] },
      }),
    ],
  });
  openSheet();
  expect(screen.getByText('The server does not take it. name: give the lawn a name')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Let it go' }));
  expect(discarded).toEqual([1]);
});

it('says what the server fails at, that the rest goes on, and what is somebody else’s', () => {
  show({ writes: [pending({ failures: 3 })], others: 2 });
  expect(screen.getByRole('status').textContent).toBe('1 needs you');
  openSheet();
  expect(screen.getByText(/^The server failed at it 3 times/)).toBeTruthy();
  expect(screen.getByText('2 of somebody else wait for them to sign in.')).toBeTruthy();
});

it('says when the phone’s clock cannot be right', () => {
  mockDoubted = '2027-01-07';
  show({});
  expect(screen.getByRole('status').textContent).toBe(
    'this phone says ' + longDay('2027-01-07') + ': check its date',
  );
  mockDoubted = null;
});

it('asks before signing out with something unsent, and signs out once it has gone', async () => {
  useOutboxStore.setState({ writes: [pending({})] });
  render(<SignOutSheet open onClose={() => undefined} />);
  await screen.findByText('Not everything has been sent');
  expect(mockSignedOut).toBe(0);
  act(() => useOutboxStore.setState({ writes: [] }));
  expect(mockSignedOut).toBe(1);
  act(() => useOutboxStore.setState({ writes: [pending({})] }));
  act(() => useOutboxStore.setState({ writes: [] }));
  expect(mockSignedOut).toBe(1);
});
