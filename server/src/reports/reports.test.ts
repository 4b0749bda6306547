import { randomUUID } from 'node:crypto';
import request from 'supertest';
import {
  lawnBody,
  reportBody,
  signedInCompany,
  testServer,
  type TestServer,
} from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

async function reported(change: object = {}) {
  const { agent, companyId } = await signedInCompany(server);
  const [lawnId, zoneId, id] = [randomUUID(), randomUUID(), randomUUID()];
  const questions = [
    { kind: 'edge', zoneId, edge: 0 },
    { kind: 'irrigation', zoneId },
    { kind: 'other', text: 'Which gate?' },
  ].map((subject) => ({ id: randomUUID(), subject, askedOn: '2026-04-08' }));
  const lawn = lawnBody(zoneId);
  lawn.zones[0]!.edges[0] = 'assumed';
  await agent
    .put(`/api/lawns/${lawnId}`)
    .send({ ...lawn, questions, version: 0 })
    .expect(200);
  const body = reportBody(lawnId, {
    language: 'es',
    findings: [{ id: randomUUID(), grade: 'easy', words: 'Dandelions near the gate.' }],
    assumptions: ['The back edge is the lot line.'],
    questionIds: questions.map((question) => question.id),
    ...change,
  });
  const { body: report } = await agent
    .put(`/api/reports/${id}`)
    .send({ ...body, version: 0 })
    .expect(200);
  const token = (report.path as string).split('/').pop()!;
  return { agent, companyId, lawnId, zoneId, id, body, report, token, questions };
}
const open = (token: string) => request(server.app).get(`/api/shared/${token}`);

/** Every key of an answer, at its place; lists count as one of their entries. */
function keysOf(value: unknown, path = ''): string[] {
  if (Array.isArray(value)) {
    return [...new Set(value.flatMap((inner) => keysOf(inner, path)))].sort();
  }
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value)
    .flatMap(([key, inner]) => [`${path}.${key}`, ...keysOf(inner, `${path}.${key}`)])
    .sort();
}

describe('a private link', () => {
  it('cannot be guessed, stays the same, and shows only its report', async () => {
    const { agent, id, body, report, token } = await reported();
    expect(token).toMatch(/^[\w-]{43}$/);
    const again = await agent.put(`/api/reports/${id}`).send({ ...body, version: 1 });
    expect(again.body.path).toBe(report.path);
    const shared = await open(token).expect(200);
    expect(shared.body).toMatchObject({
      company: 'Test company',
      language: 'es',
      findings: body.findings,
    });
    expect(Object.keys(shared.body.lawn).sort()).toEqual(
      ['features', 'lines', 'name', 'northDeg', 'patches', 'pins', 'weedPatches', 'zones'].sort(),
    );
    expect(shared.headers).toMatchObject({
      'cache-control': 'no-store',
      'x-robots-tag': 'noindex',
    });
    await open(`${token.slice(0, -1)}x`).expect(404);
  });
  it('shows the lawn as it was on its day, and nothing that the page does not', async () => {
    const { agent, lawnId, zoneId, token } = await reported();
    const { body: lawn } = await agent.get(`/api/lawns/${lawnId}`);
    const note = 'gate code Q4711, owner is difficult';
    const seenOn = '2026-04-08';
    const corner = { x: 1, y: 1 };
    const [pin, line, patch, weed, photo, question] = Array.from({ length: 6 }, () => randomUUID());
    await agent
      .put(`/api/lawns/${lawnId}`)
      .send({
        ...lawn,
        name: 'Renamed since',
        property: { ...lawn.property, access: note },
        zones: [{ ...lawn.zones[0], site: { ...lawn.zones[0].site, whichDog: 'Q4711' } }],
        features: [{ kind: 'house', outline: [corner, { x: 9, y: 1 }, { x: 9, y: 9 }] }],
        pins: [{ id: pin, kind: 'hazard', at: corner, note, seenOn }],
        lines: [{ id: line, kind: 'fence', points: [corner, { x: 5, y: 5 }], note, seenOn }],
        patches: [
          { id: patch, zoneId, number: 1, centre: corner, widthFt: 2, lengthFt: 3, seenOn },
        ],
        weedPatches: [
          {
            id: weed,
            zoneId,
            plant: { kind: 'weed', weed: 'dandelion' },
            centre: corner,
            lengthFt: 2,
            widthFt: 2,
            cover: 0.5,
            stage: 'flowering',
            seenOn,
            asked: { on: seenOn, seen: {} },
          },
        ],
        questions: [
          {
            id: question,
            subject: { kind: 'other', text: 'Which gate?' },
            askedOn: seenOn,
            answer: { value: 'The side one', note: 'after ten', answeredOn: seenOn },
          },
        ],
        version: lawn.version,
      })
      .expect(200);
    await agent
      .put(`/api/photos/${photo}`)
      .send({ lawnId, date: seenOn, type: 'image/jpeg', bytes: 9, at: corner, version: 0 })
      .expect(200);
    const now = await open(token).expect(200);
    expect(now.body.lawn).toMatchObject({ name: lawn.name, pins: [] });
    // Written anew, the report is of today, but for what only the company reads.
    const { body: second } = await agent.put(`/api/reports/${randomUUID()}`).send({
      ...reportBody(lawnId, {
        findings: [{ id: randomUUID(), grade: 'easy', words: 'Dandelions.' }],
        questionIds: [question],
        photoIds: [photo],
      }),
      version: 0,
    });
    const shared = await open((second.path as string).split('/').pop()!).expect(200);
    // The letter is one that no identifier can hold by chance.
    expect(JSON.stringify(shared.body)).not.toContain('Q4711');
    expect(keysOf(shared.body)).toEqual(
      [
        '.assumptions',
        '.company',
        '.date',
        '.expiresOn',
        '.findings',
        '.findings.grade',
        '.findings.id',
        '.findings.words',
        '.language',
        '.lawn',
        '.lawn.features',
        '.lawn.features.kind',
        '.lawn.features.outline',
        '.lawn.features.outline.x',
        '.lawn.features.outline.y',
        '.lawn.lines',
        '.lawn.lines.id',
        '.lawn.lines.kind',
        '.lawn.lines.points',
        '.lawn.lines.points.x',
        '.lawn.lines.points.y',
        '.lawn.name',
        '.lawn.northDeg',
        '.lawn.patches',
        '.lawn.patches.centre',
        '.lawn.patches.centre.x',
        '.lawn.patches.centre.y',
        '.lawn.patches.id',
        '.lawn.patches.lengthFt',
        '.lawn.patches.number',
        '.lawn.patches.widthFt',
        '.lawn.patches.zoneId',
        '.lawn.pins',
        '.lawn.pins.at',
        '.lawn.pins.at.x',
        '.lawn.pins.at.y',
        '.lawn.pins.id',
        '.lawn.pins.kind',
        '.lawn.weedPatches',
        '.lawn.weedPatches.centre',
        '.lawn.weedPatches.centre.x',
        '.lawn.weedPatches.centre.y',
        '.lawn.weedPatches.id',
        '.lawn.weedPatches.lengthFt',
        '.lawn.weedPatches.widthFt',
        '.lawn.zones',
        '.lawn.zones.cutouts',
        '.lawn.zones.edges',
        '.lawn.zones.id',
        '.lawn.zones.measure',
        '.lawn.zones.measure.cornerSigmaFt',
        '.lawn.zones.measure.method',
        '.lawn.zones.name',
        '.lawn.zones.outline',
        '.lawn.zones.outline.x',
        '.lawn.zones.outline.y',
        '.note',
        '.photos',
        '.photos.at',
        '.photos.at.x',
        '.photos.at.y',
        '.photos.date',
        '.photos.id',
        '.photos.note',
        '.photos.standIn',
        '.promised',
        '.questions',
        '.questions.answer',
        '.questions.answer.answeredOn',
        '.questions.answer.note',
        '.questions.answer.value',
        '.questions.askedOn',
        '.questions.id',
        '.questions.subject',
        '.questions.subject.kind',
        '.questions.subject.text',
        '.technician',
      ].sort(),
    );
    expect(shared.body.lawn.zones[0].id).toBe(zoneId);
  });
  it('lies nowhere in clear, is known letter by letter, and is another one once it was taken back', async () => {
    const { agent, id, body, token } = await reported();
    const rows = await server.models.reportLinks.findAll({ raw: true });
    expect(JSON.stringify(rows)).not.toContain(token);
    for (const other of [token.toLowerCase(), token.toUpperCase(), `${token}%20`]) {
      if (other !== token) await open(other).expect(404);
    }
    await agent
      .put(`/api/reports/${id}`)
      .send({ ...body, revokedOn: '2026-04-08', version: 1 })
      .expect(200);
    await open(token).expect(404);
    const again = await agent
      .put(`/api/reports/${id}`)
      .send({ ...body, revokedOn: null, version: 2 })
      .expect(200);
    await open(token).expect(404);
    await open((again.body.path as string).split('/').pop()!).expect(200);
  });
  it('stays open for 400 days at most', async () => {
    const { agent, id, body } = await reported({ expiresOn: '2027-05-13' });
    const late = await agent
      .put(`/api/reports/${id}`)
      .send({ ...body, expiresOn: '2027-05-14', version: 1 });
    expect([late.status, late.body.error.path]).toEqual([422, ['expiresOn']]);
  });
  it('ends on its day and when it is taken back', async () => {
    const expired = await reported({ expiresOn: '2026-04-07' });
    await open(expired.token).expect(404);
    const { agent, id, body, token } = await reported();
    await open(token).expect(200);
    await agent
      .put(`/api/reports/${id}`)
      .send({ ...body, revokedOn: '2026-04-08', version: 1 })
      .expect(200);
    await open(token).expect(404);
  });
  it('prints', async () => {
    const { token } = await reported();
    const pdf = await request(server.app).get(`/api/shared/${token}/pdf`).buffer(true).expect(200);
    expect(pdf.headers['content-type']).toBe('application/pdf');
    expect((pdf.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    expect((pdf.body as Buffer).length).toBeGreaterThan(5_000);
  });
});

describe('the customer’s answers', () => {
  it('become facts of the lawn and say what changed', async () => {
    const { agent, lawnId, token, questions } = await reported();
    const [edge, irrigation, gate] = questions;
    const { body } = await request(server.app)
      .post(`/api/shared/${token}/answers`)
      .send({
        answers: [
          { questionId: edge!.id, value: 'yes' },
          { questionId: irrigation!.id, value: 'no' },
          { questionId: gate!.id, value: 'The left one' },
        ],
      })
      .expect(200);
    expect(body.changes.map(({ fact }: { fact: string }) => fact)).toEqual(['edge', 'irrigation']);
    const lawn = (await agent.get(`/api/lawns/${lawnId}`)).body;
    expect(lawn.zones[0]).toMatchObject({
      edges: Array(4).fill('confirmed'),
      site: { irrigated: false },
    });
    expect(lawn.questions[2].answer).toMatchObject({
      value: 'The left one',
      answeredOn: '2026-04-08',
    });
    expect((await open(token)).body.questions[0].answer.value).toBe('yes');
  });
  it('are refused where they do not belong', async () => {
    const { token, questions } = await reported();
    const post = (answers: object[]) =>
      request(server.app).post(`/api/shared/${token}/answers`).send({ answers });
    const stranger = await post([{ questionId: randomUUID(), value: 'yes' }]);
    expect([stranger.status, stranger.body.error.path]).toEqual([422, ['answers', 0]]);
    const odd = await post([{ questionId: questions[0]!.id, value: 'perhaps' }]);
    expect(odd.body.error.path).toEqual(['answers', 0, 'value']);
    await post([{ questionId: questions[0]!.id, value: 'yes' }]).expect(200);
    const twice = await post([{ questionId: questions[0]!.id, value: 'no' }]);
    expect(twice.body.error.message).toBe('this was answered already');
  });
});
