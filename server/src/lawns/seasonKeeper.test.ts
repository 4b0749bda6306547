import { randomUUID } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import { createApp } from '../app';
import request from 'supertest';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

interface Row {
  id: string;
  due: { closes: string }[];
  next: { opens: string } | null;
  sightings: { problem: string }[];
}

async function company(lawns: number) {
  const signed = await signedInCompany(server);
  const ids = Array.from({ length: lawns }, () => uuid());
  for (const [index, id] of ids.entries()) {
    await signed.agent
      .put(`/api/lawns/${id}`)
      .send({
        ...lawnBody(),
        name: `Lawn ${index}`,
        stationId: index % 2 === 0 ? 'valley' : 'ridge',
        version: 0,
      })
      .expect(200);
  }
  const list = async (): Promise<Row[]> => (await signed.agent.get('/api/lawns').expect(200)).body;
  /** What is kept, by lawn, as it was written last. */
  const kept = async () =>
    new Map(
      (await server.models.lawnSeasons.findAll({ where: { companyId: signed.companyId } })).map(
        (row) => [row.lawnId, row.standsOn],
      ),
    );
  return { ...signed, ids, list, kept };
}

/** Counts the seasons of a company that are written from here on; the other companies' are not its own. */
function seasonsWritten(companyId: string): () => number {
  const writes = jest.spyOn(server.models.lawnSeasons, 'bulkCreate');
  return () => {
    const rows = writes.mock.calls.flatMap(([written]) => [...written]);
    writes.mockRestore();
    return rows.filter((row) => row.companyId === companyId).length;
  };
}

const weatherOf = (year: number, meanF: number) =>
  [
    'date,tmax_f,tmin_f,rain_in',
    ...Array.from({ length: 98 }, (_, day) => {
      const date = new Date(Date.UTC(year, 0, 1 + day)).toISOString().slice(0, 10);
      return `${date},${meanF + 10},${meanF - 10},0`;
    }),
  ].join('\n');

it('shows the season of the last of two imports within one second', async () => {
  const { agent, list } = await company(1);
  const take = (csv: string) =>
    agent.post('/api/stations/valley/weather-csv').send({ csv, keep: true }).expect(200);
  const cold = weatherOf(2026, 33);
  const warm = weatherOf(2026, 58);
  await take(cold);
  const first = await list();
  await take(warm);
  const second = await list();
  await take(cold);
  const third = await list();
  expect(second).not.toEqual(first);
  expect(third).toEqual(first);
});

it('works out nothing twice: not when read again, not on another server, not after a restart', async () => {
  const { companyId, email, list, kept } = await company(4);
  const first = await list();
  const before = await kept();
  expect(before.size).toBe(4);
  const other = createApp(server.models, {
    logLevel: 'silent',
    web: undefined,
    secureCookie: false,
    key: 'a key of the tests alone',
  });
  const agent = request.agent(other);
  await agent.post('/api/session').send({ email, password: 'a-test-password' }).expect(200);
  const written = seasonsWritten(companyId);
  expect((await agent.get('/api/lawns')).body).toEqual(first);
  expect(await list()).toEqual(first);
  expect(written()).toBe(0);
  expect(await kept()).toEqual(before);
  expect(await server.models.seasonLeases.count({ where: { companyId } })).toBe(0);
});

it('works out once what many ask for at the same time', async () => {
  const { agent, companyId } = await company(5);
  const written = seasonsWritten(companyId);
  const answers = await Promise.all([
    ...Array.from({ length: 6 }, () => agent.get('/api/lawns')),
    agent.get('/api/take-along'),
  ]);
  expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([200]));
  expect(written()).toBe(5);
});

it('waits for a server that is at it already, and takes over from one that is gone', async () => {
  const { companyId, list, kept } = await company(2);
  await server.models.seasonLeases.create({
    companyId,
    holder: randomUUID(),
    until: new Date(Date.now() + 1200),
  });
  const started = Date.now();
  expect(await list()).toHaveLength(2);
  expect(Date.now() - started).toBeGreaterThan(1000);
  expect((await kept()).size).toBe(2);
});

it('works out anew the lawns of a station that got weather, or that something was written of, alone', async () => {
  const { agent, ids, list, kept } = await company(4);
  await list();
  const before = await kept();
  await agent
    .post('/api/stations/valley/weather-csv')
    .send({ csv: weatherOf(2026, 50), keep: true })
    .expect(200);
  await list();
  const after = await kept();
  expect(ids.map((id) => before.get(id) !== after.get(id))).toEqual([true, false, true, false]);
  const { body: lawn } = await agent.get(`/api/lawns/${ids[1]}`);
  await agent
    .put(`/api/visits/${uuid()}`)
    .send({
      lawnId: ids[1],
      date: '2026-04-07',
      technician: 'Test Person',
      looks: [
        {
          zoneId: lawn.zones[0].id,
          patchId: null,
          answers: {},
          tests: [],
          leading: [],
          decision: { kind: 'cause', cause: 'dollar-spot' },
          weeds: [],
        },
      ],
      version: 0,
    })
    .expect(200);
  const rows = await list();
  const last = await kept();
  expect(ids.map((id) => after.get(id) !== last.get(id))).toEqual([false, true, false, false]);
  // The neighbour of the station hears of it all the same.
  expect(rows.find(({ id }) => id === ids[3])?.sightings).toMatchObject([
    { problem: 'dollar-spot' },
  ]);
});
