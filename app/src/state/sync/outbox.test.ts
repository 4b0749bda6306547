import 'fake-indexeddb/auto';
import type { Json } from '@alfombra/core';
import fc from 'fast-check';
import { Outbox, type NewWrite, type SendResult } from './outbox';
import { openOutbox } from './outboxDatabase';
import { overlayDocument, overlayList, pendingMark, withContent } from './overlay';
import { isSetAside, type PendingWrite, type ServerDocument } from './pendingWrite';

const OWNER = 'technician';

/** A server in memory with versions and a ledger, as the real one has them. */
class FakeServer {
  readonly rows = new Map<string, ServerDocument>();
  readonly ledger = new Set<string>();
  acknowledged = 0;
  sent: string[] = [];

  take(write: PendingWrite): SendResult {
    this.sent.push(`${write.id}:${JSON.stringify(write.body)}`);
    const row = this.rows.get(write.id);
    if (row && this.ledger.has(write.writeId)) return { kind: 'accepted', document: row };
    if ((row?.version ?? 0) !== write.baseVersion) {
      return row
        ? { kind: 'stale', document: row }
        : { kind: 'refused', failure: { code: 'not-found', message: 'gone', path: [] } };
    }
    const document = { id: write.id, version: write.baseVersion + 1, body: write.body };
    this.rows.set(write.id, document);
    this.ledger.add(write.writeId);
    this.acknowledged += 1;
    return { kind: 'accepted', document };
  }
}

let count = 0;
async function setUp(
  network: (write: PendingWrite, server: FakeServer) => SendResult | Promise<SendResult> = (w, s) =>
    s.take(w),
) {
  const database = await openOutbox(`outbox-test-${(count += 1)}`);
  const server = new FakeServer();
  const accepted: string[] = [];
  const make = () =>
    new Outbox({
      database,
      send: (write) => Promise.resolve(network(write, server)),
      onAccepted: ({ writeId }) => accepted.push(writeId),
    });
  return { database, server, outbox: make(), again: make, accepted };
}
const note = (id: string, body: Json, base: NewWrite['base'] = null): NewWrite => ({
  owner: OWNER,
  kind: 'lawn',
  id,
  lawnId: null,
  body,
  saw: base?.body ?? null,
  base,
});

describe('writes of a device', () => {
  it('are kept, sent in order and gone when acknowledged', async () => {
    const { outbox, server } = await setUp();
    await outbox.keep(note('a', { n: 1 }));
    await outbox.keep(note('b', { n: 1 }));
    expect(await outbox.flush(OWNER)).toBe('empty');
    expect(server.sent).toEqual(['a:{"n":1}', 'b:{"n":1}']);
    expect(await outbox.list(OWNER)).toEqual([]);
  });
  it('of one document become one while nothing was sent', async () => {
    const { outbox, server } = await setUp();
    await outbox.keep(note('a', { n: 1 }));
    await outbox.keep(note('a', { n: 2 }));
    expect(await outbox.list(OWNER)).toHaveLength(1);
    await outbox.flush(OWNER);
    expect(server.rows.get('a')).toMatchObject({ version: 1, body: { n: 2 } });
  });
  it('wait for the network and survive a killed page', async () => {
    let online = false;
    const { outbox, again, server } = await setUp((write, s) =>
      online ? s.take(write) : { kind: 'unreachable' },
    );
    await outbox.keep(note('a', { n: 1 }));
    expect(await outbox.flush(OWNER)).toBe('unreachable');
    await outbox.keep(note('a', { n: 2 }));
    online = true;
    // A new page with a new outbox on the same device.
    expect(await again().flush(OWNER)).toBe('empty');
    expect(server.rows.get('a')).toMatchObject({ version: 2, body: { n: 2 } });
    expect(server.acknowledged).toBe(2);
  });
  it('whose answer was lost are not written twice', async () => {
    let lose = true;
    const { outbox, server } = await setUp((write, s) => {
      const result = s.take(write);
      return lose ? { kind: 'unreachable' } : result;
    });
    await outbox.keep(note('a', { n: 1 }));
    await outbox.flush(OWNER);
    lose = false;
    await outbox.keep(note('a', { n: 5 }));
    expect(await outbox.flush(OWNER)).toBe('empty');
    expect(server.rows.get('a')).toMatchObject({ version: 2, body: { n: 5 } });
    expect(server.acknowledged).toBe(2);
  });
  it('merge with what another device wrote elsewhere in the document', async () => {
    const { outbox, server } = await setUp();
    const base = { version: 1, body: { name: 'a', note: '' } };
    server.rows.set('a', { id: 'a', version: 2, body: { name: 'a', note: 'theirs' } });
    await outbox.keep(note('a', { name: 'mine', note: '' }, base));
    expect(await outbox.flush(OWNER)).toBe('empty');
    expect(server.rows.get('a')).toMatchObject({
      version: 3,
      body: { name: 'mine', note: 'theirs' },
    });
  });
  it('ask when both changed the same, and go on with the rest', async () => {
    const { outbox, server } = await setUp();
    const base = { version: 1, body: { name: 'a' } };
    server.rows.set('a', { id: 'a', version: 2, body: { name: 'theirs' } });
    await outbox.keep(note('a', { name: 'mine' }, base));
    await outbox.keep({ ...note('v', { n: 1 }), kind: 'visit', lawnId: 'a' });
    expect(await outbox.flush(OWNER)).toBe('blocked');
    // The lawn is there, whatever its name: a visit to it need not wait.
    expect(server.rows.has('v')).toBe(true);
    const [held] = await outbox.list(OWNER);
    expect(held!.conflict!.conflicts).toEqual([
      { path: ['name'], base: 'a', mine: 'mine', theirs: 'theirs' },
    ]);
    await outbox.settle(held!.seq, held!.writeId, ['mine']);
    expect(await outbox.flush(OWNER)).toBe('empty');
    expect(server.rows.get('a')).toMatchObject({ version: 3, body: { name: 'mine' } });
  });
  it('that are refused stay until the technician decides', async () => {
    let refuse = true;
    const { outbox, server } = await setUp((write, s) =>
      refuse
        ? { kind: 'refused', failure: { code: 'bad-input', message: 'no', path: ['name'] } }
        : s.take(write),
    );
    await outbox.keep(note('a', { n: 1 }));
    await outbox.keep(note('b', { n: 1 }));
    await outbox.keep({ ...note('v', { n: 1 }), kind: 'visit', lawnId: 'b' });
    expect(await outbox.flush(OWNER)).toBe('blocked');
    const [a, b, v] = await outbox.list(OWNER);
    // It lies on a lawn that the server does not have.
    expect(v).toMatchObject({ state: 'waiting', tried: false });
    expect(a!.failure).toMatchObject({ code: 'bad-input', path: ['name'] });
    refuse = false;
    await outbox.retry(a!.seq);
    await outbox.discard(b!.seq);
    await outbox.discard(v!.seq);
    expect(await outbox.flush(OWNER)).toBe('empty');
    expect([...server.rows.keys()]).toEqual(['a']);
  });
  it('go on without one before them that was given up', async () => {
    let refuse = true;
    const { outbox, server } = await setUp((write, s) =>
      refuse
        ? { kind: 'refused', failure: { code: 'bad-input', message: 'no', path: [] } }
        : s.take(write),
    );
    server.rows.set('b', { id: 'b', version: 4, body: { n: 0, m: 0 } });
    const there = { version: 4, body: { n: 0, m: 0 } };
    await outbox.keep(note('a', { n: 1 }));
    await outbox.keep(note('b', { n: 1, m: 0 }, there));
    await outbox.flush(OWNER);
    for (const { seq } of await outbox.list(OWNER)) await outbox.retry(seq);
    // Sent again in another tab, perhaps: what comes now lies behind.
    await outbox.keep({ ...note('a', { n: 2 }), saw: { n: 1 } });
    await outbox.keep({ ...note('b', { n: 1, m: 2 }, there), saw: { n: 1, m: 0 } });
    const [a, b] = await outbox.list(OWNER);
    await outbox.discard(a!.seq);
    await outbox.discard(b!.seq);
    refuse = false;
    expect(await outbox.flush(OWNER)).toBe('empty');
    expect(server.rows.get('a')).toMatchObject({ version: 1, body: { n: 2 } });
    expect(server.rows.get('b')).toMatchObject({ version: 5, body: { n: 0, m: 2 } });
  });
  it('take in a correction of what was refused, and give back what was there before it', async () => {
    const { outbox, server } = await setUp((write, s) =>
      (write.body as { n: number }).n === 9
        ? { kind: 'refused', failure: { code: 'bad-input', message: 'no', path: ['n'] } }
        : s.take(write),
    );
    await outbox.keep(note('a', { n: 1 }));
    const kept = await outbox.keep({ ...note('a', { n: 9 }), saw: { n: 1 } });
    expect(await outbox.flush(OWNER)).toBe('blocked');
    await outbox.takeBack(kept);
    expect(await outbox.flush(OWNER)).toBe('empty');
    expect(server.rows.get('a')?.body).toEqual({ n: 1 });
    await outbox.keep(note('a', { n: 9 }, { version: 1, body: { n: 1 } }));
    expect(await outbox.flush(OWNER)).toBe('blocked');
    await outbox.keep({ ...note('a', { n: 8 }, { version: 1, body: { n: 1 } }), saw: { n: 9 } });
    expect(await outbox.flush(OWNER)).toBe('empty');
    expect(server.rows.get('a')?.body).toEqual({ n: 8 });
  });
  it('that the server fails at are set aside after three, tried last, and the rest goes', async () => {
    let sick = true;
    const { outbox, server } = await setUp((write, s) =>
      write.id === 'bad' && sick ? { kind: 'failing' } : s.take(write),
    );
    await outbox.keep(note('bad', { n: 1 }));
    for (const id of ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i', 'j']) {
      await outbox.keep(note(id, { n: 1 }));
    }
    expect(await outbox.flush(OWNER)).toBe('failing');
    expect(server.rows.size).toBe(10);
    await outbox.flush(OWNER);
    expect(isSetAside((await outbox.list(OWNER))[0]!)).toBe(false);
    await outbox.flush(OWNER);
    expect(isSetAside((await outbox.list(OWNER))[0]!)).toBe(true);
    sick = false;
    expect(await outbox.flush(OWNER)).toBe('empty');
  });
  it('wait when the server fails at one after the other', async () => {
    const { outbox, server } = await setUp(() => ({ kind: 'failing' }));
    for (let id = 0; id < 40; id += 1) await outbox.keep(note(`n${id}`, { n: 1 }));
    expect(await outbox.flush(OWNER)).toBe('failing');
    const tried = (await outbox.list(OWNER)).filter((write) => write.tried).length;
    expect(tried).toBeLessThan(8);
    expect(server.rows.size).toBe(0);
  });
  it('are sent by the one who wrote them only, and not while signed out', async () => {
    const { outbox, server } = await setUp();
    await outbox.keep(note('a', { n: 1 }));
    expect(await outbox.flush('somebody else')).toBe('empty');
    expect(server.sent).toEqual([]);
    const signedOut = await setUp(() => ({ kind: 'signed-out' }));
    await signedOut.outbox.keep(note('a', { n: 1 }));
    expect(await signedOut.outbox.flush(OWNER)).toBe('signed-out');
    expect(await signedOut.outbox.list(OWNER)).toHaveLength(1);
  });
  it('kept while a flush is ending are sent by it', async () => {
    let late: (() => Promise<unknown>) | null = null;
    const { outbox, server } = await setUp(async (write, s) => {
      const result = s.take(write);
      const then = late;
      late = null;
      await then?.();
      return result;
    });
    late = async () => {
      await outbox.keep(note('b', { n: 2 }));
      void outbox.flush(OWNER);
    };
    await outbox.keep(note('a', { n: 1 }));
    expect(await outbox.flush(OWNER)).toBe('empty');
    expect([...server.rows.keys()]).toEqual(['a', 'b']);
  });
  it('flush once however often it is asked', async () => {
    const { outbox, server } = await setUp();
    await outbox.keep(note('a', { n: 1 }));
    await Promise.all([outbox.flush(OWNER), outbox.flush(OWNER), outbox.flush(OWNER)]);
    expect(server.sent).toHaveLength(1);
  });
});

it('reach the server once each through any weather of cut lines, lost answers and killed pages', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.record({ id: fc.constantFrom('a', 'b', 'c'), n: fc.integer() }), {
        minLength: 1,
        maxLength: 8,
      }),
      fc.array(fc.constantFrom('ok', 'cut', 'lost', 'kill'), { maxLength: 16 }),
      async (edits, weather) => {
        let turn = 0;
        const { server, again } = await setUp((write, s) => {
          const now = weather[turn] ?? 'ok';
          turn += 1;
          if (now === 'cut') return { kind: 'unreachable' };
          const result = s.take(write);
          return now === 'ok' ? result : { kind: 'unreachable' };
        });
        let outbox = again();
        const last = new Map<string, number>();
        for (const { id, n } of edits) {
          const row = server.rows.get(id);
          await outbox.keep(note(id, { n }, row ? { version: row.version, body: row.body } : null));
          last.set(id, n);
          if (weather[turn] === 'kill') outbox = again();
          await outbox.flush(OWNER);
        }
        for (let tries = 0; tries < 40 && (await outbox.flush(OWNER)) !== 'empty'; tries += 1);
        expect(await outbox.list(OWNER)).toEqual([]);
        for (const [id, n] of last) expect(server.rows.get(id)!.body).toEqual({ n });
        expect(server.acknowledged).toBe(server.ledger.size);
        const versions = [...server.rows.values()].reduce((sum, { version }) => sum + version, 0);
        expect(versions).toBe(server.acknowledged);
      },
    ),
    { numRuns: 60 },
  );
});

describe('what the screens see', () => {
  const write = (fields: Partial<PendingWrite>): PendingWrite => ({
    seq: 1,
    writeId: 'w',
    owner: OWNER,
    kind: 'visit',
    id: 'v',
    lawnId: 'l',
    base: null,
    baseVersion: 0,
    body: {},
    state: 'waiting',
    tried: false,
    failures: 0,
    conflict: null,
    failure: null,
    ...fields,
  });
  it('is the pending content over the server’s', () => {
    const writes = [write({ body: { note: 'one' } }), write({ seq: 2, body: { note: 'two' } })];
    expect(overlayDocument({ id: 'v', version: 4, note: 'old' }, writes, 'visit', 'v')).toEqual({
      id: 'v',
      version: 4,
      note: 'two',
    });
    expect(overlayDocument({ id: 'x', version: 4 }, writes, 'visit', 'x')).toEqual({
      id: 'x',
      version: 4,
    });
    expect(overlayDocument(undefined, writes, 'visit', 'v')).toEqual({
      id: 'v',
      version: 0,
      note: 'two',
    });
  });
  it('has nothing any more of a field that was taken away, and keeps what the server adds', () => {
    const known = { id: 'v', version: 4, effect: 0.1, note: 'old', findings: ['f'] };
    const taken = write({ kind: 'record', body: { note: 'old' } });
    const kept = { id: 'v', version: 4, note: 'old', findings: ['f'] };
    expect(overlayDocument(known, [taken], 'record', 'v')).toEqual(kept);
    expect(overlayList([known], [taken], 'record', null)).toEqual([kept]);
    expect(withContent('record', known, { id: 'v', version: 5, note: 'old' })).toEqual({
      ...kept,
      version: 5,
    });
  });
  it('has new documents first and only those of the lawn', () => {
    const writes = [write({ id: 'new' }), write({ id: 'elsewhere', lawnId: 'm' })];
    const list = overlayList([{ id: 'v', version: 1 }], writes, 'visit', 'l');
    expect(list!.map(({ id }) => id)).toEqual(['new', 'v']);
    expect(overlayList(undefined, [], 'visit', 'l')).toBeUndefined();
    expect(pendingMark(writes, 'l')).toBe('w');
  });
});
