import '@/i18n/deepWords';
import { fireEvent, render, screen } from '@testing-library/react';
import { CalculatorScreen } from './CalculatorScreen';

jest.mock('expo-router', () => ({
  ...jest.requireActual('@/testdata/LinkStandIn'),
  usePathname: () => '/',
  useRouter: () => ({ push: jest.fn() }),
  useLocalSearchParams: () => ({ area: '6200' }),
}));
jest.mock('@/api/queries', () => ({
  useLawns: () => ({ data: [] }),
  useLawn: () => ({ data: undefined }),
}));

const type = (field: HTMLElement, value: string) => fireEvent.change(field, { target: { value } });

it('opens with what another screen sent along, and moves at each figure', () => {
  render(<CalculatorScreen slug="two-pass" />);
  expect(screen.getByTestId('answer-total').textContent).toBe('24.8 lb');
  type(screen.getByTestId('calc-rate'), '3.5');
  expect(screen.getByTestId('answer-total').textContent).toBe('21.7 lb');
});
it('says at the field what is wrong, and shows no answer meanwhile', () => {
  render(<CalculatorScreen slug="two-pass" />);
  type(screen.getByTestId('calc-rate'), 'x');
  expect(screen.getByText(/^Figures only/)).toBeTruthy();
  expect(screen.queryByTestId('calc-answer')).toBeNull();
  type(screen.getByTestId('calc-rate'), '9999');
  expect(screen.getByText('From 0.05 to 400.')).toBeTruthy();
});
it('warns where it can hurt: a slow walk over the label', () => {
  render(<CalculatorScreen slug="pace" />);
  type(screen.getByTestId('calc-seconds'), '40');
  expect(screen.getByRole('alert').textContent).toMatch(/over the label/);
});
it('says that there is no such calculation', () => {
  render(<CalculatorScreen slug="nothing" />);
  expect(screen.getByText('Nothing fits that.')).toBeTruthy();
});
