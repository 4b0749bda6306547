// Every test that docs/security.md names must be there.
import { existsSync, readFileSync } from 'node:fs';

const page = readFileSync('docs/security.md', 'utf8');
const missing = [...page.matchAll(/`([\w./-]+\.test\.tsx?) › ([^`]+)`/g)].filter(
  ([, file, name]) => !existsSync(file) || !readFileSync(file, 'utf8').includes(name),
);
for (const [, file, name] of missing) {
  console.error(`docs/security.md names a test that is not there: ${file} › ${name}`);
}
process.exit(missing.length === 0 ? 0 : 1);
