/**
 * The projection's band of eight years in ten against what comes, over made-up years of three climates with twenty years
 * behind each: counted by lead and by climate. Nothing in it knows the year that comes.
 */
import { addDays, daysBetween, localDate } from '../units';
import { soilSeason } from './soilSeason';
import {
  climateNormals,
  syntheticForecast,
  syntheticPast,
  syntheticYear,
} from './syntheticWeather';
import { testClimate } from './testdata/testWeather';

const LEADS = [3, 7, 14, 30, 60];
const CLIMATES = ['north', 'transition', 'south'] as const;
const MONTHS = ['02', '03', '04', '05', '06', '07', '08', '09', '10', '11'];
const YEARS = 20;
const FARTHEST = 60;

/** Whether each forecast of a made-up year held what came, by the month it was made in and by lead. */
function heldIn(
  region: (typeof CLIMATES)[number],
  seed: number,
): { month: string; lead: number; held: boolean }[] {
  const climate = testClimate[region];
  const truth = [...syntheticYear(climate, 2026, seed), ...syntheticYear(climate, 2027, seed)];
  const site = {
    climate: climateNormals(climate),
    past: syntheticPast(climate, 2026, 20, 1000 + seed),
    factors: ['full-sun-tall'] as const,
    depthIn: 2,
    seed: 1,
  };
  return MONTHS.flatMap((month) => {
    const today = localDate(`2026-${month}-20`);
    const day = daysBetween(localDate('2026-01-01'), today);
    const told = soilSeason({
      ...site,
      today,
      measured: truth.slice(0, day + 1),
      forecast: syntheticForecast(truth.slice(day + 1), today, seed),
      until: addDays(today, FARTHEST),
    });
    const came = soilSeason({
      ...site,
      today: addDays(today, FARTHEST),
      measured: truth.slice(0, day + FARTHEST + 1),
      forecast: [],
      until: addDays(today, FARTHEST + 1),
    });
    return LEADS.map((lead) => {
      const soilF = came.meanF[day + lead]!;
      const held = soilF >= told.lowF[day + lead]! && soilF <= told.highF[day + lead]!;
      return { month, lead, held };
    });
  });
}

const forecasts = CLIMATES.flatMap((region) =>
  Array.from({ length: YEARS }, (_, seed) =>
    heldIn(region, seed + 1).map((one) => ({ region, ...one })),
  ).flat(),
);
const heldPct = (of: (one: (typeof forecasts)[number]) => boolean) => {
  const own = forecasts.filter(of);
  return (100 * own.filter(({ held }) => held).length) / own.length;
};

it('holds eight years in ten over all', () => {
  expect(forecasts).toHaveLength(3000);
  expect(heldPct(() => true)).toBeGreaterThan(78);
  expect(heldPct(() => true)).toBeLessThan(84);
});
it.each(LEADS)('holds them %i days ahead', (lead) => {
  const held = heldPct((one) => one.lead === lead);
  expect(held).toBeGreaterThanOrEqual(74);
  expect(held).toBeLessThanOrEqual(86);
});
it.each(CLIMATES)('holds them in the %s', (region) => {
  const held = heldPct((one) => one.region === region);
  expect(held).toBeGreaterThanOrEqual(74);
  expect(held).toBeLessThanOrEqual(86);
});
it.each(CLIMATES.flatMap((region) => MONTHS.map((month) => [region, month])))(
  'holds six and a half in ten in the %s in month %s',
  (region, month) => {
    const own = heldPct((one) => one.region === region && one.month === month);
    expect(own).toBeGreaterThanOrEqual(65);
  },
);
