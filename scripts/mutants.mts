/**
 * `npm run mutants [-- PART…]`: mutation testing of the parts of the core where a wrong limit hurts, one part at a
 * time, each held to its least share of mutants killed. `MUTANTS_FILES=a.ts,b.ts` narrows a part to some files.
 * Mutants whose code and tests have not changed since the last run are not run again.
 */
import { spawnSync } from 'node:child_process';
import { readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import mutantParts from './mutantParts.json' with { type: 'json' };

const { entry: ENTRY, parts: PARTS } = mutantParts;
type Part = keyof typeof PARTS;

const root = join(import.meta.dirname, '..');
const asked = process.argv.slice(2);
const parts = (Object.keys(PARTS) as Part[]).filter(
  (part) => asked.length === 0 || asked.includes(part),
);

/**
 * Properties draw few cases: what takes many to find is left to `npm run many-cases`. And one test that fails is
 * enough: jest would run all the others of the file.
 */
const BEFORE = `// @ts-nocheck
const { configureGlobal, readConfigureGlobal } = require('fast-check');
configureGlobal({ ...readConfigureGlobal(), numRuns: 5 });
let dead = false;
const once = (test) => (...given) => {
  if (dead) return undefined;
  try {
    return test(...given);
  } catch (error) {
    dead = true;
    throw error;
  }
};
const own = global.it;
global.it = Object.assign((name, test, ...rest) => own(name, once(test), ...rest), own, {
  each: (...table) => (name, test, ...rest) => own.each(...table)(name, once(test), ...rest),
});
`;

let failed = 0;
for (const part of parts) {
  const tests = PARTS[part].tests.flatMap((path) =>
    path.endsWith('/')
      ? readdirSync(join(root, path))
          .filter((name) => name.endsWith('.test.ts'))
          .map((name) => `${path}${name}`)
      : [path],
  );
  // One file that loads them all: a run for each mutant then loads the core once, not once a test file.
  const from = join(root, ENTRY, '..');
  writeFileSync(
    join(root, ENTRY),
    `${BEFORE}${tests.map((test) => `require('./${relative(from, join(root, test))}');\n`).join('')}`,
  );
  console.log(`${part}: ${tests.length} test files`);
  const { status } = spawnSync('npx', ['stryker', 'run'], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, MUTANTS_PART: part },
  });
  rmSync(join(root, ENTRY), { force: true });
  if (status !== 0) failed += 1;
}
process.exit(failed > 0 ? 1 : 0);
