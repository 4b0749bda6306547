import { addDays, localDate, weatherBundleSchema } from '@alfombra/core';
import { randomUUID } from 'node:crypto';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';
import { standInStations } from '../standins/weatherStation';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

async function lawn() {
  const { agent } = await signedInCompany(server);
  const id = randomUUID();
  await agent
    .put(`/api/lawns/${id}`)
    .send({ ...lawnBody(), version: 0 })
    .expect(200);
  return { agent, weather: async () => (await agent.get(`/api/lawns/${id}/weather`)).body };
}

it('tells the year as it stands on the company’s day, and that it is made up', async () => {
  const { weather } = await lawn();
  const bundle = weatherBundleSchema.parse(await weather());
  expect(bundle.station.standIn).toBe(true);
  expect(bundle.days).toHaveLength(98);
  expect(bundle.days[97]?.date).toBe('2026-04-08');
  expect(bundle.forecast).toHaveLength(10);
});

it('puts imported days in place of made-up ones, for that company only', async () => {
  const mine = await lawn();
  const other = await lawn();
  const csv = 'date,tmax_c,tmin_c,rain_mm\n2026-04-07,10,0,0\n2026-04-08,12,2,5';
  const look = await mine.agent.post('/api/stations/valley/weather-csv').send({ csv, keep: false });
  expect(look.body).toMatchObject({ days: 2, kept: false, errors: [] });
  const before = await mine.weather();
  await mine.agent.post('/api/stations/valley/weather-csv').send({ csv }).expect(200);
  const after = await mine.weather();
  expect(after.days[97]).toMatchObject({ tmaxF: 53.6, tminF: 35.6 });
  expect(after.days[95]).toEqual(before.days[95]);
  expect((await other.weather()).days[97]).toEqual(before.days[97]);
});

it('takes the latest twenty whole years of its own for its past', async () => {
  const { agent, weather } = await lawn();
  const rows = ['date,tmax_f,tmin_f,rain_in'];
  for (let date = localDate('1990-01-01'); date < '2013-01-01'; date = addDays(date, 1)) {
    // A year counts from 350 of its days on: 2005 has one too few, 2006 just enough.
    const month = date.slice(5);
    if (date < '2006' && date > '2005' && month > '12-15') continue;
    if (date < '2007' && date > '2006' && month > '12-16') continue;
    rows.push(`${date},60,40,0`);
  }
  const csv = rows.join('\n');
  await agent.post('/api/stations/valley/weather-csv').send({ csv }).expect(200);
  const { past } = await weather();
  const years = Array.from({ length: 21 }, (_, index) => 1992 + index);
  expect(past.map(({ year }: { year: number }) => year)).toEqual(
    years.filter((year) => year !== 2005),
  );
});

it('keeps nothing of a file with a fault, and says where it is', async () => {
  const { agent, weather } = await lawn();
  const csv = 'date,tmax_f,tmin_f,rain_in\n2026-04-07,50,40,0\n2026-04-07,51,40,0';
  const before = await weather();
  const response = await agent.post('/api/stations/valley/weather-csv').send({ csv });
  expect(response.status).toBe(422);
  expect(response.body).toMatchObject({ kept: false, errors: [{ row: 3, column: 'date' }] });
  expect(await weather()).toEqual(before);
  await agent.post('/api/stations/nowhere/weather-csv').send({ csv }).expect(404);
});

it('takes no day to come for measured, nor a number of another kind, and names a few faults of many', async () => {
  const { agent, weather } = await lawn();
  const before = await weather();
  const take = (rows: string[]) =>
    agent
      .post('/api/stations/valley/weather-csv')
      .send({ csv: ['date,tmax_f,tmin_f,rain_in', ...rows].join('\n') });
  const ahead = await take(['2026-04-08,60,40,0', '2026-04-09,60,40,0']);
  expect([ahead.status, ahead.body.errors[0].message]).toEqual([
    422,
    '2026-04-09 is after today (2026-04-08)',
  ]);
  const hex = await take(['2026-04-08,0x40,40,0']);
  expect(hex.body.errors).toMatchObject([{ row: 2, column: 'tmax' }]);
  expect((await take(['1776-07-04,60,40,0'])).status).toBe(422);
  const many = await take(Array.from({ length: 5000 }, () => 'no day,x,y,z'));
  expect(many.body.errors).toHaveLength(200);
  expect(await weather()).toEqual(before);
});

it('has stations in three climates, each the same on every call', () => {
  const today = '2026-07-01' as Parameters<
    NonNullable<ReturnType<typeof standInStations.get>>['measured']
  >[0];
  const means = ['ridge', 'valley', 'flats'].map((id) => {
    const station = standInStations.get(id)!;
    expect(station.measured(today)).toEqual(station.measured(today));
    expect(station.hours(today)).toHaveLength(24);
    return station.measured(today).reduce((sum, d) => sum + d.tmaxF, 0);
  });
  expect([...means].sort((a, b) => a - b)).toEqual(means);
});
