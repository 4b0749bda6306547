import { localDate } from '@alfombra/core';
import { RISK_PROBLEMS, type Risk } from '@alfombra/core/planning';
import { fireEvent, render, screen } from '@testing-library/react';
import '@/i18n/deepWords';
import { i18next } from '@/i18n';
import { RiskCard } from './RiskCard';

const risk = (
  problem: Risk['problem'],
  worst: Risk['worst'],
  fields: Partial<Risk> = {},
): Risk => ({
  problem,
  days: [
    { date: localDate('2026-07-10'), value: 0.62, class: worst },
    { date: localDate('2026-07-11'), value: null, class: 'low' },
  ],
  worst,
  host: 3,
  sighted: false,
  source: { kind: 'published', ref: 'Smith, Kerns et al. 2018, PLoS ONE' },
  ...fields,
});

it('shows what is raised and keeps the rest until it is asked for', () => {
  render(<RiskCard risks={[risk('dollar-spot', 'warn'), risk('brown-patch', 'low')]} />);
  expect(screen.getByText('Dollar spot')).toBeTruthy();
  expect(screen.queryByText('Brown patch')).toBeNull();
  fireEvent.click(screen.getByTestId('all-risks'));
  expect(screen.getByText('Brown patch')).toBeTruthy();
});

it('opens to the model, its value by day, its limits and its source', () => {
  render(<RiskCard risks={[risk('dollar-spot', 'warn', { sighted: true })]} />);
  expect(screen.getByText('seen nearby')).toBeTruthy();
  fireEvent.click(screen.getByTestId('risk-dollar-spot'));
  expect(screen.getByText('chance 62 %')).toBeTruthy();
  expect(screen.getByText('the model does not run')).toBeTruthy();
  expect(screen.getByText(/Built on bentgrass/)).toBeTruthy();
  expect(screen.getByText(/Smith, Kerns/)).toBeTruthy();
});

it('says that the weather is quiet, and nothing at all for a lawn without zones', () => {
  const { rerender, container } = render(<RiskCard risks={[risk('brown-patch', 'low')]} />);
  expect(screen.getByText(/Nothing is favoured/)).toBeTruthy();
  rerender(<RiskCard risks={[]} />);
  expect(container.innerHTML).toBe('');
});

it('has words for every problem, its model and its value', () => {
  for (const problem of RISK_PROBLEMS) {
    for (const key of ['risk.problem', 'riskCard.model', 'riskCard.value']) {
      expect(i18next.exists(`${key}.${problem}`)).toBe(true);
    }
  }
});
