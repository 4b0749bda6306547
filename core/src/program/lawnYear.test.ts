import { grass } from '../knowledge';
import { zoneSchema } from '../lawn';
import { addDays, localDate } from '../units';
import { testWeather } from '../weather/testdata/testWeather';
import { lawnYear, readDay } from './lawnYear';

const zone = zoneSchema.parse({
  id: '0190a000-0000-7000-8000-000000000001',
  name: 'Front',
  outline: [
    { x: 0, y: 0 },
    { x: 50, y: 0 },
    { x: 50, y: 40 },
  ],
  edges: ['confirmed', 'confirmed', 'confirmed'],
  stand: [{ species: 'tall-fescue', cover: 0.9 }],
  desired: ['tall-fescue'],
  site: { factors: ['full-sun-tall'], texture: 'silt-loam', irrigated: false },
});
const today = localDate('2026-06-20');
const weather = testWeather('transition', 1, today);
const year = lawnYear(zone, weather, [], 3.5);

it('has a value for every day to next July, measured up to today', () => {
  const total = year.soil2.airHighF.length;
  for (const series of [
    year.growth,
    year.rainIn,
    year.demandIn,
    year.deficitIn,
    year.deficitHighIn,
  ]) {
    expect(series).toHaveLength(total);
  }
  expect(year.balance).toHaveLength(year.measuredDays);
  expect(addDays(year.start, year.measuredDays - 1)).toBe(today);
});
it('keeps the deficit within the root zone, with the dry years above the wet', () => {
  year.deficitIn.forEach((deficit, index) => {
    expect(deficit).toBeGreaterThanOrEqual(0);
    expect(deficit).toBeLessThanOrEqual(year.zone.totalIn + 1e-9);
    expect(year.deficitLowIn[index]!).toBeLessThanOrEqual(deficit + 1e-9);
    expect(year.deficitHighIn[index]!).toBeGreaterThanOrEqual(deficit - 1e-9);
  });
});
it('shows only the thresholds of its own kind of grass, rising ones in order', () => {
  expect(year.season).toBe('cool');
  expect(year.thresholds.every(({ threshold }) => threshold.season !== 'warm')).toBe(true);
  const rising = year.thresholds
    .filter(
      ({ threshold, crossing }) =>
        threshold.direction === 'rising' && threshold.depthIn === 2 && crossing,
    )
    .sort((a, b) => a.threshold.valueF - b.threshold.valueF)
    .map(({ crossing }) => crossing!.date);
  expect([...rising].sort()).toEqual(rising);
  expect(rising.length).toBeGreaterThan(4);
});
it('splits the year’s nitrogen by growth', () => {
  expect(year.nitrogenByMonth.reduce((a, b) => a + b, 0)).toBeCloseTo(3.5, 9);
  expect(year.nitrogenByMonth[4]).toBeGreaterThan(year.nitrogenByMonth[0]!);
});
it('lags at 4 in behind 2 in in spring', () => {
  const at = (depth: 'soil2' | 'soil4') => year[depth].crossing(55, 'rising')!.date;
  expect(at('soil4') >= at('soil2')).toBe(true);
});

describe('a day read', () => {
  const may = (date: string) =>
    Object.fromEntries(
      readDay(year, zone, 'transition', localDate(date))!.verdicts.map(
        ({ work, may: ok, rule }) => [work, `${ok ? 'yes' : 'no'} ${rule}`],
      ),
    );
  it('in January nothing grows', () => {
    expect(may('2026-01-20').feed).toMatch(/^no day-(asleep|frozen)/);
    expect(may('2026-01-20')['post-emergent']).toMatch(/^no day-cold/);
  });
  it('in April the pre-emergent is open while the soil is between 48 and 55 °F', () => {
    const open = Array.from({ length: 150 }, (_, i) => addDays(localDate('2026-02-01'), i)).filter(
      (date) => may(date)['pre-emergent']!.startsWith('yes'),
    );
    expect(open.length).toBeGreaterThanOrEqual(5);
    for (const date of open) {
      const soil = readDay(year, zone, 'transition', date)!.soilF!;
      expect(soil).toBeGreaterThanOrEqual(48);
      expect(soil).toBeLessThan(55);
    }
  });
  it('in September seed goes down, in late November it does not', () => {
    expect(may('2026-09-10').seed).toBe('yes day-seed-open');
    expect(may('2026-11-25').seed).toMatch(/^no/);
    expect(grass('tall-fescue').seed?.soilF.min).toBe(50);
  });
  it('is not read outside the year', () => {
    expect(readDay(year, zone, 'transition', localDate('2025-12-31'))).toBeNull();
  });
});
