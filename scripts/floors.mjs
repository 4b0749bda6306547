/**
 * Plants imports between the floors of the core and wants lint to refuse them: the planner and its judge share no code,
 * and a floor never imports one above it. Part of `npm run check`.
 */
import { ESLint } from 'eslint';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const eslint = new ESLint({ cwd: root });

/** File of the core, what it would import, and whether it may. */
const PLANTED = [
  ['checker/checkDay.ts', '../program/planSeason', false],
  ['checker/checkDay.ts', '../courses/step', false],
  ['checker/checkDay.ts', '../choice/usage', false],
  ['checker/checkDay.ts', '../needs/need', false],
  ['practice/practiceCase.ts', '../courses/step', false],
  ['calculators/spray.ts', '../choice/usage', false],
  ['program/planSeason.ts', '../checker/finding', false],
  ['courses/seedStep.ts', '../checker/finding', false],
  ['choice/usage.ts', '../courses/step', false],
  ['needs/need.ts', '../choice/usage', false],
  ['courses/seedStep.ts', '../choice/usage', true],
  ['checker/checkDay.ts', '../products/shelf', true],
];

const wrong = [];
for (const [file, from, allowed] of PLANTED) {
  const [result] = await eslint.lintText(`export * from '${from}';\n`, {
    filePath: join(root, 'core/src', file),
  });
  const refused = result.messages.some(({ ruleId }) => ruleId?.startsWith('boundaries/'));
  if (refused === allowed) wrong.push(`${file} ${allowed ? 'may not' : 'may'} import ${from}`);
}
if (wrong.length > 0) {
  console.error(`lint is wrong about the floors of the core:\n${wrong.join('\n')}`);
  process.exitCode = 1;
}
