/** How many times more cases are drawn than in `npm test`; jest's configuration reads it once. */
declare const TIMES_MORE_CASES: number;

/** Random cases of a property: few in `npm test`, many times more in `npm run many-cases`. */
export const cases = (few: number): { numRuns: number } => ({
  numRuns: Math.ceil(few * TIMES_MORE_CASES),
});
