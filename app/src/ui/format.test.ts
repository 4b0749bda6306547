import '@/i18n/deepWords';
import { daySpan, fullDay, shortDay } from './formatDay';
import { percent, rate } from './formatNumber';

it('writes a civil day as it is, in any time zone', () => {
  expect(shortDay('2026-04-08')).toBe('Apr 8');
  expect(fullDay('2026-12-31')).toBe('Dec 31, 2026');
  expect(daySpan('2026-04-12', '2026-04-18')).toMatch(/^Apr 12\s–\s18$/);
});

it('shows rates to three figures and never a small share as nothing', () => {
  expect(rate(0.030533)).toBe('0.0305');
  expect(percent(0.001)).toBe('<1');
  expect(percent(0.708)).toBe('71');
});
