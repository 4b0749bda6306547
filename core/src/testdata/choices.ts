import roster from '../checker/testdata/roster.json';
import { chooseMix, screenAll, type Target } from '../choice/chooseMix';
import {
  fertilizerRefusals,
  fertilizersOn,
  isAsleep,
  nitrogenRoom,
  placeRoom,
} from '../choice/nitrogen';
import { screenTreatments } from '../choice/screenTreatments';
import { expectedDay, highestAir } from '../choice/sprayDay';
import { zoneCaseOf, type ZoneCase } from '../choice/zoneCase';
import { question } from '../courses/sprayQuestion';
import { toleranceConditionSchema, type GrassSlug, type Region } from '../knowledge';
import { seasonRequestSchema } from '../needs/seasonInput';
import type { Reason } from '../needs/reason';
import { lawnSeasonInput } from '../program/lawnSeason';
import { rateCard } from '../program/rateCard';
import { testZone } from '../program/testdata/testLawn';
import { LIBRARY, shelfLabelSchema } from '../products';
import type { Application } from '../rates';
import { addDays, localDate, type LocalDate } from '../units';
import { seededRandom } from '../weather';
import { testWeather } from '../weather/testdata/testWeather';

const LAWNS = 60;
const FT2 = 3000;
const ACRE = 43_560;
const chance = seededRandom(20_261_201);
const oneOf = <Value>(values: readonly Value[]): Value =>
  values[Math.floor(chance() * values.length)]!;
const some = <Value>(values: readonly Value[], most: number): Value[] =>
  Array.from({ length: 1 + Math.floor(chance() * most) }, () => oneOf(values));

const label = (id: number, kind: string, slug: string, fields: object) =>
  shelfLabelSchema.parse({
    id: `0190a000-0000-7000-8000-0000000000d${id}`,
    base: { kind, slug },
    name: 'Made up',
    signalWord: 'caution',
    unit: 'lb',
    homeLawns: true,
    packages: 1,
    ...fields,
  });
const LABELS = [
  label(1, 'herbicide', 'threeway-granule', { highPerAcre: 120 }),
  label(2, 'herbicide', 'quinclorac', {
    unit: 'oz',
    lowPerAcre: 6,
    highPerAcre: 12,
    maxApplications: 1,
  }),
  label(3, 'herbicide', 'prodiamine', {
    highPerAcre: 180,
    granular: true,
    actives: [{ name: 'prodiamine', amount: 0.4, unit: 'percent' }],
    nutrients: { n: 19, p2o5: 0, k2o: 6, slowShare: 0.5 },
  }),
  label(4, 'treatment', 'clothianidin', {
    highPerAcre: 150,
    granular: true,
    nutrients: { n: 15, p2o5: 0, k2o: 5, slowShare: 0.3 },
  }),
  label(5, 'fertilizer', '24-0-11-half-slow', {
    highPerAcre: 90,
    maxPerYear: 150,
    maxApplications: 2,
    minIntervalDays: 60,
  }),
  label(6, 'fertilizer', '38-0-6-coated', { highPerAcre: 200, turf: ['bahia'] }),
];

/** Work that was done before, at and beside what year and label allow. */
function done(today: LocalDate): Application {
  const kind = oneOf(['herbicide', 'herbicide', 'treatment', 'fertilizer'] as const);
  const share = oneOf([0.3, 0.5, 0.75, 1]);
  const base = {
    id: `d${chance()}`,
    zoneId: testZone(1, []).id,
    date: addDays(today, -oneOf([1, 13, 14, 20, 27, 28, 35, 59, 60, 89, 90, 120, 179, 180, 300])),
    areaFt2: FT2,
    targets: some(roster.weeds, 2),
  };
  const amount = (perAcre: number) => (perAcre * FT2 * share) / ACRE;
  if (kind === 'herbicide') {
    const { slug, rate, unit } = LIBRARY.herbicide(oneOf(roster.herbicides))!;
    return { ...base, materials: [{ kind, slug, amount: amount(rate[1]), unit }] };
  }
  if (kind === 'treatment') {
    const { slug, ratePerAcre, unit } = LIBRARY.treatment(oneOf(roster.treatments))!;
    return {
      ...base,
      materials: [{ kind, slug, amount: amount(ratePerAcre?.[1] ?? 8), unit: unit ?? 'oz' }],
    };
  }
  return {
    ...base,
    materials: [{ kind, slug: oneOf(roster.fertilizers), amount: amount(150), unit: 'lb' }],
  };
}

function lawn(): { zoneCase: ZoneCase; date: LocalDate } {
  const region = oneOf<Region>(['north', 'transition', 'south']);
  const today = addDays(localDate('2026-01-01'), Math.floor(chance() * 350));
  const stand = some(roster.grasses as GrassSlug[], 2).map((species) => ({
    species,
    cover: oneOf([0.05, 0.2, 0.5]),
  }));
  const zone = testZone(1, [...new Map(stand.map((one) => [one.species, one])).values()], {
    irrigated: oneOf([true, false, null]),
    treeRoots: chance() < 0.3,
    sensitivePlants: chance() < 0.3,
    newTurf: oneOf([true, false, null]),
    factors: [oneOf(['full-sun-tall', 'half-shade', 'full-sun-short'] as const)],
  });
  const request = seasonRequestSchema.parse({
    today,
    region,
    zones: [zone],
    upkeep: oneOf(['basic', 'standard', 'showpiece']),
    policy: {
      labels: chance() < 0.4 ? LABELS : [],
      certified: chance() < 0.5,
      onlyShelf: chance() < 0.1,
      confirmedLabels: chance() < 0.5 ? [...roster.treatments, ...roster.herbicides] : [],
      stock: chance() < 0.2 ? roster.herbicides.slice(0, 30) : [],
      ordinance: {
        blackout: oneOf([null, ['11-15', '03-31'], ['06-01', '09-30']]),
        mostNitrogen: oneOf([null, 0.5]),
        mostNitrogenYear: oneOf([null, 2]),
        phosphorusNeedsReason: chance() < 0.4,
      },
    },
    property: [
      {
        zoneId: zone.id,
        wellFt: oneOf([undefined, 20, 49, 51, null]),
        waterFt: oneOf([undefined, 5, 24, 26, null]),
      },
    ],
  });
  const records = Array.from({ length: oneOf([0, 1, 3, 5]) }, () => done(today));
  const input = lawnSeasonInput(
    request,
    testWeather(region, 1 + Math.floor(chance() * 30), today),
    [],
    records,
  );
  return { zoneCase: zoneCaseOf(input, zone), date: addDays(today, oneOf([0, 1, 5, 30, 90])) };
}

const figure = (value: unknown): unknown =>
  typeof value === 'number' ? Number(value.toPrecision(5)) : value;
const wordOf = ({ rule, inputs }: Reason) =>
  [rule, ...Object.entries(inputs).map(([key, value]) => `${key} ${String(figure(value))}`)].join(
    ' ',
  );
/** How often each rule speaks, and a few that speak in full. */
function refused(list: readonly { slug: string; reasons: readonly Reason[] }[]): string {
  const counts = new Map<string, number>();
  for (const { reasons } of list) {
    for (const { rule } of reasons) counts.set(rule, (counts.get(rule) ?? 0) + 1);
  }
  const few = list
    .filter((_, index) => index % 7 === 0)
    .map(({ slug, reasons }) => `${slug}: ${reasons.map(wordOf).join(', ')}`);
  return `${[...counts].map(([rule, count]) => `${rule} ${count}`).join(', ')} | ${few.join(' | ')}`;
}
const rates = (list: readonly { herbicide: string; ratePerAcre: number }[]) =>
  list.map(({ herbicide, ratePerAcre }) => `${herbicide}@${String(figure(ratePerAcre))}`).join('+');

/** What is asked of each lawn, drawn beforehand: what is answered may not move what is asked next. */
function asked() {
  const targets: Target[] = some(roster.weeds, 3).map((weed) => ({
    weed,
    targetPct: oneOf([60, 80, 90]),
    ...(chance() < 0.4
      ? { stage: oneOf(['seedling', '2-4-tiller', 'mature-seeded', 'flowering']) }
      : {}),
  }));
  return {
    targets: [...new Map(targets.map((one) => [one.weed, one])).values()],
    mode: oneOf(['pre', 'post', 'post'] as const),
    airHighF: oneOf([null, 45, 58, 79, 84, 86, 91]),
    treatedFt2: oneOf([FT2, 600, 90]),
    more: {
      weeksToSeeding: oneOf([null, null, 3, 8, 17]),
      weeksSinceEmergence: oneOf([null, null, 2, 6]),
      walks: oneOf([1, 1, 2]),
      drought: chance() < 0.3,
      ...(chance() < 0.5 ? { coverWeeks: oneOf([8, 18, 26]) } : {}),
      conditions: new Set(some(toleranceConditionSchema.options, 2).filter(() => chance() < 0.5)),
    },
    cause: oneOf(roster.causes),
    of: oneOf(['curative', 'preventive'] as const),
  };
}

const scenes = Array.from({ length: LAWNS }, () => ({
  ...lawn(),
  questions: [asked(), asked(), asked()],
  rows: Array.from({ length: 12 }, () => chance()),
}));

/** What is chosen, and refused, on one lawn of a fixed crowd; a line each. */
function chosen({ zoneCase, date, questions, rows }: (typeof scenes)[number]): string[] {
  const air = expectedDay(zoneCase.season, date).airHighF;
  const mixes = questions.flatMap(({ targets, mode, airHighF, treatedFt2, more, cause, of }) => {
    const put = {
      ...question(zoneCase, mode, targets, date, null, { treatedFt2, airHighF: airHighF ?? air }),
      ...more,
    };
    const { best, runnersUp, excluded } = chooseMix(put);
    const told = best
      ? `${rates(best.products)} ${Object.entries(best.control)
          .map(([weed, pct]) => `${weed} ${String(figure(pct))}`)
          .join(
            ' ',
          )} ${String(figure(best.totalUsdInvented))} ${best.minIntervalDays} ${best.reaches} ${best.testSpot}`
      : 'nothing';
    const { feasible } = screenAll(put);
    const { passing, excluded: out } = screenTreatments(
      zoneCase,
      { cause, mode: of },
      date,
      airHighF ?? air,
    );
    return [
      `${mode} ${told} | ${runnersUp.map(({ products }) => rates(products)).join(' ')}`,
      feasible
        .map(
          ({ product, ratePerAcre, effect, light }) =>
            `${product.slug}@${String(figure(ratePerAcre))} ${String(figure(effect))}${light ? ' light' : ''}`,
        )
        .join(' '),
      refused(excluded.map(({ herbicide: slug, reasons }) => ({ slug, reasons }))),
      `${cause} ${of}: ${passing.map(({ product, ratePerAcre, left, rotation }) => `${product.slug}@${String(figure(ratePerAcre))} ${String(figure(left.amount))} ${left.count} ${rotation}`).join(' ')} | ${refused(out.map(({ treatment: slug, reasons }) => ({ slug, reasons })))}`,
    ];
  });
  const room = nitrogenRoom(zoneCase, date, highestAir(zoneCase.season, date, addDays(date, 7)));
  const card = rateCard(zoneCase, date);
  const counts = new Map<string, number>();
  for (const { kind, verdict, rule } of card.rows) {
    const key = `${kind} ${verdict} ${rule}`;
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return [
    ...mixes,
    `room ${String(figure(room.quick))} ${String(figure(room.slow))} place ${String(figure(placeRoom(zoneCase, date)))} asleep ${isAsleep(zoneCase, date)} | ${fertilizersOn(
      zoneCase,
      date,
    )
      .map(({ slug }) => slug)
      .join(
        ' ',
      )} | ${refused(zoneCase.shelf.fertilizers.map((product) => ({ slug: product.slug, reasons: fertilizerRefusals(zoneCase, product, date) })))}`,
    `${card.stage} ${String(figure(card.growth))} ${card.drought} | ${[...counts].map(([key, count]) => `${key} ${count}`).join(', ')}`,
    ...rows.map((at) => {
      const row = card.rows[Math.floor(at * card.rows.length)]!;
      const {
        kind,
        slug,
        verdict,
        ratePerAcre,
        fullPerAcre,
        lightPerAcre,
        until,
        reasons,
        moved,
        inStore,
      } = row;
      return [
        kind,
        slug,
        verdict,
        ...[ratePerAcre, fullPerAcre, lightPerAcre, until, inStore].map((value) =>
          String(figure(value)),
        ),
        reasons.map(wordOf).join(', '),
        ...moved.map(
          (one) =>
            `${one.kind} ${[...one.table, ...one.here].map((value) => String(figure(value))).join(' ')}`,
        ),
      ].join(' ');
    }),
  ];
}

/** Blocks of lawns, so that a test that fails need not work out all of them. */
const BLOCK = 5;
export const blocks: (() => string[][])[] = Array.from(
  { length: LAWNS / BLOCK },
  (_, block) => () => scenes.slice(block * BLOCK, (block + 1) * BLOCK).map(chosen),
);
