import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { outboxSteps } from '@/testdata/outboxSteps';
import { MemoryServer, OutboxWorld } from '@/testdata/outboxWorld';
import { openOutbox } from './outboxDatabase';

/** Orders tried; `npm run many-cases` and `npm run mutants` try thousands. */
const CASES = Number(process.env.ALFOMBRA_CASES ?? 60) * 2;
const OLD = ['0190a000-0000-7000-8000-0000000000a1', '0190a000-0000-7000-8000-0000000000a2'];
/** Made on the devices. */
const NEW = '0190a000-0000-7000-8000-0000000000a3';

const realFetch = global.fetch;
const realTimer = global.setTimeout;
beforeAll(() => {
  // A deadline of half a minute has come when a few turns have gone by.
  global.setTimeout = ((work: () => void, ms?: number) =>
    realTimer(work, ms && ms > 5000 ? 3 : ms)) as typeof setTimeout;
});
afterAll(() => {
  global.fetch = realFetch;
  global.setTimeout = realTimer;
});

let count = 0;
it('loses and overwrites nothing in any order of edits, faults, kills and choices', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.commands(outboxSteps(OLD, NEW), { maxCommands: 24, size: 'max' }),
      async (commands) => {
        count += 1;
        const world = new OutboxWorld({
          server: new MemoryServer(OLD),
          openDatabase: (at) => openOutbox(`model-${count}-${at}`),
          ids: [...OLD, NEW],
          owners: ['one', 'two'],
        });
        global.fetch = world.fetch;
        await world.start();
        await fc.asyncModelRun(() => ({ model: {}, real: world }), commands);
        await world.reckon();
        expect(world.faults).toEqual([]);
      },
    ),
    { numRuns: CASES },
  );
}, 7_200_000);
