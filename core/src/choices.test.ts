/**
 * What the chooser says of a fixed crowd of questions, word for word: mixes and their rates, what is refused and why,
 * treatments, room for nitrogen, rate cards. Why it should say so stands in the reference tests beside; this holds it to
 * saying nothing else (`npm run said` writes it anew).
 */
import { blocks } from './testdata/choices';
import before from './testdata/choices.json';

it.each(blocks.map((block, at) => [at, block] as const))(
  'says in block %d what it said',
  (at, block) => {
    const now = block();
    now.forEach((lines, lawn) => {
      const said = (before as string[][][])[at]?.[lawn] ?? [];
      // The first line that differs is enough to read.
      const line = lines.findIndex((one, index) => one !== said[index]);
      expect({ lawn, line, says: lines[line] }).toEqual({ lawn, line: -1, says: undefined });
      expect(lines).toHaveLength(said.length);
    });
  },
);
