import { randomUUID } from 'node:crypto';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

async function lawnOf(agent: Awaited<ReturnType<typeof signedInCompany>>['agent']) {
  const id = randomUUID();
  const body = lawnBody();
  await agent
    .put(`/api/lawns/${id}`)
    .send({ ...body, version: 0 })
    .expect(200);
  return { id, body };
}

describe('writing a lawn', () => {
  it('takes a new one under the client’s id and gives it back', async () => {
    const { agent } = await signedInCompany(server);
    const { id, body } = await lawnOf(agent);
    const read = await agent.get(`/api/lawns/${id}`).expect(200);
    expect(read.body).toMatchObject({ id, version: 1, name: body.name });
    expect(read.body.zones[0].site).toMatchObject({ irrigated: null, treeRoots: false });
  });
  it('answers the same write again as the first time', async () => {
    const { agent } = await signedInCompany(server);
    const { id, body } = await lawnOf(agent);
    const again = await agent
      .put(`/api/lawns/${id}`)
      .send({ ...body, version: 0 })
      .expect(200);
    expect(again.body.version).toBe(1);
  });
  it('refuses a stale version and keeps the newer one', async () => {
    const { agent } = await signedInCompany(server);
    const { id, body } = await lawnOf(agent);
    await agent
      .put(`/api/lawns/${id}`)
      .send({ ...body, name: 'Mine', version: 1 })
      .expect(200);
    const stale = await agent.put(`/api/lawns/${id}`).send({ ...body, name: 'Yours', version: 1 });
    expect(stale.status).toBe(409);
    expect(stale.body.error).toMatchObject({ code: 'stale-version', path: ['version'] });
    const read = await agent.get(`/api/lawns/${id}`);
    expect(read.body).toMatchObject({ name: 'Mine', version: 2 });
  });
  it('does not make a lawn out of a version it never had', async () => {
    const { agent } = await signedInCompany(server);
    await agent
      .put(`/api/lawns/${randomUUID()}`)
      .send({ ...lawnBody(), version: 3 })
      .expect(404);
  });
  it.each([
    [
      'cover over 100 %',
      (b: ReturnType<typeof lawnBody>) => (b.zones[0]!.stand[0]!.cover = 1.2),
      'zones.0.stand.0.cover',
    ],
    [
      'an unknown grass',
      (b: ReturnType<typeof lawnBody>) => (b.zones[0]!.stand[0]!.species = 'plush'),
      'zones.0.stand.0.species',
    ],
    ['no name', (b: ReturnType<typeof lawnBody>) => (b.name = ''), 'name'],
    [
      'a line for an outline',
      (b: ReturnType<typeof lawnBody>) => b.zones[0]!.outline.splice(2),
      'zones.0.outline',
    ],
  ])('points at %s', async (_, spoil, path) => {
    const { agent } = await signedInCompany(server);
    const body = lawnBody();
    spoil(body);
    const response = await agent.put(`/api/lawns/${randomUUID()}`).send({ ...body, version: 0 });
    expect(response.status).toBe(422);
    expect(response.body.error.issues.map((i: { path: string[] }) => i.path.join('.'))).toContain(
      path,
    );
  });
  it('points at a patch outside the lawn’s zones, and at an id that is none', async () => {
    const { agent } = await signedInCompany(server);
    const patch = {
      id: randomUUID(),
      zoneId: randomUUID(),
      number: 1,
      centre: { x: 1, y: 1 },
      widthFt: 2,
      lengthFt: 2,
      seenOn: '2026-04-01',
    };
    const response = await agent
      .put(`/api/lawns/${randomUUID()}`)
      .send({ ...lawnBody(), patches: [patch], version: 0 });
    expect(response.status).toBe(422);
    expect(response.body.error.path).toEqual(['patches', 0, 'zoneId']);
    await agent.get('/api/lawns/not-an-id').expect(422);
  });
});

describe('one company never sees another’s', () => {
  it('lawns, and everything under them', async () => {
    const mine = await signedInCompany(server);
    const other = await signedInCompany(server);
    const { id, body } = await lawnOf(mine.agent);
    expect((await other.agent.get('/api/lawns')).body).toEqual([]);
    for (const path of ['', '/visits', '/records', '/readings', '/weather']) {
      const response = await other.agent.get(`/api/lawns/${id}${path}`);
      expect([path, response.status]).toEqual([path, 404]);
    }
    const write = await other.agent
      .put(`/api/lawns/${id}`)
      .send({ ...body, name: 'Taken', version: 1 });
    expect(write.status).toBe(404);
    const visit = await other.agent.put(`/api/visits/${randomUUID()}`).send({
      lawnId: id,
      date: '2026-04-08',
      technician: 'X',
      looks: [],
      version: 0,
    });
    expect(visit.status).toBe(404);
    expect((await mine.agent.get(`/api/lawns/${id}`)).body.name).toBe(body.name);
  });
});

describe('what is due', () => {
  it('is worked out for every lawn and moves with what is written', async () => {
    const { agent } = await signedInCompany(server);
    const { id, body } = await lawnOf(agent);
    const [before] = (await agent.get('/api/lawns')).body;
    expect(before).toMatchObject({ id, areaFt2: 3000, lastVisit: null });
    await agent
      .put(`/api/visits/${randomUUID()}`)
      .send({
        lawnId: id,
        date: '2026-04-08',
        technician: 'Test Person',
        version: 0,
        looks: [
          {
            zoneId: body.zones[0]!.id,
            patchId: null,
            answers: {},
            tests: [],
            leading: [],
            decision: null,
            weeds: [{ weed: 'large-crabgrass', cover: 0.1, growing: false }],
          },
        ],
      })
      .expect(200);
    const [after] = (await agent.get('/api/lawns')).body;
    expect(after.lastVisit).toBe('2026-04-08');
    const kinds = [...after.due.map((d: { kind: string }) => d.kind), after.next?.kind];
    expect(kinds).toContain('prevent');
  });
});

describe('what colleagues saw', () => {
  it('reaches the other lawns of the station, and goes after three weeks', async () => {
    const { agent } = await signedInCompany(server);
    const seenAt = await lawnOf(agent);
    const other = await lawnOf(agent);
    const found = (date: string, cause: string) =>
      agent
        .put(`/api/visits/${randomUUID()}`)
        .send({
          lawnId: seenAt.id,
          date,
          technician: 'Test Person',
          version: 0,
          looks: [
            {
              zoneId: seenAt.body.zones[0]!.id,
              patchId: null,
              answers: {},
              tests: [],
              leading: [],
              decision: { kind: 'cause', cause },
              weeds: [],
            },
          ],
        })
        .expect(200);
    await found('2026-04-05', 'large-patch');
    await found('2026-03-01', 'dollar-spot');
    const lawns = (await agent.get('/api/lawns')).body as { id: string; sightings: object[] }[];
    expect(lawns.find(({ id }) => id === other.id)!.sightings).toEqual([
      { problem: 'large-patch', on: '2026-04-05' },
    ]);
  });
});

describe('one lawn that is wrong', () => {
  it('is refused where it says a station that there is not, or lies at no place', async () => {
    const { agent } = await signedInCompany(server);
    const put = (body: object) =>
      agent.put(`/api/lawns/${randomUUID()}`).send({ ...body, version: 0 });
    const nowhere = await put({ ...lawnBody(), stationId: 'nowhere' });
    expect([nowhere.status, nowhere.body.error.path]).toEqual([422, ['stationId']]);
    const far = lawnBody();
    far.zones[0]!.outline[2] = { x: 1e200, y: 1e200 };
    expect((await put(far)).body.error.path).toEqual(['zones', 0, 'outline', 2, 'x']);
    const many = await put({ ...lawnBody(), zones: Array.from({ length: 300_000 }, () => 0) });
    expect([many.status, many.body.error.path]).toEqual([422, ['zones']]);
  });
  it('stands on the list, marked, and takes no other down', async () => {
    const { agent, companyId } = await signedInCompany(server);
    const good = await lawnOf(agent);
    const wrong = [
      { ...lawnBody(), name: 'No such station', stationId: 'nowhere' },
      { ...lawnBody(), name: 'Endless', zones: [endless()] },
      { ...lawnBody(), name: 'Old', upkeep: 'no word of today' },
      { name: 'Hardly anything' },
    ];
    for (const body of wrong) {
      // As a row from before a rule was there.
      await server.models.lawns.create({ id: randomUUID(), companyId, version: 1, body });
    }
    const { body: list } = await agent.get('/api/lawns').expect(200);
    const faults = new Map(
      (list as { name: string; fault: string | null }[]).map(({ name, fault }) => [name, fault]),
    );
    expect(faults.get(good.body.name)).toBeNull();
    for (const { name } of wrong) expect(faults.get(name)).toEqual(expect.any(String));
    expect(faults.get('Old')).toMatch(/^upkeep: /);
    const { body: along } = await agent.get('/api/take-along').expect(200);
    expect(along.files.map(({ lawn }: { lawn: { id: string } }) => lawn.id)).toContain(good.id);
  });
});

function endless() {
  const [zone] = lawnBody().zones;
  return {
    ...zone!,
    outline: [
      { x: 0, y: 0 },
      { x: 1e200, y: 0 },
      { x: 0, y: 1e200 },
    ],
  };
}
