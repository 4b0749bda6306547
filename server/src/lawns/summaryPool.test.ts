import { companySchema, lawnBodySchema, localDate, type WeatherBundle } from '@alfombra/core';
import { randomUUID } from 'node:crypto';
import { lawnBody } from '../../test/testServer';
import { standInStations } from '../standins/weatherStation';
import type { LawnWork } from './summarize';
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

const run = async (pool: SummaryPool, all: readonly SummaryJob[], told: number[] = []) => {
  const works = new Map<string, LawnWork>();
  await pool.run(
    context,
    all,
    (chunk) => Promise.resolve(chunk),
    (made, chunk, done) => {
      made.forEach((work, index) => works.set(chunk[index]!.file.lawn.id, work));
      told.push(done);
      return Promise.resolve();
    },
  );
  return all.map(({ file }) => works.get(file.lawn.id)!);
};

it('works out the same in threads as here, and tells how far it is', async () => {
  const pool = new SummaryPool(2);
  const all = jobs(90);
  const few = await run(pool, all.slice(0, 5));
  const told: number[] = [];
  const many = await run(pool, all, told);
  expect(many.map(({ summary }) => summary.name)).toEqual(
    all.map(({ file }) => file.lawn.body.name),
  );
  expect(many.slice(0, 5)).toEqual(JSON.parse(JSON.stringify(few)));
  expect(told[told.length - 1]).toBe(90);
  expect([...told].sort((a, b) => a - b)).toEqual(told);
  await pool.close();
}, 60_000);

it('has no more threads than it may, however many ask at once, and none is left behind', async () => {
  const pool = new SummaryPool(2);
  const threads = () => (pool as unknown as { started: number }).started;
  let most = 0;
  const watch = setInterval(() => (most = Math.max(most, threads())), 1);
  const sizes = [30, 45, 25, 50];
  const all = await Promise.all(sizes.map((size) => run(pool, jobs(size))));
  clearInterval(watch);
  expect(all.map((works) => works.filter(Boolean).length)).toEqual(sizes);
  expect(most).toBe(2);
  await pool.close();
}, 60_000);
