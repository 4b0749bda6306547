import '@/i18n/deepWords';
import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { testQuestion } from '@/testdata/testQuestion';
import { DayCard } from './DayCard';
import { StripReader } from './StripReader';
import { yearQuestion } from './useYear';
import { YearPanel } from './YearPanel';
import { yearView } from '@/workers/yearView';
import { seasonView } from '@/workers/seasonView';

jest.mock('@/workers/askSeason', () => ({ askYear: jest.fn() }));

const question = testQuestion();
const year = yearView(yearQuestion(question, question.lawn.zones[0]!));
const { season, risk } = seasonView(question);

describe('the year of the ground', () => {
  it('opens on today and moves by keys: a day, a month, to the ends', () => {
    render(<YearPanel year={year} steps={season.steps} name="test" />);
    const slider = screen.getByTestId('year-chart');
    const heading = () => screen.getByTestId('day-card').textContent;
    expect(heading()).toMatch(/April 8, 2026/);
    fireEvent.keyDown(slider, { key: 'ArrowRight' });
    expect(heading()).toMatch(/April 9, 2026/);
    fireEvent.keyDown(slider, { key: 'PageUp' });
    expect(heading()).toMatch(/May 9, 2026/);
    fireEvent.keyDown(slider, { key: 'Home' });
    expect(heading()).toMatch(/January 1, 2026/);
    fireEvent.keyDown(slider, { key: 'ArrowLeft' });
    expect(heading()).toMatch(/January 1, 2026/);
    fireEvent.keyDown(slider, { key: 'End' });
    expect(heading()).toMatch(/December 31, 2026/);
    fireEvent.keyDown(slider, { key: 'x' });
    expect(heading()).toMatch(/December 31, 2026/);
  });
  it('tells the day to those who do not see the chart', () => {
    render(<YearPanel year={year} steps={[]} name="test" />);
    const slider = screen.getByRole('slider');
    expect(slider.getAttribute('aria-valuetext')).toMatch(/April 8, 2026: \d+ °F/);
    fireEvent.click(screen.getByText('Rain'));
    expect(screen.getByRole('slider').getAttribute('aria-valuetext')).toMatch(/ in$/);
  });
  it('has the year as a table of weeks', () => {
    render(<YearPanel year={year} steps={[]} name="test" />);
    expect(screen.queryByTestId('week-table')).toBeNull();
    fireEvent.click(screen.getByTestId('year-table'));
    expect(screen.getAllByRole('row').length).toBeGreaterThan(52);
  });
});

describe('one day', () => {
  it('says for each kind of work whether it may be done, and why', () => {
    const july = year.days.find(({ date }) => date === '2026-07-20')!;
    render(<DayCard read={july} open={season.steps.slice(0, 1)} />);
    expect(screen.getByTestId('may-pre-emergent').textContent).toMatch(/not now/);
    expect(screen.getByTestId('day-card').textContent).toMatch(/July 20, 2026/);
    for (const { work } of july.verdicts) {
      expect(screen.getByTestId(`may-${work}`).textContent).not.toMatch(/dayRule|\{\{|NaN/);
    }
  });
});

describe('the strip of a lawn', () => {
  function Reader() {
    const [day, setDay] = useState(year.measuredDays - 1);
    return <StripReader year={year} risks={risk} day={day} onDay={setDay} />;
  }
  it('is a slider over the days of the year', () => {
    render(<Reader />);
    const slider = screen.getByRole('slider', { name: 'Day of the season' });
    expect(slider.getAttribute('aria-valuetext')).toMatch(/April 8, 2026/);
    fireEvent.keyDown(slider, { key: 'ArrowUp' });
    expect(slider.getAttribute('aria-valuetext')).toMatch(/April 15, 2026/);
    fireEvent.keyDown(slider, { key: 'End' });
    expect(slider.getAttribute('aria-valuenow')).toBe('364');
  });
});
