import { climateNormals, localDate, syntheticYear, type WeatherBundle } from '@alfombra/core';
import { standInProbe } from './standInProbe';

const CLIMATE = {
  meanF: 56,
  halfRangeF: 21,
  warmestDay: 200,
  dailyHalfRangeF: [9, 11] as [number, number],
  sdF: [7, 4] as [number, number],
  wetShare: 0.3,
  wetDayIn: 0.4,
};
const weather = (days: number, today: string): WeatherBundle => ({
  station: { id: 't', name: 't', region: 'transition', latitude: 38, standIn: true },
  today: localDate(today),
  days: syntheticYear(CLIMATE, 2026, 3).slice(0, days),
  forecast: [],
  climate: climateNormals(CLIMATE),
  past: [],
});

it('reads five spots near the air, the same on the same day', () => {
  const bundle = weather(98, '2026-04-08');
  const spots = standInProbe(bundle);
  expect(spots).toHaveLength(5);
  expect(standInProbe(bundle)).toEqual(spots);
  expect(Math.max(...spots) - Math.min(...spots)).toBeLessThanOrEqual(3);
  expect(standInProbe(weather(99, '2026-04-09'))).not.toEqual(spots);
});

it('is warmer in July than in April', () => {
  const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  expect(mean(standInProbe(weather(190, '2026-07-09')))).toBeGreaterThan(
    mean(standInProbe(weather(98, '2026-04-08'))),
  );
});
