import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import { openOutbox } from '@/state/sync/outboxDatabase';
import { outboxSteps } from './outboxSteps';
import { OutboxWorld, type WorldServer } from './outboxWorld';

type Row = Awaited<ReturnType<WorldServer['read']>>;
interface Customer {
  id: string;
  version: number;
}

/** The real server behind this page, by the session that it has. */
function realServer(ask: typeof fetch): WorldServer {
  const read = async (id: string): Promise<Row> => {
    const list = (await (await ask('/api/customers')).json()) as Customer[];
    const found = list.find((one) => one.id === id);
    if (!found) return null;
    const { id: _id, version, ...body } = found;
    return { version, body: body as unknown as NonNullable<Row>['body'] };
  };
  return {
    fetch: ask,
    read,
    colleague: async (id, field, value) => {
      const row = await read(id);
      if (!row) return;
      const { version, body } = row;
      await ask(`/api/customers/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ ...body, [field]: value, version }),
      });
    },
  };
}

/**
 * The same orders against the real server and the browser's own storage.
 * @returns the counterexample in words, or `null`
 */
export async function run(numRuns: number, seed: number): Promise<string | null> {
  const ask = globalThis.fetch.bind(globalThis);
  const { id: me } = (await (await ask('/api/session')).json()) as { id: string };
  const server = realServer(ask);
  const first = fc.constant(null).map(() => [uuid(), uuid(), uuid()] as const);
  let count = 0;
  try {
    const result = await fc.check(
      fc.asyncProperty(
        first.chain(([a, b, fresh]) =>
          fc
            .commands(outboxSteps([a, b], fresh), { maxCommands: 16, size: 'max' })
            .map((commands) => ({ ids: [a, b, fresh], commands })),
        ),
        async ({ ids, commands }) => {
          count += 1;
          for (const id of ids.slice(0, 2)) {
            await ask(`/api/customers/${id}`, {
              method: 'PUT',
              headers: { 'content-type': 'application/json' },
              body: JSON.stringify({ name: `first ${id}`, version: 0 }),
            });
          }
          const world = new OutboxWorld({
            server,
            openDatabase: (device) => openOutbox(`model-${seed}-${count}-${device}`),
            ids,
            owners: [me, me],
            patienceMs: 30_000,
            hangMs: 20,
          });
          globalThis.fetch = world.fetch;
          await world.start();
          await fc.asyncModelRun(() => ({ model: {}, real: world }), commands);
          await world.reckon();
          if (world.faults.length > 0) throw new Error(world.faults.join('; '));
        },
      ),
      // A case made smaller would meet what the greater left on the server.
      { numRuns, seed, endOnFailure: true },
    );
    if (!result.failed) return null;
    // The report names the orders; what went wrong with them is in the error.
    return `${String(result.errorInstance)}\n${fc.defaultReportMessage(result) ?? ''}`;
  } finally {
    globalThis.fetch = ask;
  }
}
