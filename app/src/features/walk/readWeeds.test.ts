import type { NumberText } from '@/ui';
import { readWeeds } from './readWeeds';

const row = (cover: string, weed = 'dandelion', growing = true) => ({
  weed,
  cover: cover as NumberText,
  growing,
});

it('turns per cent into shares and adds them up', () => {
  expect(readWeeds([row('12.5'), row('4', 'white-clover', false)])).toEqual({
    findings: [
      { weed: 'dandelion', growing: true, cover: 0.125 },
      { weed: 'white-clover', growing: false, cover: 0.04 },
    ],
    bad: [false, false],
    // What does not grow now takes no ground.
    totalPct: 12.5,
  });
});

it('is empty when nothing was seen', () => {
  expect(readWeeds([])).toEqual({ findings: [], bad: [], totalPct: 0 });
});

it.each(['', 'much', '-1', '101', '1e9', '12,5'])(
  'marks the row of a cover like “%s”, and no other',
  (bad) => {
    const read = readWeeds([row('5'), row(bad), row('7')]);
    expect(read.bad).toEqual([false, true, false]);
    expect(read.findings).toBeNull();
  },
);

it('lets 0 and 100 pass: they are shares of the ground', () => {
  expect(readWeeds([row('0'), row('100')]).bad).toEqual([false, false]);
});
