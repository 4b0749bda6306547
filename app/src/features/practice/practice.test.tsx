import { drawCase } from '@alfombra/core/walking';
import { fireEvent, render, screen } from '@testing-library/react';
import '@/i18n/deepWords';
import { usePracticeStore, type PracticeResult } from '@/state/practiceStore';
import { learningRecord } from './learningRecord';
import { PracticeScreen } from './PracticeScreen';

jest.mock('expo-router', () => ({
  ...jest.requireActual('@/testdata/LinkStandIn'),
  usePathname: () => '/',
  useRouter: () => ({ push: jest.fn() }),
}));

beforeEach(() => usePracticeStore.setState({ seed: 5, seen: [], results: [] }));

it('pays for each look once and shows what is there', () => {
  render(<PracticeScreen />);
  const chip = screen.getByTestId('look-k-pat-uniform');
  expect(chip.textContent).toContain('8 s');
  fireEvent.click(chip);
  fireEvent.click(chip);
  expect(screen.getByText('8 s paid')).toBeTruthy();
  const { truth } = drawCase(5);
  expect(screen.getByTestId('look-k-pat-uniform').textContent).toContain(
    truth['k-pat-uniform'] ? 'yes' : 'no',
  );
});

it('judges the verdict, shows the ideal round and goes on to the next case', () => {
  render(<PracticeScreen />);
  fireEvent.click(screen.getByTestId('look-k-pat-uniform'));
  fireEvent.click(screen.getByTestId('practice-open-decide'));
  fireEvent.change(screen.getByLabelText('Cause'), { target: { value: drawCase(5).cause } });
  fireEvent.click(screen.getByTestId('practice-decide'));
  expect(screen.getByTestId('debrief').textContent).toContain('Right.');
  expect(screen.getByTestId('debrief').textContent).toMatch(/1\. .+ · \d+ s/);
  expect(screen.getByTestId('learning-record').textContent).toContain('1 of one right');
  fireEvent.click(screen.getByTestId('practice-next'));
  expect(screen.getByText('0 s paid')).toBeTruthy();
  expect(usePracticeStore.getState()).toMatchObject({ seed: 6, seen: [] });
});

it('takes "cannot tell" for a delay', () => {
  render(<PracticeScreen />);
  fireEvent.click(screen.getByTestId('practice-open-decide'));
  fireEvent.click(screen.getByRole('button', { name: 'Cannot tell yet' }));
  expect(screen.getByTestId('debrief').textContent).toContain('a second visit');
});

it('keeps one result a case', () => {
  const result: PracticeResult = {
    seed: 9,
    cause: 'rust',
    decided: null,
    cost: 'delayed',
    seconds: 1,
    idealSeconds: 1,
  };
  usePracticeStore.getState().finish(result);
  usePracticeStore.getState().finish({ ...result, cost: 'right' });
  expect(usePracticeStore.getState().results).toEqual([result]);
});

it('counts hits by cause and mix-ups by pair, the weakest first', () => {
  const of = (cause: string, decided: string | null): PracticeResult => ({
    seed: 1,
    cause,
    decided,
    cost: cause === decided ? 'right' : decided === null ? 'delayed' : 'wasted',
    seconds: 0,
    idealSeconds: 0,
  });
  const record = learningRecord([
    of('rust', 'rust'),
    of('chinch-bug', 'drought-wilt'),
    of('chinch-bug', 'drought-wilt'),
    of('chinch-bug', 'chinch-bug'),
    of('rust', null),
  ]);
  expect(record.causes).toEqual([
    { cause: 'chinch-bug', tries: 3, right: 1 },
    { cause: 'rust', tries: 2, right: 1 },
  ]);
  expect(record.pairs).toEqual([{ cause: 'chinch-bug', takenFor: 'drought-wilt', times: 2 }]);
});
