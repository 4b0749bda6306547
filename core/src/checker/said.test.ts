/**
 * What the judge says of a fixed crowd of walks, word for word. `limits.test.ts` holds what it should say and why;
 * this holds it to saying nothing else: whoever changes a line of `testdata/said*.json` has to have meant it
 * (`npm run said` writes them anew).
 */
import { checkApplication } from './checkApplication';
import walksBefore from './testdata/said.json';
import curbsBefore from './testdata/saidAtCurb.json';
import { curbs, said, saidAtCurb, scenes } from './testdata/walks';

it.each([
  ['walk', walksBefore as string[][], () => scenes.map(said)],
  ['hour at the curb', curbsBefore as string[][], () => curbs.map(saidAtCurb)],
] as const)('says of every %s what it said before', (_, before, saidNow) => {
  const now = saidNow();
  // The first that differs is enough to read.
  const at = now.findIndex((lines, index) => lines.join('\n') !== before[index]?.join('\n'));
  expect({ at, says: now[at] }).toEqual({ at: -1, says: before[at] });
  expect(now).toHaveLength(before.length);
});
it('puts what is over a limit first, and asks no walk about itself', () => {
  for (const [application, context] of scenes.slice(0, 100)) {
    const marks = checkApplication(application, context).map(({ severity }) => severity);
    expect([...marks].sort((a, b) => (a === b ? 0 : a === 'exceeds' ? -1 : 1))).toEqual(marks);
    const again = { ...context, others: [...context.others, application] };
    expect(checkApplication(application, again)).toEqual(checkApplication(application, context));
  }
});
it('names with every limit in figures on which side of it the walk is', () => {
  const UNDER = new Set(['days', 'feet', 'hours', 'weeks', 'soilF', 'airHighF', 'mph']);
  let compared = 0;
  for (const one of scenes) {
    for (const { rule, severity, inputs } of checkApplication(...one)) {
      if (severity !== 'exceeds') continue;
      const { max, min } = inputs;
      const figures = Object.entries(inputs).filter(
        (entry): entry is [string, number] => typeof entry[1] === 'number',
      );
      const over = figures.filter(([key]) => key !== 'max' && key !== 'min' && key !== 'days');
      if (typeof max === 'number' && min === undefined && over.length > 0) {
        compared += 1;
        // Rain of an inch is too much as well as more.
        expect([rule, Math.max(...over.map(([, value]) => value)) >= max]).toEqual([rule, true]);
      }
      const under = figures.filter(([key]) => UNDER.has(key));
      if (typeof min === 'number' && max === undefined && under.length > 0) {
        compared += 1;
        expect([rule, Math.min(...under.map(([, value]) => value)) < min]).toEqual([rule, true]);
      }
    }
  }
  expect(compared).toBeGreaterThan(300);
});
