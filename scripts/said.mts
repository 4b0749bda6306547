/** `npm run said`: writes anew what judge, chooser and field tests say of fixed cases. Read the difference before keeping it. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { curbs, said, saidAtCurb, scenes } from '../core/src/checker/testdata/walks';
import { blocks } from '../core/src/testdata/choices';
import { readings } from '../core/src/diagnosis/testdata/readings';

const core = join(import.meta.dirname, '..', 'core', 'src');
const write = (file: string, rows: readonly string[]) =>
  writeFileSync(join(core, file), `[\n${rows.join(',\n')}\n]\n`);
const lines = (rows: readonly string[][]) => rows.map((row) => JSON.stringify(row));

write('checker/testdata/said.json', lines(scenes.map(said)));
write('checker/testdata/saidAtCurb.json', lines(curbs.map(saidAtCurb)));
write(
  'testdata/choices.json',
  blocks.map((block) => `[\n${lines(block()).join(',\n')}\n]`),
);
write('diagnosis/testdata/readings.json', readings());
