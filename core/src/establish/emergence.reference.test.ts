/** Days to the first seedlings by soil: thermal time (form: Larsen & Bibby 2005; table and example from memory). */
import type { GrassSlug } from '../knowledge';
import { emergenceCurve, germinationPace } from '../knowledge/germination';
import { daysToStand, daysUntilUp, emergencePace } from './emergence';

const SOILS = [55, 60, 65, 70, 75, 80];
/** Days to the first seedlings at 55 to 80 °F; `null`: none come up. */
const DAYS: Partial<Record<GrassSlug, readonly (number | null)[]>> = {
  'kentucky-bluegrass': [17.1, 12.6, 10, 10, 10, 10],
  'tall-fescue': [11.2, 8.4, 6.7, 6, 6, 6],
  'fine-fescue': [9.5, 7.1, 6.5, 6.5, 6.5, 9.2],
  'perennial-ryegrass': [7.1, 5.5, 4.4, 4, 4, 4],
  'annual-ryegrass': [6.7, 5.3, 4.4, 4, 4, 4],
  'creeping-bentgrass': [9.6, 7.1, 5.6, 5, 5, 5],
  'bermuda-common': [null, 36, 18, 12, 9, 7.2],
  'zoysia-wide': [null, 120, 34.3, 20, 14.1, 10.9],
  centipede: [null, 156, 44.6, 26, 18.4, 14.2],
  bahia: [null, 162, 46.3, 27, 19.1, 14.7],
  buffalograss: [65.3, 24.5, 15.1, 10.9, 8.5, 7],
  carpetgrass: [null, 132, 37.7, 22, 15.5, 12],
};

it.each(Object.entries(DAYS))('%s', (species, days) => {
  days.forEach((wanted, index) => {
    const pace = emergencePace(species as GrassSlug, SOILS[index]!)!;
    if (wanted === null) expect(pace).toBe(0);
    // The table has a tenth of a day.
    else expect(Math.abs(1 / pace - wanted)).toBeLessThan(0.0501);
  });
});
it('knows every grass that it has a pace for, and no other', () => {
  expect(Object.keys(germinationPace).sort()).toEqual(Object.keys(DAYS).sort());
  expect(emergencePace('st-augustine', 70)).toBeNull();
});
it('stands still at the base and at the ceiling, and a degree inside goes on', () => {
  expect(emergencePace('tall-fescue', 40)).toBe(0);
  expect(emergencePace('tall-fescue', 41)).toBeGreaterThan(0);
  expect(emergencePace('tall-fescue', 95)).toBe(0);
  expect(emergencePace('tall-fescue', 94)).toBeGreaterThan(0);
});

describe('EX-4.5: tall fescue in twelve days of soil', () => {
  const soil = [58, 60, 61, 59, 62, 63, 64, 62, 60, 61, 63, 64];
  it('comes the way of each day', () => {
    const way = [
      0.1071, 0.2262, 0.3512, 0.4643, 0.5952, 0.7321, 0.875, 1.006, 1.125, 1.25, 1.387, 1.53,
    ];
    let sum = 0;
    soil.forEach((degrees, day) => {
      sum += emergencePace('tall-fescue', degrees)!;
      expect(Math.abs(sum - way[day]!)).toBeLessThan(6e-4);
    });
  });
  it('is first up on day 8, and half is up on day 12', () => {
    expect(daysUntilUp('tall-fescue', soil)).toBe(8);
    expect(daysUntilUp('tall-fescue', soil, emergenceCurve.median)).toBe(12);
    expect(daysToStand('tall-fescue', soil)).toEqual([8, null]);
  });
  it('waits through days of which nobody knows the soil', () => {
    expect(daysUntilUp('tall-fescue', [null, null, ...soil])).toBe(10);
  });
});
