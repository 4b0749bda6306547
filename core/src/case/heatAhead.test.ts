/** Lines of heat: common practice. */
import { addDays, localDate } from '../units';
import { heatAhead } from './heatAhead';

const TODAY = localDate('2026-07-10');
const cool = {
  stand: [{ species: 'tall-fescue' as const, cover: 0.9 }],
  desired: ['tall-fescue' as const],
};
const warm = {
  stand: [{ species: 'bermuda-common' as const, cover: 0.9 }],
  desired: ['bermuda-common' as const],
};
const days = (...highs: number[]) =>
  highs.map((tmaxF, day) => ({ date: addDays(TODAY, day), tmaxF }));
const holds = (zones: Parameters<typeof heatAhead>[0], ...highs: number[]) =>
  heatAhead(zones, days(...highs)).map(({ hold }) => hold);

it('holds each at its line and not inside it', () => {
  expect(holds([cool], 85)).toEqual([]);
  expect(holds([cool], 86)).toEqual(['spray']);
  expect(holds([cool], 89)).toEqual(['spray']);
  expect(holds([cool], 90)).toEqual(['spray', 'feed']);
  expect(holds([cool], 99)).toEqual(['spray', 'feed']);
  expect(holds([cool], 100)).toEqual(['spray', 'feed', 'traffic']);
});
it('names the days and the hottest of them', () => {
  expect(heatAhead([cool], days(80, 88, 92, 84, 91))).toEqual([
    { hold: 'spray', lineF: 85, days: [1, 2, 4].map((day) => addDays(TODAY, day)), highF: 92 },
    { hold: 'feed', lineF: 90, days: [2, 4].map((day) => addDays(TODAY, day)), highF: 92 },
  ]);
});
it('lets warm-season turf be fed and walked on, and counts a lawn by its tenderest zone', () => {
  expect(holds([warm], 101)).toEqual(['spray']);
  expect(holds([warm, cool], 101)).toEqual(['spray', 'feed', 'traffic']);
  expect(holds([], 101)).toEqual(['spray']);
});
