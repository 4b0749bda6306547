import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../test/testServer';
import {
  dayIn,
  dueWork,
  lawnSchema,
  temperaturesOf,
  type ProbeReading,
  type ReadingBody,
} from '@alfombra/core';
import { lawnSeason, questionOf } from '@alfombra/core/planning';
import { DEMO_PASSWORD, demoUsers } from './demo/company';
import { loadDemo } from './demo/load';
import { endpoints } from './http/openApi';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

it('is well, and guarded', async () => {
  const response = await request(server.app).get('/api/health').expect(200);
  expect(response.body).toEqual({ ok: true, database: true });
  expect(response.headers['x-content-type-options']).toBe('nosniff');
  expect(response.headers['x-powered-by']).toBeUndefined();
});

interface Layer {
  rawPath?: string | null;
  route?: { path: string; methods: Record<string, boolean> };
  handle?: { stack?: Layer[] };
}

/** Every route that the server answers at, as `get /api/lawns/{id}`. */
const routesOf = (layers: readonly Layer[], before = ''): string[] =>
  layers.flatMap(({ rawPath, route, handle }) => {
    const path = (own: string) => `${before}${own === '/' ? '' : own}`;
    if (route) {
      return Object.keys(route.methods).map(
        (method) => `${method} ${path(route.path).replace(/:(\w+)/g, '{$1}')}`,
      );
    }
    return handle?.stack ? routesOf(handle.stack, path(rawPath ?? '')) : [];
  });

it('describes exactly the endpoints it has', async () => {
  const { body } = await request(server.app).get('/api/openapi.json').expect(200);
  expect(body.openapi).toBe('3.1.0');
  const listed = Object.entries(body.paths as Record<string, object>).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => `${method} ${path}`),
  );
  const answered = routesOf((server.app.router as unknown as { stack: Layer[] }).stack);
  expect(answered.length).toBeGreaterThan(30);
  expect(listed.sort()).toEqual([...new Set(answered)].sort());
  expect(
    body.paths['/api/records/{id}'].put.requestBody.content['application/json'].schema,
  ).toBeDefined();
});

it('asks for a session on every endpoint that is not open', async () => {
  for (const { method, path, open } of endpoints) {
    if (open) continue;
    const url = path.replace('{id}', randomUUID());
    const response = await request(server.app)[method](url).send({});
    const expected = method === 'delete' && path === '/api/session' ? 204 : 401;
    expect([method, path, response.status]).toEqual([method, path, expected]);
  }
});

it('has an error of one shape for everything', async () => {
  const { agent } = await signedInCompany(server);
  const missing = await agent.get('/api/nothing').expect(404);
  expect(missing.body.error).toMatchObject({ code: 'not-found' });
  const broken = await agent
    .put(`/api/lawns/${randomUUID()}`)
    .set('content-type', 'application/json')
    .send('{"name":');
  expect(broken.status).toBe(422);
  expect(broken.body.error.code).toBe('bad-input');
});

describe('the company', () => {
  it('lets the owner move its day, and every lawn with it', async () => {
    const { agent } = await signedInCompany(server);
    const id = randomUUID();
    await agent
      .put(`/api/lawns/${id}`)
      .send({ ...lawnBody(), version: 0 })
      .expect(200);
    const { body: company } = await agent.get('/api/company');
    expect(company.today).toBe('2026-04-08');
    const moved = await agent
      .put('/api/company')
      .send({ clock: { kind: 'fixed', date: '2026-07-10' }, policy: company.policy, version: 1 })
      .expect(200);
    expect(moved.body).toMatchObject({ today: '2026-07-10', version: 2 });
    expect((await agent.get(`/api/lawns/${id}/weather`)).body.today).toBe('2026-07-10');
    const stale = await agent
      .put('/api/company')
      .send({ clock: { kind: 'calendar' }, policy: company.policy, version: 1 });
    expect(stale.status).toBe(409);
  });
  it('keeps the shelf’s labels and judges records by them', async () => {
    const { agent } = await signedInCompany(server);
    const { body: company } = await agent.get('/api/company');
    expect(company.policy.labels).toEqual([]);
    const label = {
      id: randomUUID(),
      base: { kind: 'herbicide', slug: 'threeway-amine' },
      name: 'House three-way',
      signalWord: 'danger',
      unit: 'fl-oz',
      highPerAcre: 30,
      homeLawns: true,
    };
    const bad = await agent.put('/api/company').send({
      clock: company.clock,
      policy: { ...company.policy, labels: [{ ...label, highPerAcre: -1 }] },
      version: company.version,
    });
    expect(bad.status).toBe(422);
    expect(bad.body.error.path).toEqual(['policy', 'labels', 0, 'highPerAcre']);
    const kept = await agent
      .put('/api/company')
      .send({
        clock: company.clock,
        policy: { ...company.policy, labels: [label] },
        version: company.version,
      })
      .expect(200);
    expect(kept.body.policy.labels[0]).toMatchObject({ name: 'House three-way', packages: 0 });
    const lawn = randomUUID();
    const body = lawnBody();
    await agent
      .put(`/api/lawns/${lawn}`)
      .send({ ...body, version: 0 })
      .expect(200);
    const record = await agent
      .put(`/api/records/${randomUUID()}`)
      .send({
        version: 0,
        lawnId: lawn,
        zoneId: body.zones[0]!.id,
        stepId: null,
        date: '2026-04-08',
        start: '09:00',
        end: '09:30',
        areaFt2: 1000,
        materials: [{ kind: 'herbicide', slug: 'threeway-amine', amount: 1, unit: 'fl-oz' }],
        carrierGal: 1,
        weather: { airF: 70, windMph: 5, windFrom: 'W', sky: 'clear' },
        applicator: 'Test Person',
        licence: 'T-1',
      })
      .expect(200);
    expect(record.body.findings.map(({ rule }: { rule: string }) => rule)).toContain(
      'rate-over-label',
    );
  });
  it('does not let a technician', async () => {
    const { agent } = await signedInCompany(server, { role: 'technician' });
    const response = await agent
      .put('/api/company')
      .send({ clock: { kind: 'calendar' }, policy: {}, version: 1 });
    expect(response.status).toBe(403);
  });
  it('goes by the calendar of its place when the clock is not fixed', async () => {
    const { agent } = await signedInCompany(server, { clock: { kind: 'calendar' } });
    const late = new Date();
    late.setHours(23, 30, 0, 0);
    server.setNow(late);
    const { today } = (await agent.get('/api/company')).body;
    expect(today).toBe(dayIn(late, new Intl.DateTimeFormat().resolvedOptions().timeZone));
    expect(today.endsWith(String(late.getDate()).padStart(2, '0'))).toBe(true);
    server.setNow(new Date());
  });
});

describe('soil readings', () => {
  it('belong to a zone of the lawn and to no day to come', async () => {
    const { agent } = await signedInCompany(server);
    const lawnId = randomUUID();
    const zoneId = randomUUID();
    await agent
      .put(`/api/lawns/${lawnId}`)
      .send({ ...lawnBody(zoneId), version: 0 })
      .expect(200);
    const reading = {
      lawnId,
      zoneId,
      date: '2026-04-08',
      hour: 9,
      depthIn: 2,
      valuesF: [51, 52],
      version: 0,
    };
    await agent.put(`/api/readings/${randomUUID()}`).send(reading).expect(200);
    for (const [fields, path] of [
      [{ zoneId: randomUUID() }, 'zoneId'],
      [{ date: '2026-05-01' }, 'date'],
      [{ valuesF: [] }, 'valuesF'],
    ] as const) {
      const response = await agent
        .put(`/api/readings/${randomUUID()}`)
        .send({ ...reading, ...fields });
      expect(response.status).toBe(422);
      expect(response.body.error.path[0]).toBe(path);
    }
    expect((await agent.get(`/api/lawns/${lawnId}/readings`)).body).toHaveLength(1);
  });
});

describe('the demo company', () => {
  it('loads once, is kept, and comes back the same on a reset', async () => {
    expect(await loadDemo(server.models, { reset: true })).toBe(true);
    const agent = request.agent(server.app);
    await agent
      .post('/api/session')
      .send({ email: demoUsers[0]!.email, password: DEMO_PASSWORD })
      .expect(200);
    const first = (await agent.get('/api/lawns').expect(200)).body;
    expect(first).toHaveLength(40);
    const regions = new Set(first.map((lawn: { region: string }) => lawn.region));
    expect(regions).toEqual(new Set(['north', 'transition', 'south']));
    const { body: company } = await agent.get('/api/company').expect(200);
    for (const { id, due, clashes } of first) {
      const of = async (part: string) => (await agent.get(`/api/lawns/${id}${part}`)).body;
      const visits = await of('/visits');
      expect(visits).toHaveLength(2);
      // What the list says is due is what a page works out of the same lawn, over the wire.
      const question = questionOf(company, {
        lawn: lawnSchema.parse(await of('')),
        visits,
        records: await of('/records'),
        readings: temperaturesOf<ProbeReading & ReadingBody>(await of('/readings')),
        samples: await of('/samples'),
      });
      const { season } = lawnSeason(
        question.request,
        await of('/weather'),
        question.readings,
        question.records,
        question.history,
      );
      expect(dueWork(season.steps).map((work) => work.id)).toEqual(
        due.map(({ stepId }: { stepId: string }) => stepId),
      );
      expect(season.clashes.filter(({ choice }) => choice === null)).toHaveLength(clashes);
    }
    expect(await loadDemo(server.models, { reset: false })).toBe(false);
    await loadDemo(server.models, { reset: true });
    await agent
      .post('/api/session')
      .send({ email: demoUsers[1]!.email, password: DEMO_PASSWORD })
      .expect(200);
    expect((await agent.get('/api/lawns')).body).toEqual(first);
    // Two loads and two times forty seasons, beside the other suites.
  }, 180_000);
});
