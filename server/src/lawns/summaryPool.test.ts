import { companySchema, lawnBodySchema, localDate, type WeatherBundle } from '@alfombra/core';
import { randomUUID } from 'node:crypto';
import { lawnBody } from '../../test/testServer';
import { standInStations } from '../standins/weatherStation';
import { SummaryPool, type SummaryContext, type SummaryJob } from './summaryPool';

const today = localDate('2026-04-08');
const station = standInStations.get('valley')!;
const bundle: WeatherBundle = {
  station: {
    id: station.id,
    name: station.name,
    region: station.region,
    latitude: 38,
    standIn: true,
  },
  today,
  days: station.measured(today),
  forecast: station.forecast(today),
  climate: station.climate(),
  past: station.past(2026),
};
const context: SummaryContext = {
  company: companySchema.parse({
    id: randomUUID(),
    name: 'Test',
    demo: false,
    clock: { kind: 'fixed', date: today },
    policy: {},
    version: 1,
    today,
  }),
  bundles: new Map([['valley', bundle]]),
  sightings: new Map(),
};
const jobs = (count: number): SummaryJob[] =>
  Array.from({ length: count }, (_, index) => ({
    stationId: 'valley',
    file: {
      lawn: {
        id: `0190a000-0000-7000-8000-${String(index).padStart(12, '0')}`,
        version: 1,
        body: lawnBodySchema.parse({ ...lawnBody(), name: `Lawn ${index}` }),
      },
      visits: [],
      records: [],
      readings: [],
      samples: [],
    },
  })) as unknown as SummaryJob[];

it('works out the same in workers as here, in order, and tells how far it is', async () => {
  const pool = new SummaryPool(2);
  const all = jobs(90);
  const told: number[] = [];
  const many = await pool.run(context, all, (done) => told.push(done));
  const few = await pool.run(context, all.slice(0, 10));
  expect(many.map(({ name }) => name)).toEqual(all.map(({ file }) => file.lawn.body.name));
  // Ids of the test's zones are drawn anew; everything else is the same.
  expect(many.slice(0, 10)).toEqual(few);
  expect(told[0]).toBe(0);
  expect(told[told.length - 1]).toBe(90);
  expect([...told].sort((a, b) => a - b)).toEqual(told);
}, 60_000);
