// Adds up what check, Jest and the browser suite counted. What failed is told here once more, since a long
// log is read from its end; the last line is the verdict.
import { existsSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';

const folder = process.argv[2];
const read = (name) =>
  existsSync(join(folder, name)) ? readFileSync(join(folder, name), 'utf8') : null;

const MOST_LINES = 25;
const tell = (what, text) =>
  console.log(`-- failed: ${what}\n${text.split('\n').slice(0, MOST_LINES).join('\n')}`);

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
  for (const { name, message, assertionResults } of result.testResults) {
    const wrong = assertionResults.filter(({ status }) => status === 'failed');
    for (const { fullName, failureMessages } of wrong) tell(fullName, failureMessages.join('\n'));
    if (message && wrong.length === 0) tell(basename(name), message);
  }
} else failed += 1;
const tap = read('e2e.tap');
const count = (word) => Number(new RegExp(`^# ${word} (\\d+)`, 'm').exec(tap ?? '')?.[1] ?? NaN);
if (tap && Number.isFinite(count('pass'))) {
  passed += count('pass');
  failed += count('fail') + count('cancelled');
  // A suite with failed tests says no more than they do, a test that never ran no more than its suite.
  for (const [, what, why] of tap.matchAll(
    /^ *not ok \d+ - (.*)\n((?: +(?!(?:not )?ok ).*\n)*?) +\.\.\.$/gm,
  )) {
    const error = why.slice(Math.max(0, why.indexOf('error:')));
    if (!/^error: '\d+ subtests? failed'|was cancelled/.test(error)) tell(what, error);
  }
} else failed += 1;
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
