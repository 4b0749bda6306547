// Adds up what check, Jest and the browser suite counted; the last line is the verdict.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const folder = process.argv[2];
const read = (name) =>
  existsSync(join(folder, name)) ? readFileSync(join(folder, name), 'utf8') : null;

let passed = 0;
let failed = 0;
const exit = (name) => {
  if (read(name)?.trim() === '0') passed += 1;
  else failed += 1;
};
exit('check');
exit('build');
const jest = read('jest.json');
if (jest) {
  const result = JSON.parse(jest);
  passed += result.numPassedTests;
  failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
} else failed += 1;
const tap = read('e2e.tap');
const count = (word) => Number(new RegExp(`^# ${word} (\\d+)`, 'm').exec(tap ?? '')?.[1] ?? NaN);
if (tap && Number.isFinite(count('pass'))) {
  passed += count('pass');
  failed += count('fail') + count('cancelled');
} else failed += 1;
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
