import { gzipSync } from 'node:zlib';
import type { LawnRevision } from '@alfombra/core';
import { v7 as uuid } from 'uuid';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

async function lawn() {
  const signed = await signedInCompany(server);
  const id = uuid();
  const body = { ...lawnBody(), stationId: 'valley' };
  let version = 0;
  const put = async (more: object) => {
    const { body: kept } = await signed.agent
      .put(`/api/lawns/${id}`)
      .send({ ...body, ...more, version })
      .expect(200);
    version = kept.version as number;
  };
  /** Has the season worked out, and gives what moved in it, the newest first. */
  const moved = async (): Promise<LawnRevision[]> =>
    (await signed.agent.get(`/api/lawns/${id}/revisions`).expect(200)).body;
  const causes = (revision: LawnRevision | undefined) => [
    ...new Set(revision?.moves.map(({ cause }) => cause)),
  ];
  await put({});
  return { ...signed, id, body, put, moved, causes };
}

const weatherOf = (meanF: number) =>
  [
    'date,tmax_f,tmin_f,rain_in',
    ...Array.from({ length: 98 }, (_, day) => {
      const date = new Date(Date.UTC(2026, 0, 1 + day)).toISOString().slice(0, 10);
      return `${date},${meanF + 10},${meanF - 10},0`;
    }),
  ].join('\n');

it('tells nothing of a first plan, and nothing where nothing moved', async () => {
  const { put, moved } = await lawn();
  expect(await moved()).toEqual([]);
  await put({ property: { access: 'the gate is left' } });
  expect(await moved()).toEqual([]);
});

it('names the one input that moved the work: upkeep, weather, the company’s rules', async () => {
  const { agent, put, moved, causes } = await lawn();
  await moved();
  await put({ upkeep: 'showpiece' });
  const [upkeep, ...none] = await moved();
  expect([causes(upkeep), none]).toEqual([['upkeep'], []]);
  for (const { works, from, to, products, amount } of upkeep!.moves) {
    expect(works.length).toBeGreaterThan(0);
    expect(from === to && products === undefined && amount === undefined).toBe(false);
  }
  await agent
    .post('/api/stations/valley/weather-csv')
    .send({ csv: weatherOf(62), keep: true })
    .expect(200);
  const after = await moved();
  expect([after.length, causes(after[0])]).toEqual([2, ['day']]);
  expect(after[0]!.id).toBeGreaterThan(after[1]!.id);
  // Asked again, nothing is told twice.
  expect(await moved()).toEqual(after);
});

it('tells of both where two inputs changed, each with its own', async () => {
  const { put, moved, causes } = await lawn();
  await moved();
  await put({ upkeep: 'showpiece', agreement: { services: [], doneBy: {} } });
  // What is agreed moves no work: it makes it an offer.
  expect(causes((await moved())[0])).toEqual(['upkeep']);
});

it('loses no lawn over a plan that an older planner remembered otherwise', async () => {
  const { agent, id, put, moved } = await lawn();
  await moved();
  const forget = (asked: object) =>
    server.models.lawnPlans.update(
      { asked: gzipSync(JSON.stringify(asked)) },
      { where: { lawnId: id } },
    );
  for (const [asked, upkeep] of [
    [{}, 'showpiece'],
    [{ zones: 'none' }, 'standard'],
  ] as const) {
    await forget(asked);
    await put({ upkeep });
    const [row] = (await agent.get('/api/lawns').expect(200)).body as { fault: string | null }[];
    expect(row!.fault).toBeNull();
  }
  expect(await moved()).toEqual([]);
});

it('keeps what moved for a season', async () => {
  const { companyId, id, put, moved } = await lawn();
  await moved();
  const old = (day: string) =>
    server.models.lawnRevisions.create({ companyId, lawnId: id, day: day as never, moves: [] });
  // The company's day is 8 April.
  await old('2025-10-10');
  await old('2025-10-09');
  await put({ upkeep: 'showpiece' });
  expect((await moved()).map(({ day }) => day)).toEqual(['2026-04-08', '2025-10-10']);
});

it('is told to nobody else', async () => {
  const { id } = await lawn();
  const other = await signedInCompany(server);
  await other.agent.get(`/api/lawns/${id}/revisions`).expect(404);
});
