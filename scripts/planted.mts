// `npm run planted [-- WORD]`: plants faults that once were, one at a time, and wants a test to fail for each.
import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';

interface Mutant {
  what: string;
  file: string;
  /** Must be there once. */
  find: string;
  plant: string;
  /** What jest runs; it has to fail. */
  test: string;
}

const OUTBOX = 'app/src/state/sync/outbox.ts';
const REBASE = 'app/src/state/sync/rebase.ts';
const MODEL = 'app/src/state/sync/outbox.model';

const MUTANTS: readonly Mutant[] = [
  {
    what: 'a later write takes the base of the merged one and keeps its own body',
    file: OUTBOX,
    find: 'await store.renew(later, onTopOf({ ...later, base }, document));',
    plant:
      'await store.put({ ...later, base: document.body ?? base, baseVersion: document.version });',
    test: MODEL,
  },
  {
    what: 'an edit behind a conflict writes over what was settled',
    file: OUTBOX,
    find: "if (last && (!last.tried || last.state !== 'waiting' || isSetAside(last))) {",
    plant: "if (last && last.state === 'waiting' && (!last.tried || isSetAside(last))) {",
    test: MODEL,
  },
  {
    what: 'a tab writes over what another has kept',
    file: REBASE,
    find: 'body: mineAt(merge.merged, merge.conflicts),\n    ...WAITING,\n  };\n}\n\n/** Two writes',
    plant: 'body,\n    ...WAITING,\n  };\n}\n\n/** Two writes',
    test: MODEL,
  },
  {
    what: 'a value that the screen never showed is written over unasked',
    file: REBASE,
    find: 'unseen.map((conflict) => ({ ...conflict, mine: conflict.base })),',
    plant: '[],',
    test: MODEL,
  },
  {
    what: 'a write that the server fails at stops all behind it',
    file: OUTBOX,
    find: "if (kind === 'unreachable' || kind === 'signed-out') stopped = kind;",
    plant:
      "if (kind === 'failing') stopped = 'unreachable';\n      else if (kind === 'unreachable' || kind === 'signed-out') stopped = kind;",
    test: 'app/src/state/sync/outbox',
  },
  {
    what: 'a request waits for ever',
    file: 'app/src/api/request.ts',
    find: '      signal: deadline.signal,\n',
    plant: '',
    test: MODEL,
  },
  {
    what: 'a correction is lost with what was refused',
    file: OUTBOX,
    find: "await store.renew(own, joined(own, later));\n      } else await store.put({ ...own, state: 'refused', failure });",
    plant: "}\n      await store.put({ ...own, state: 'refused', failure });",
    test: MODEL,
  },
  {
    what: 'what follows a write that was given up stands on a version that never was',
    file: OUTBOX,
    find: 'if (later) await store.renew(later, without(write, later));',
    plant: '',
    test: 'app/src/state/sync/outbox',
  },
  {
    what: 'reading what is next and marking it are two transactions',
    file: OUTBOX,
    find: '    if (next) {\n      next = { ...next, tried: true };\n      await transaction.store.put(next);\n    }\n    await transaction.done;',
    plant:
      "    await transaction.done;\n    if (next) {\n      next = { ...next, tried: true };\n      await this.options.database.put('writes', next);\n    }",
    test: MODEL,
  },
  {
    what: 'the day is the last answer’s, however long ago',
    file: 'core/src/contract/workingDay.ts',
    find: ': { day, doubted: null };',
    plant: ': { day: today, doubted: null };',
    test: 'core/src/contract/workingDay',
  },
  {
    what: 'a clock that cannot be right is believed',
    file: 'core/src/contract/workingDay.ts',
    find: 'since > MOST_DAYS_ALONE',
    plant: 'since > 400',
    test: 'core/src/contract/workingDay',
  },
];

const wanted = process.argv[2] ?? '';
const env = { ...process.env, ALFOMBRA_CASES: process.env.ALFOMBRA_CASES ?? '1000' };
let survived = 0;
for (const { what, file, find, plant, test } of MUTANTS.filter(({ what: name }) =>
  name.includes(wanted),
)) {
  const whole = readFileSync(file, 'utf8');
  if (whole.split(find).length !== 2) throw new Error(`${file} has no such place: ${find}`);
  try {
    writeFileSync(
      file,
      whole.replace(find, () => plant),
    );
    const { status } = spawnSync('npx', ['--no', '--', 'jest', test], { env, encoding: 'utf8' });
    if (status === 0) survived += 1;
    console.log(`${status === 0 ? 'SURVIVED' : 'killed  '} ${what}`);
  } finally {
    writeFileSync(file, whole);
  }
}
console.log(`${survived} survived`);
process.exit(survived === 0 ? 0 : 1);
