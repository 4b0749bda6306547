/**
 * Cases of whole programmes worked by hand apart from this code (W21-W24, W27-W30, W32; rates, limits
 * and efficacy from memory). W01-W20 stand with the single mix, W25, W26 and W31 with the checker.
 */
import { calculate, calculatorOf } from './calculators';
import { checkApplication } from './checker';
import { coverDecision, seedRate } from './establish';
import { dressingVolume, sodOrder } from './establish/volumes';
import { applicationRules, herbicide, type GrassSlug, type ToleranceCondition } from './knowledge';
import { chooseMix, screenAll, type MixQuestion } from './choice/chooseMix';
import { herbicideHold } from './courses/seedStep';
import { zoneCaseOf } from './choice/zoneCase';
import { lawnSeason, lawnSeasonInput } from './program/lawnSeason';
import { planSeason } from './program/planSeason';
import { seasonRequestSchema } from './needs/seasonInput';
import { testZone } from './program/testdata/testLawn';
import { Usage } from './choice/usage';
import { activesPerAcre, mixComponents, type Application } from './rates';
import { addDays, localDate, SQUARE_FEET_PER_ACRE } from './units';
import { testWeather } from './weather/testdata/testWeather';
import { LIBRARY } from './products';

const question = (
  grass: GrassSlug,
  weeds: string[],
  fields: Partial<MixQuestion> = {},
): MixQuestion => ({
  shelf: LIBRARY,
  mode: 'post',
  grasses: [grass],
  targets: weeds.map((weed) => ({ weed, targetPct: 80 })),
  treatedFt2: 5000,
  airHighF: 78,
  conditions: new Set<ToleranceCondition>(['green']),
  drought: false,
  treeRoots: false,
  sensitivePlants: false,
  weeksToSeeding: null,
  weeksSinceEmergence: null,
  residential: true,
  certified: false,
  confirmedLabels: new Set(),
  walks: 1,
  ...fields,
});
const spray = (
  slug: string,
  perAcre: number,
  date: string,
  areaFt2: number,
  unit = herbicide(slug)!.unit,
): Application => ({
  id: `${slug}-${date}`,
  zoneId: 'z',
  date,
  areaFt2,
  materials: [
    { kind: 'herbicide', slug, amount: (perAcre * areaFt2) / SQUARE_FEET_PER_ACRE, unit },
  ],
});
/** Amount for an area, from a rate per acre. */
const amount = (perAcre: number, areaFt2: number) => (perAcre * areaFt2) / SQUARE_FEET_PER_ACRE;

describe('W21: bermuda in 40 % of a St. Augustine lawn', () => {
  it('no selective product reaches it', () => {
    const answer = chooseMix(question('st-augustine', ['bermuda-common']));
    expect(answer.best?.reaches ?? false).toBe(false);
  });
  it('so the part is killed and sodded: 1,764 ft² with 5 % waste', () => {
    const affected = 4200 * 0.4;
    expect(sodOrder(affected, 0.05, 450, 10).orderFt2).toBeCloseTo(1764, 6);
  });
});

/** The need that a contaminant of a stand is, in early May. */
function needOf(turf: GrassSlug, weed: GrassSlug, cover: number) {
  const today = localDate('2026-05-08');
  const zone = testZone(
    1,
    [
      { species: turf, cover: 0.9 - cover },
      { species: weed, cover },
    ],
    { desired: [turf], irrigated: true },
  );
  const region = turf === 'tall-fescue' ? 'transition' : 'south';
  const request = seasonRequestSchema.parse({
    today,
    region,
    zones: [zone],
    findings: [{ zoneId: zone.id, weeds: [] }],
  });
  const season = lawnSeason(request, testWeather(region, 1, today), [], []).season;
  return season.needs.find(({ kind, subject }) => kind === 'control' && subject === weed)!;
}

it('W21: is a need that only killing and sod, or living with it, are left to', () => {
  const need = needOf('st-augustine', 'bermuda-common', 0.4);
  expect(need).toMatchObject({ state: 'givenUp', ways: ['kill-and-resod', 'accept'] });
  expect(need.reason).toBeDefined();
});

it('W22: has both programmes for its ways beside leaving it, killing first from 15 % of the zone on', () => {
  expect(needOf('tall-fescue', 'bermuda-common', 0.18).ways).toEqual([
    'kill-and-reseed',
    'suppress-seasons',
    'leave',
  ]);
  expect(needOf('tall-fescue', 'bermuda-common', 0.15).ways[0]).toBe('kill-and-reseed');
  expect(needOf('tall-fescue', 'bermuda-common', 0.14).ways).toEqual([
    'suppress-seasons',
    'kill-and-reseed',
    'leave',
  ]);
});

describe('W22: bermuda in 18 % of a tall fescue lawn', () => {
  const affected = 1620;
  const parts = (slug: string) =>
    Object.fromEntries(
      mixComponents([{ herbicide: slug, ratePerAcre: 1 }], LIBRARY).map(
        ({ product, ratePerAcre }) => [product.slug, amount(ratePerAcre, affected)],
      ),
    );
  it('measures the two programmes', () => {
    expect(parts('tank-fluazifop-triclopyr').fluazifop).toBeCloseTo(0.186, 3);
    expect(parts('tank-fluazifop-triclopyr').triclopyr).toBeCloseTo(1.1901, 3);
    expect(parts('tank-topramezone-triclopyr').topramezone).toBeCloseTo(0.0483, 3);
  });
  it('allows four walks of triclopyr in the year and no fifth', () => {
    const walk = (index: number): Application => ({
      id: `w${index}`,
      zoneId: 'z',
      date: addDays(localDate('2026-05-10'), index * 28),
      areaFt2: affected,
      materials: mixComponents(
        [
          {
            herbicide: index < 2 ? 'tank-fluazifop-triclopyr' : 'tank-topramezone-triclopyr',
            ratePerAcre: 1,
          },
        ],
        LIBRARY,
      ).map(({ product, ratePerAcre }) => ({
        kind: 'herbicide' as const,
        slug: product.slug,
        amount: amount(ratePerAcre, affected),
        unit: product.unit,
      })),
    });
    const over = (index: number) =>
      checkApplication(walk(index), {
        stand: [{ species: 'tall-fescue', cover: 0.8 }],
        desired: ['tall-fescue'],
        zoneFt2: 9000,
        others: Array.from({ length: index }, (_, earlier) => walk(earlier)),
        airHighF: 80,
      }).filter(({ rule, material }) => rule.startsWith('year') && material === 'triclopyr');
    expect(over(3)).toEqual([]);
    expect(over(4).map(({ rule }) => rule)).toContain('year-amount');
  });
});

describe('W23 and W24: renovate or overseed', () => {
  it('kills all below half desirable cover, overseeds above', () => {
    expect(coverDecision(0.4, 'tall-fescue')).toBe('renovate');
    expect(coverDecision(0.62, 'tall-fescue')).toBe('overseed');
    expect(seedRate('tall-fescue', 'new')!.plsLbPer1000).toBeGreaterThanOrEqual(7);
  });
  it('measures the kill and the dressing', () => {
    expect(amount(herbicide('glyphosate')!.rate[1], 10_000)).toBeCloseTo(29.38, 2);
    expect(dressingVolume(10_000, 0.5).cubicYards).toBeCloseTo(15.4, 1);
    expect(10_000 * 0.38 * applicationRules.spotFactor).toBeCloseTo(4560, 6);
    expect(addDays(localDate('2025-09-20'), -21)).toBe('2025-08-30');
  });
});

it('W27: prodiamine at 16 oz on 1 September lets seed grow from 2 March', () => {
  const zone = testZone(1, [{ species: 'tall-fescue', cover: 0.55 }], { desired: ['tall-fescue'] });
  const today = localDate('2025-09-05');
  const request = seasonRequestSchema.parse({
    today,
    region: 'transition',
    zones: [zone],
    findings: [{ zoneId: zone.id, weeds: [] }],
  });
  const pre = spray('prodiamine', 16, '2025-09-01', 3000);
  const input = lawnSeasonInput(
    request,
    testWeather('transition', 1, today),
    [],
    [{ ...pre, zoneId: zone.id }],
  );
  expect(herbicideHold(zoneCaseOf(input, zone))).toBe('2026-03-02');
  const seed = planSeason(input).steps.find(({ kind }) => kind === 'seed');
  expect(seed!.window.opens >= '2026-03-02').toBe(true);
  const sown: Application = {
    id: 'seed',
    zoneId: 'z',
    date: '2025-09-15',
    areaFt2: 3000,
    materials: [{ kind: 'seed', slug: 'tall-fescue', amount: 21, unit: 'lb' }],
  };
  expect(
    checkApplication(sown, {
      stand: [{ species: 'tall-fescue', cover: 0.55 }],
      desired: ['tall-fescue'],
      zoneFt2: 3000,
      others: [pre],
    }).map(({ rule }) => rule),
  ).toContain('seed-too-soon');
});

it('W28: a retail concentrate of imazaquin is the low rate of the dry one; two uses make 84 %', () => {
  const perAcre = 4 * 43.56;
  expect((perAcre / 128) * 0.28).toBeCloseTo(0.381, 3);
  const [dose] = activesPerAcre(LIBRARY.herbicide('imazaquin')!, 8.6);
  expect(dose!.lbPerAcre).toBeCloseTo(0.376, 3);
  const control = (walks: number) =>
    chooseMix(
      question('bermuda-hybrid', ['annual-bluegrass'], {
        stock: new Set(['imazaquin']),
        walks,
      }),
    ).best!.control['annual-bluegrass'];
  expect(control(1)).toBeCloseTo(60, 6);
  expect(control(2)).toBeCloseTo(84, 6);
});

it('W29: with 2,4-D used up the others remain', () => {
  const records = ['2025-05-02', '2025-06-04'].map((date) =>
    spray('threeway-amine', 64, date, 5000),
  );
  const { feasible, excluded } = screenAll(
    question('kentucky-bluegrass', ['dandelion', 'white-clover'], {
      usage: { usage: Usage.of(records, LIBRARY), date: localDate('2025-09-20') },
    }),
  );
  const passing = feasible.map(({ product }) => product.slug);
  expect(passing).toEqual(
    expect.arrayContaining(['mcpa-fluroxypyr-dicamba', 'triclopyr', 'florasulam']),
  );
  expect(passing).not.toContain('threeway-carfentrazone');
  const reasons = excluded.find(
    ({ herbicide: slug }) => slug === 'threeway-carfentrazone',
  )!.reasons;
  expect(reasons.map(({ rule }) => rule)).toEqual(
    expect.arrayContaining(['R14-active-year', 'R14-active-count']),
  );
});

it('W30: 14 % brown after three days stops the job for 21 days', () => {
  const ask = (brown: string) =>
    calculate(calculatorOf('test-spot')!, { 'spot-area': '20', 'brown-blades': brown }).answer!;
  expect(ask('14').notes[0]).toMatchObject({ rule: 'calc-test-failed', tone: 'stop' });
  expect(ask('14').figures.find(({ slug }) => slug === 'wait')!.value).toBe(21);
  expect(ask('14').figures[0]!.value).toBeCloseTo(2.8, 9);
  expect(ask('10').notes[0]).toMatchObject({ rule: 'calc-test-passed', tone: 'good' });
});

it('W32: hardened lespedeza in heat stays under the target: 39.6 %, twice 63.5 %, so it waits', () => {
  const asked = (walks: number) =>
    question('centipede', [], {
      targets: [{ weed: 'common-lespedeza', targetPct: 80, stage: 'mature-seeded' }],
      stock: new Set(['thiencarbazone-iodosulfuron-dicamba']),
      airHighF: 91,
      conditions: new Set<ToleranceCondition>(['green', 'air>85F']),
      walks,
    });
  const [candidate] = screenAll(asked(1)).feasible;
  expect(100 * candidate!.effect * candidate!.hits[0]!).toBeCloseTo(39.6, 0);
  // A walk that would leave more than half alive is not worth making.
  expect(chooseMix(asked(1)).best).toBeNull();
  const twice = chooseMix(asked(2)).best!;
  expect(twice.control['common-lespedeza']).toBeCloseTo(63.5, 0);
  expect(twice.reaches).toBe(false);
});
