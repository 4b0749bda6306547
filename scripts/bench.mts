/**
 * `npm run bench`: what the core costs, each operation beside a baseline measured in the same run
 * (`JSON.parse(JSON.stringify(input))` of the same input), so that numbers of two machines compare.
 */
import {
  areaInterval,
  climateNormals,
  companySchema,
  mergeDocuments,
  diagnosisInputSchema,
  localDate,
  LIBRARY,
  mixCard,
  seasonRequestSchema,
  signs,
  syntheticForecast,
  syntheticPast,
  syntheticYear,
  siteFactors,
  zoneSoil,
  type GrassSlug,
  type SeasonRequest,
  type WeatherBundle,
} from '@alfombra/core';
import { hindcast, lawnYear } from '@alfombra/core/ground';
import { identify, type KeyInput } from '@alfombra/core/key';
import { moveCorner, snapPoint, zoneOverlaps } from '@alfombra/core/measuring';
import {
  exactWalks,
  lawnSeason,
  lawnSeasonInput,
  rateCard,
  zoneCaseOf,
} from '@alfombra/core/planning';
import { askUntil, drawCase, diagnose } from '@alfombra/core/walking';
import loadHighs from 'highs';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { drawProblem, programOf } from '../core/src/choice/testdata/walkProblems';
import { cityYears } from '../core/src/weather/testdata/cityWeather';
import { moreLawns } from '../server/src/demo/moreLawns';
import { SummaryPool, type SummaryContext, type SummaryJob } from '../server/src/lawns/summaryPool';
import { standInStations } from '../server/src/standins/weatherStation';

const TODAY = localDate('2026-04-08');
const WARMUP = 30;
const LEAST_MS = 1500;

const CLIMATE = {
  meanF: 56,
  halfRangeF: 21,
  warmestDay: 200,
  dailyHalfRangeF: [9, 11] as [number, number],
  sdF: [7.5, 4.5] as [number, number],
  wetShare: 0.28,
  wetDayIn: 0.4,
};

function weather(seed: number): WeatherBundle {
  const year = [...syntheticYear(CLIMATE, 2026, seed), ...syntheticYear(CLIMATE, 2027, seed)];
  return {
    station: { id: 'bench', name: 'bench', region: 'transition', latitude: 38, standIn: true },
    today: TODAY,
    days: year.slice(0, 98),
    forecast: syntheticForecast(year.slice(98), TODAY, seed),
    climate: climateNormals(CLIMATE),
    past: syntheticPast(CLIMATE, 2026, 20, seed),
  };
}

const STANDS: GrassSlug[] = ['tall-fescue', 'kentucky-bluegrass', 'bermuda-hybrid', 'zoysia-wide'];
const WEEDS = ['dandelion', 'white-clover', 'henbit', 'ground-ivy', 'wild-garlic'];

function request(index: number): SeasonRequest {
  const grass = STANDS[index % STANDS.length] as GrassSlug;
  const id = `0190a000-0000-7000-8000-${String(index).padStart(12, '0')}`;
  return seasonRequestSchema.parse({
    today: TODAY,
    region: 'transition',
    zones: [
      {
        id,
        name: 'Back',
        outline: [
          { x: 0, y: 0 },
          { x: 80, y: 0 },
          { x: 80, y: 50 },
          { x: 0, y: 50 },
        ],
        edges: ['confirmed', 'confirmed', 'confirmed', 'confirmed'],
        stand: [{ species: grass, cover: 0.6 + 0.05 * (index % 7) }],
        desired: [grass],
        site: { factors: ['full-sun-tall'] },
      },
    ],
    findings: [
      {
        zoneId: id,
        weeds: [
          { weed: WEEDS[index % WEEDS.length], cover: 0.06, growing: true },
          { weed: 'large-crabgrass', cover: 0.05, growing: false },
          { weed: 'annual-bluegrass', cover: 0.04, growing: false },
        ],
      },
    ],
  });
}

interface Measured {
  msEach: number;
  runs: number;
}

function measure(run: () => unknown, least = LEAST_MS): Measured {
  for (let i = 0; i < WARMUP; i += 1) run();
  const start = performance.now();
  let runs = 0;
  while (performance.now() - start < least) {
    run();
    runs += 1;
  }
  return { msEach: (performance.now() - start) / runs, runs };
}

function report(name: string, { msEach, runs }: Measured, baseline: Measured, note = ''): void {
  const ratio = msEach / baseline.msEach;
  console.log(
    `${name.padEnd(34)} ${msEach.toFixed(3).padStart(10)} ms   ${ratio.toFixed(1).padStart(9)} × baseline   (${runs} runs)${note}`,
  );
}

const copy = (value: unknown) => () => JSON.parse(JSON.stringify(value)) as unknown;

const diagnosis = diagnosisInputSchema.parse({
  grass: [{ species: 'st-augustine', cover: 0.9 }],
  zone: 'south',
  month: 7,
  soilTempF: 84,
  signs: Object.fromEntries(signs.filter((_, i) => i % 14 === 0).map(({ slug }) => [slug, true])),
});
const year = weather(1);
const one = request(1);
const many = Array.from({ length: 500 }, (_, index) => ({
  request: request(index),
  weather: weather(index % 12),
}));
const job = {
  products: [
    { herbicide: 'threeway-amine', ratePerAcre: 64 },
    { herbicide: 'halosulfuron', ratePerAcre: 1.33 },
  ],
  areaFt2: 6000,
  carrierGalPer1000: 1,
  tankGal: 4,
};

console.log(
  'operation                              each            against JSON.parse(JSON.stringify(input))',
);
const update = measure(() => diagnose(diagnosis, 'kerb'));
report(
  'one diagnosis update',
  update,
  measure(copy(diagnosis)),
  `   at a quarter of this speed ${(update.msEach * 4).toFixed(1)} ms of a 16 ms frame`,
);
report(
  'one soil season (40 simulated years)',
  measure(() => zoneSoil({ id: 'z', factors: siteFactors(one.zones[0]!) }, year, [])),
  measure(copy(year)),
);
report(
  'one lawn-year: soil, water, growth',
  measure(() => lawnYear(one.zones[0]!, year, [], 3)),
  measure(copy(year)),
);
report(
  'one lawn’s season',
  measure(() => lawnSeason(one, year, [], [])),
  measure(copy([one, year])),
);
const ground = zoneCaseOf(lawnSeasonInput(one, year, [], []), one.zones[0]!);
const twice = <Row extends object>(rows: readonly Row[]) => [...rows, ...rows];
const shelf300 = {
  ...ground.shelf,
  herbicides: twice(ground.shelf.herbicides),
  treatments: twice(ground.shelf.treatments),
  fertilizers: twice(ground.shelf.fertilizers),
  seeds: twice(ground.shelf.seeds),
};
const rows = rateCard({ ...ground, shelf: shelf300 }).rows.length;
report(
  `rate card of ${rows} products (20 ms)`,
  measure(() => rateCard({ ...ground, shelf: shelf300 })),
  measure(copy(one)),
);
report(
  'one mix card',
  measure(() => mixCard(job, LIBRARY)),
  measure(copy(job)),
);

const plant: KeyInput = {
  region: 'transition',
  month: 7,
  onLawn: ['tall-fescue'],
  answers: { 'growth-habit': { state: 'creeping-sod' }, 'leaf-tip': { state: 'long-tapered' } },
};
const named = measure(() => identify(plant));
report(
  'one answer of the plant key',
  named,
  measure(copy(plant)),
  `   at a quarter of this speed ${(named.msEach * 4).toFixed(1)} ms of a 16 ms frame`,
);

const CORNERS = 200;
const ring = (x: number) =>
  Array.from({ length: CORNERS }, (_, index) => ({
    x: x + 60 * Math.cos((2 * Math.PI * index) / CORNERS),
    y: 60 * Math.sin((2 * Math.PI * index) / CORNERS),
  }));
const plan = {
  id: 'a',
  outline: ring(0),
  edges: ring(0).map(() => 'confirmed' as const),
  cutouts: [],
  measure: { method: 'tape' as const, cornerSigmaFt: null },
};
const neighbour = { id: 'b', outline: ring(121) };
const dragged = measure(() => {
  const to = snapPoint({ x: 61, y: 1 }, [neighbour.outline], 1.5);
  const outline = moveCorner(plan.outline, 0, to);
  return [areaInterval({ ...plan, outline }), zoneOverlaps([{ ...plan, outline }, neighbour])];
});
report(
  'one corner of 200 dragged and judged',
  dragged,
  measure(copy(plan)),
  `   at a quarter of this speed ${(dragged.msEach * 4).toFixed(1)} ms of a 16 ms frame`,
);

const mine = { ...one, zones: one.zones.map((zone) => ({ ...zone, name: 'Mine' })) };
const documents = JSON.parse(JSON.stringify([one, mine])) as Parameters<typeof mergeDocuments>[0][];
report(
  'one merge of two devices’ lawns',
  measure(() => mergeDocuments(documents[0] ?? null, documents[1] ?? null, documents[0] ?? null)),
  measure(copy(one)),
);

const start = performance.now();
for (const lawn of many) lawnSeason(lawn.request, lawn.weather, [], []);
const all = { msEach: performance.now() - start, runs: 1 };
const base = performance.now();
for (const lawn of many) copy(lawn)();
report('500 lawns’ seasons', all, { msEach: performance.now() - base, runs: 1 });

// How well calibrated the diagnosis is on cases drawn from its own model, and what asking well saves.
const DRAWN = 200;
const runs = Array.from({ length: DRAWN }, (_, seed) => {
  const drawn = drawCase(seed + 1);
  return { drawn, gain: askUntil(drawn, 'gain'), fixed: askUntil(drawn, 'fixed') };
});
console.log(`\n${DRAWN} drawn cases, asked until one cause stands at 80 %:`);
for (const order of ['gain', 'fixed'] as const) {
  const own = runs.map((run) => ({ ...run[order], right: run[order].top === run.drawn.cause }));
  const brier = own.reduce((sum, { p, right }) => sum + (p - (right ? 1 : 0)) ** 2, 0) / DRAWN;
  const seconds = own.reduce((sum, run) => sum + run.seconds, 0) / DRAWN;
  console.log(
    `  ${order.padEnd(6)} ${seconds.toFixed(0)} s and ${(own.reduce((sum, run) => sum + run.asked.length, 0) / DRAWN).toFixed(1)} answers a case, settled ${((100 * own.filter(({ settled }) => settled).length) / DRAWN).toFixed(0)} %, right ${((100 * own.filter(({ right }) => right).length) / DRAWN).toFixed(0)} %, Brier ${brier.toFixed(3)}`,
  );
}
const spent = (order: 'gain' | 'fixed') => runs.reduce((sum, run) => sum + run[order].seconds, 0);
console.log(`  seconds, gain to fixed: ${(spent('gain') / spent('fixed')).toFixed(2)}`);
console.log('  reliability of the leading cause (asked by gain):');
for (const [low, high] of [
  [0, 0.5],
  [0.5, 0.7],
  [0.7, 0.85],
  [0.85, 1.001],
] as const) {
  const bin = runs.filter(({ gain }) => gain.p >= low && gain.p < high);
  const mean = bin.reduce((sum, { gain }) => sum + gain.p, 0) / Math.max(1, bin.length);
  const hit = bin.filter(({ gain, drawn }) => gain.top === drawn.cause).length;
  console.log(
    `    ${low.toFixed(2)}-${Math.min(1, high).toFixed(2)}  ${String(bin.length).padStart(4)} cases, said ${(100 * mean).toFixed(0)} %, was right ${((100 * hit) / Math.max(1, bin.length)).toFixed(0)} %`,
  );
}

// The exact choice: how long it takes in the browser, and whether an independent solver agrees.
console.log('');
await import('../e2e/choiceSpeed');
const SOLVED = 3000;
const highs = await loadHighs();
let agree = 0;
let own = 0;
let theirs = 0;
for (let seed = 10_001; seed <= 10_000 + SOLVED; seed += 1) {
  const problem = drawProblem(seed);
  const begun = performance.now();
  const [best] = exactWalks(problem.problem, { keep: 1 });
  own += performance.now() - begun;
  const asked = performance.now();
  const solved = highs.solve(programOf(problem));
  theirs += performance.now() - asked;
  const optimum = solved.Status === 'Optimal' ? solved.ObjectiveValue : null;
  if (optimum === null ? !best : best && Math.abs(best.cost - optimum) < 1e-4) agree += 1;
}
console.log(
  `exact choice against HiGHS: ${agree} of ${SOLVED} random problems agree; ours takes ${(own / theirs).toFixed(3)} of its time`,
);

// What the projection foretells, on real days of two cities (NOAA, as vega-datasets ships them) and on
// made-up years, beside the mean day of the other years.
const cities = readFileSync(
  join(dirname(createRequire(import.meta.url).resolve('vega-datasets')), '../data/weather.csv'),
  'utf8',
);
// Two hundred and forty years: of fewer, a mean error is not known to a third of a day.
const madeUp = Array.from({ length: 12 }, (_, station) =>
  Array.from({ length: 20 }, (_, index) => ({
    year: 2001 + index,
    days: syntheticYear(CLIMATE, 2001 + index, 1 + station),
  })),
);
console.log(
  '\nerror of a crossing, days: foretold / mean of the other years (share within the band)',
);
for (const [name, sets, told] of [
  ['two cities, no forecast', [cityYears(cities, 'Seattle'), cityYears(cities, 'New York')], false],
  ['made up, no forecast', madeUp, false],
  ['made up, ten-day forecast', madeUp, true],
] as const) {
  for (const [threshold, direction] of [
    [50, 'rising'],
    [70, 'falling'],
  ] as const) {
    const rows = sets.flatMap((years, index) => {
      const all = years.flatMap(({ days }) => days);
      const ahead = (today: string) => all.slice(all.findIndex(({ date }) => date > today));
      return hindcast(years, threshold, direction, [30, 14, 7], (_, today) =>
        told ? syntheticForecast(ahead(today), today, index + 1) : [],
      );
    });
    const line = [30, 14, 7].map((lead) => {
      const own = rows.filter(({ leadDays }) => leadDays === lead);
      const cases = own.reduce((sum, row) => sum + row.cases, 0);
      const mean = (of: 'projected' | 'calendar' | 'within') =>
        own.reduce((sum, row) => sum + row[of] * row.cases, 0) / cases;
      return `${lead} d ahead ${mean('projected').toFixed(1)} / ${mean('calendar').toFixed(1)} (${(100 * mean('within')).toFixed(0)} %)`;
    });
    console.log(`  ${name.padEnd(26)} ${threshold} °F ${direction.padEnd(8)} ${line.join('   ')}`);
  }
}

// A whole company on the server.
const station = standInStations.get('valley')!;
const bundle: WeatherBundle = {
  station: { id: 'valley', name: 'bench', region: 'transition', latitude: 38, standIn: true },
  today: TODAY,
  days: station.measured(TODAY),
  forecast: station.forecast(TODAY),
  climate: station.climate(),
  past: station.past(2026),
};
const context: SummaryContext = {
  company: companySchema.parse({
    id: '0190a000-0000-7000-8000-000000000001',
    name: 'bench',
    demo: true,
    clock: { kind: 'fixed', date: TODAY },
    policy: {},
    version: 1,
    today: TODAY,
  }),
  bundles: new Map([['valley', bundle]]),
};
const demo = moreLawns().filter(({ body }) => body.stationId === 'valley');
const jobsOf = (count: number): SummaryJob[] =>
  Array.from({ length: count }, (_, index) => {
    const from = demo[index % demo.length]!;
    const id = `0190a000-0000-7000-8000-${String(index).padStart(12, '0')}`;
    const lawn = { id, version: 1, body: from.body };
    return {
      stationId: 'valley',
      file: { lawn, visits: [], records: [], readings: [], samples: [] },
    } as unknown as SummaryJob;
  });
console.log('\nseasons of a company in worker threads:');
for (const count of [500, 1000, 2000]) {
  const begun = performance.now();
  const pool = new SummaryPool();
  await pool.run(
    context,
    jobsOf(count),
    (chunk) => Promise.resolve(chunk),
    () => Promise.resolve(),
  );
  await pool.close();
  const seconds = (performance.now() - begun) / 1000;
  console.log(
    `  ${String(count).padStart(5)} lawns ${seconds.toFixed(1)} s, ${((1000 * seconds) / count).toFixed(2)} ms each, ${Math.round(process.memoryUsage().rss / 1e6)} MB`,
  );
}
process.exit(0);
