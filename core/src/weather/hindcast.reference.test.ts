/**
 * The projection against the calendar on daily weather of two cities, 2012-2015 (NOAA, as shipped by
 * vega-datasets), and on made-up years. The bench prints the whole table.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { hindcast, normalsOf } from './hindcast';
import { syntheticYear } from './syntheticWeather';
import { cityYears } from './testdata/cityWeather';
import { testClimate } from './testdata/testWeather';

const file = readFileSync(
  join(__dirname, '../../../node_modules/vega-datasets/data/weather.csv'),
  'utf8',
);

it('smooths normals to the yearly wave', () => {
  const normals = normalsOf(cityYears(file, 'Seattle'));
  expect(normals).toHaveLength(366);
  const july = normals[195]!;
  const january = normals[14]!;
  expect(july.tmaxF - january.tmaxF).toBeGreaterThan(25);
  expect(normals.every(({ sdF }) => sdF > 2 && sdF < 15)).toBe(true);
});
it('is nearer than the calendar on real weather', () => {
  const rows = ['Seattle', 'New York'].flatMap((place) =>
    hindcast(cityYears(file, place), 50, 'rising', [30, 7]),
  );
  for (const lead of [30, 7]) {
    const own = rows.filter(({ leadDays }) => leadDays === lead);
    expect(own).toHaveLength(2);
    const sum = (of: 'projected' | 'calendar') => own.reduce((all, row) => all + row[of], 0);
    expect(sum('projected')).toBeLessThan(sum('calendar'));
  }
});
it('gets nearer as the day comes', () => {
  const years = Array.from({ length: 12 }, (_, i) => ({
    year: 2001 + i,
    days: syntheticYear(testClimate.transition, 2001 + i, 3),
  }));
  const [far, near] = hindcast(years, 70, 'falling', [30, 7]);
  expect(near!.projected).toBeLessThan(far!.projected);
  expect(near!.projected).toBeLessThan(near!.calendar);
});
