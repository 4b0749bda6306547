/**
 * Random cases of a property: few in `npm test`, and so many times more where `ALFOMBRA_CASES` says
 * so (`npm run many-cases`).
 */
export const cases = (few: number): { numRuns: number } => ({
  numRuns: few * Number(process.env.ALFOMBRA_CASES ?? 1),
});
