import { randomUUID } from 'node:crypto';
import { localDate, soilReportSchema } from '@alfombra/core';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';
import { standInLaboratory } from '../standins/soilLaboratory';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

/** What the made-up laboratory finds, and loses, hangs on the zone: another one every time would fail once in a thousand. */
const ZONE = '0190a000-0000-7000-8000-000000000001';

async function lawnWithZone() {
  const { agent, ...rest } = await signedInCompany(server);
  const id = randomUUID();
  await agent
    .put(`/api/lawns/${id}`)
    .send({ ...lawnBody(ZONE), version: 0 })
    .expect(200);
  const sample = {
    lawnId: id,
    zoneId: ZONE,
    date: '2026-03-10',
    bagId: 'B-1',
    cores: 12,
    depthIn: 4,
    from: 'best',
    laboratory: 'stand-in' as const,
  };
  return { agent, id, zoneId: ZONE, sample, ...rest };
}

describe('a bag of soil', () => {
  it('comes back from the laboratory after some days', async () => {
    const { agent, id, sample } = await lawnWithZone();
    const sampleId = randomUUID();
    const bagged = await agent.put(`/api/samples/${sampleId}`).send({ ...sample, version: 0 });
    expect(bagged.body).toMatchObject({ version: 1, sentOn: null, report: null });
    await agent
      .put(`/api/samples/${sampleId}`)
      .send({ ...sample, bagId: 'B-2', sentOn: '2026-03-11', version: 1 })
      .expect(200);
    const [row] = (await agent.get(`/api/lawns/${id}/samples`)).body;
    const expected = standInLaboratory.reportOn(
      {
        ...sample,
        date: localDate('2026-03-10'),
        bagId: 'B-2',
        from: 'best',
        sentOn: localDate('2026-03-11'),
        report: null,
      },
      localDate('2026-04-08'),
    );
    expect(row.report).toEqual(expected);
  });
  it('is known by its id once', async () => {
    const { agent, sample } = await lawnWithZone();
    await agent
      .put(`/api/samples/${randomUUID()}`)
      .send({ ...sample, version: 0 })
      .expect(200);
    const twice = await agent.put(`/api/samples/${randomUUID()}`).send({ ...sample, version: 0 });
    expect(twice.body.error).toMatchObject({
      path: ['bagId'],
      message: 'bag B-1 is there already',
    });
  });
  it.each([
    ['zoneId', { zoneId: randomUUID() }],
    ['date', { date: '2026-05-01' }],
    ['sentOn', { sentOn: '2026-03-01' }],
    ['bagId', { bagId: '' }],
    ['cores', { cores: 0 }],
  ])('is refused at %s', async (field, change) => {
    const { agent, sample } = await lawnWithZone();
    const answer = await agent
      .put(`/api/samples/${randomUUID()}`)
      .send({ ...sample, ...change, version: 0 });
    expect([answer.status, answer.body.error?.path]).toEqual([422, [field]]);
  });
  it('is asked after when the report is overdue', async () => {
    const { agent, id, sample } = await lawnWithZone();
    const lost = Array.from({ length: 60 }, (_, n) => `L-${n}`).find(
      (bagId) =>
        standInLaboratory.reportOn(
          {
            ...sample,
            date: localDate('2026-03-10'),
            bagId,
            from: 'best',
            sentOn: localDate('2026-03-11'),
            report: null,
          },
          localDate('2026-12-31'),
        ) === null,
    )!;
    await agent
      .put(`/api/samples/${randomUUID()}`)
      .send({ ...sample, bagId: lost, sentOn: '2026-03-11', version: 0 })
      .expect(200);
    const [summary] = (await agent.get('/api/lawns')).body;
    expect(summary).toMatchObject({
      id,
      followUps: [{ kind: 'report-overdue', date: '2026-03-11' }],
    });
  });
});

describe('the made-up laboratory', () => {
  const sample = {
    lawnId: randomUUID(),
    zoneId: '0190a000-0000-7000-8000-000000000001',
    date: localDate('2026-03-10'),
    bagId: 'B-3',
    cores: 12,
    depthIn: 4,
    from: 'poor' as const,
    laboratory: 'stand-in' as const,
    sentOn: localDate('2026-03-11'),
    report: null,
  };
  it('says the same of the same bag, in the laboratory’s own time', () => {
    const reports = Array.from({ length: 40 }, (_, n) => ({ ...sample, bagId: `B-${n}` })).map(
      (bag) => standInLaboratory.reportOn(bag, localDate('2026-06-01')),
    );
    const back = reports.filter((report) => report !== null);
    expect(back.length).toBeGreaterThan(25);
    expect(back.length).toBeLessThan(40);
    back.forEach((report) => {
      soilReportSchema.parse(report);
      expect(report.reportedOn >= '2026-03-18' && report.reportedOn <= '2026-03-23').toBe(true);
    });
    expect(standInLaboratory.reportOn(sample, localDate('2026-03-12'))).toBeNull();
    expect(
      standInLaboratory.reportOn({ ...sample, sentOn: null }, localDate('2026-06-01')),
    ).toBeNull();
  });
  it('never answers for a real one', () => {
    const bags = Array.from({ length: 40 }, (_, n) => ({ ...sample, bagId: `B-${n}` }));
    expect(
      bags.filter((bag) =>
        standInLaboratory.reportOn({ ...bag, laboratory: 'own' }, localDate('2026-06-01')),
      ),
    ).toEqual([]);
  });
});
