/**
 * A stand that is started over: killed, looked at, killed again, sown with a starter, and left alone in between.
 * Days before the seed and amounts: the worked renovation of 10,000 ft² at 40 % cover (W23), common practice.
 */
import { applicationsOf } from '../courses/applicationsOf';
import type { ControlStep, FeedStep, Season, SeedStep } from '../courses/step';
import { needOfWork } from '../needs/need';
import { seasonRequestSchema, type SeasonInput } from '../needs/seasonInput';
import { addDays, daysBetween } from '../units';
import { testWeather } from '../weather/testdata/testWeather';
import { lawnSeasonInput } from './lawnSeason';
import { planSeason } from './planSeason';
import { testZone } from './testdata/testLawn';

const WEEDS = ['dandelion', 'dallisgrass', 'spotted-spurge'];
const zone = testZone(1, [{ species: 'tall-fescue', cover: 0.4 }], { width: 100, length: 100 });
function ask(
  today: string,
  more: {
    records?: SeasonInput['records'];
    looks?: SeasonInput['looks'];
    seedAfterWeeks?: number;
  } = {},
  weeds: readonly string[] = WEEDS,
): Season {
  const request = seasonRequestSchema.parse({
    region: 'transition',
    today: today as SeasonInput['today'],
    zones: [zone],
    findings: [
      {
        zoneId: zone.id,
        weeds: weeds.map((weed) => ({ weed, cover: 0.15, growing: true })),
        unnamed: [],
        damages: [],
      },
    ],
    looks: more.looks ?? [],
    policy: {
      labels:
        more.seedAfterWeeks === undefined
          ? []
          : [
              {
                id: '0190a000-0000-7000-8000-0000000000aa',
                base: { kind: 'herbicide', slug: 'glyphosate' },
                name: 'Made up',
                signalWord: 'caution',
                unit: 'fl-oz',
                highPerAcre: 128,
                homeLawns: true,
                packages: 2,
                seedAfterWeeks: more.seedAfterWeeks,
              },
            ],
    },
  });
  const weather = testWeather('transition', 3, today as SeasonInput['today']);
  return planSeason(lawnSeasonInput(request, weather, [], more.records ?? []));
}
const seedOf = ({ steps }: Season) =>
  steps.find((step): step is SeedStep => step.kind === 'seed') as SeedStep;
const killsOf = ({ steps }: Season) =>
  steps.filter((step): step is ControlStep => step.kind === 'control' && step.kill === true);

describe('a stand under half its cover', () => {
  const season = ask('2026-07-01');
  const [first, second] = killsOf(season);
  const seed = seedOf(season);

  it('is killed three weeks before its seed, and what is green again a week before at the latest', () => {
    expect(daysBetween(first!.window.best, seed.window.best)).toBe(21);
    expect(daysBetween(second!.window.best, seed.window.best)).toBeGreaterThanOrEqual(7);
    expect(daysBetween(first!.window.best, second!.window.best)).toBeGreaterThanOrEqual(14);
    expect(second!.waitsFor?.condition).toBe('look');
  });
  it('gets 128 fl oz of glyphosate per acre, 29.38 fl oz over 10,000 ft², and 70 lb of seed (W23)', () => {
    expect(first!.products).toEqual([{ herbicide: 'glyphosate', ratePerAcre: 128 }]);
    expect(applicationsOf(first!)[0]!.materials[0]!.amount).toBeCloseTo(29.38, 2);
    expect(first!.carrierGalPer1000 * 10).toBeCloseTo(10, 6);
    // Of live seed; the bag is heavier by what in it does not grow.
    const rate = seed.because.find(({ rule }) => rule === 'seed-rate')!;
    expect(Number(rate.inputs['pls']) * 10).toBeCloseTo(70, 6);
  });
  it('has no selective walk, and no feeding but the starter, until the seed is up', () => {
    const from = first!.window.best;
    const to = addDays(seed.window.best, 28);
    const between = season.steps.filter(
      ({ kind, window }) =>
        (kind === 'control' || kind === 'feed') && window.best >= from && window.best <= to,
    );
    expect(between.filter(({ id }) => !id.includes('/kill/')).map(({ id }) => id)).toEqual([
      `${needOfWork(seed.id)}/starter/1`,
    ]);
    expect(season.steps.filter((step) => step.kind === 'control' && !step.kill)).toEqual([]);
  });
  it('gets a pound of phosphate with its seed', () => {
    const starter = season.steps.find(
      (step): step is FeedStep => step.kind === 'feed' && step.slot === 'starter',
    )!;
    expect((starter.productLbPer1000 * starter.grade[1]) / 100).toBeCloseTo(1, 1);
  });
  it('meets every weed of the stand by its kill', () => {
    for (const weed of WEEDS) {
      expect(season.needs.find(({ subject }) => subject === weed)).toMatchObject({
        state: 'planned',
        course: 'kill-and-reseed',
      });
      expect(first!.serves.some((work) => work.startsWith(`control:${weed}:`))).toBe(true);
    }
  });
});

describe('the company’s own label', () => {
  it.each([1, 3, 4])(
    'keeps every kill %i weeks before the seed, also once one is done',
    (weeks) => {
      const season = ask('2026-07-01', { seedAfterWeeks: weeks });
      const [first] = killsOf(season);
      const record = { ...applicationsOf(first!)[0]!, stepId: first!.id };
      const after = ask(addDays(first!.window.best, 1), {
        records: [record],
        seedAfterWeeks: weeks,
      });
      for (const plan of [season, after]) {
        const kills = killsOf(plan);
        expect(kills.length).toBeGreaterThan(0);
        for (const { window } of kills) {
          expect(daysBetween(window.best, seedOf(plan).window.best)).toBeGreaterThanOrEqual(
            7 * weeks,
          );
        }
        // Nor is the seed open while a walk is still before it.
        expect(seedOf(plan).window.opens > kills.at(-1)!.window.best).toBe(true);
      }
    },
  );
});

describe('what was done, and what was seen', () => {
  const planned = ask('2026-07-01');
  const killOn = killsOf(planned)[0]!.window.best;
  const record = {
    ...applicationsOf(killsOf(planned)[0]!, killOn)[0]!,
    stepId: killsOf(planned)[0]!.id,
  };
  const need = needOfWork(record.stepId);

  it('asks after ten days what is green again', () => {
    const look = ask(addDays(killOn, 1), { records: [record] }).steps.find(
      (step) => step.kind === 'look-again',
    );
    expect(look?.window.best).toBe(addDays(killOn, 10));
  });
  it('drops the second walk where nothing is', () => {
    const after = ask(addDays(killOn, 12), {
      records: [record],
      looks: [{ needId: need, date: addDays(killOn, 11), seen: 'gone' }],
    });
    expect(killsOf(after)).toEqual([]);
    expect(daysBetween(killOn, seedOf(after).window.best)).toBeGreaterThanOrEqual(7);
  });
  it('keeps it where some is, or nobody has looked', () => {
    for (const looks of [
      [],
      [{ needId: need, date: addDays(killOn, 11), seen: 'fewer' as const }],
    ]) {
      const after = ask(addDays(killOn, 12), { records: [record], looks });
      expect(killsOf(after).map(({ serves }) => serves[0])).toEqual([`${need}/kill/2`]);
      expect(
        daysBetween(killsOf(after)[0]!.window.best, seedOf(after).window.best),
      ).toBeGreaterThanOrEqual(7);
    }
  });
  it('counts a kill that somebody else made', () => {
    const { stepId, ...foreign } = record;
    expect(stepId).toBeDefined();
    const after = ask(addDays(killOn, 1), { records: [foreign] });
    expect(killsOf(after).map(({ serves }) => serves[0])).toEqual([`${need}/kill/2`]);
  });
  it('is not killed a second time once it is sown', () => {
    const sownOn = seedOf(ask(addDays(killOn, 12), { records: [record] })).window.best;
    const sown = {
      ...applicationsOf(seedOf(planned), sownOn)[0]!,
      stepId: seedOf(planned).id,
    };
    const after = ask(addDays(sownOn, 3), { records: [record, sown] });
    expect(killsOf(after)).toEqual([]);
    expect(after.steps.filter(({ kind }) => kind === 'seed')).toEqual([]);
    // The seed is down; its starter waited for cooler days, and nothing else feeds the seedlings.
    const feeds = after.steps.filter((step): step is FeedStep => step.kind === 'feed');
    expect(feeds[0]!.id).toBe(`${need}/starter/1`);
    expect(feeds.slice(1).every(({ window }) => window.best > addDays(sownOn, 28))).toBe(true);
    const fed = {
      ...applicationsOf(feeds[0]!, addDays(sownOn, 3))[0]!,
      stepId: feeds[0]!.id,
    };
    const later = ask(addDays(sownOn, 4), { records: [record, sown, fed] });
    expect(later.steps.filter(({ id }) => id.includes('/starter/'))).toEqual([]);
  });
});

it('kills nothing where nothing grows that is not wanted, one step inside and outside', () => {
  const bare = (cover: number) => {
    const request = seasonRequestSchema.parse({
      region: 'transition',
      today: '2026-07-01' as SeasonInput['today'],
      zones: [zone],
      findings: [
        {
          zoneId: zone.id,
          weeds: [{ weed: 'dandelion', cover, growing: true }],
          unnamed: [],
          damages: [],
        },
      ],
    });
    const weather = testWeather('transition', 3, '2026-07-01' as SeasonInput['today']);
    return killsOf(planSeason(lawnSeasonInput(request, weather, [], []))).length > 0;
  };
  expect(bare(0.05)).toBe(true);
  expect(bare(0.049)).toBe(false);
});
