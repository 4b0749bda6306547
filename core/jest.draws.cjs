/**
 * `npm test` draws the same cases every time: green here is green elsewhere. New ones are drawn by
 * `npm run many-cases`, which sets how many times more.
 */
if (process.env.ALFOMBRA_CASES === undefined) {
  require('fast-check').configureGlobal({ seed: 20261201 });
}
