import { saidOf } from './zoneNames';

it('says a word of several zones once, though their shares differ by a rounding', () => {
  const over = (rate: number) => ({ rule: 'rate-over-label', inputs: { rate, max: 40 } });
  expect(saidOf([[over(0.1 + 0.2)], [over(0.3)], []])).toHaveLength(1);
  expect(saidOf([[over(0.3)], [over(0.31)]])).toHaveLength(2);
});
