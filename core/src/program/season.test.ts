import { lawnSeason } from './lawnSeason';
import { seasonRequestSchema } from '../needs/seasonInput';
import type { Season, SprayStep, Step } from '../courses/step';
import { testZone } from './testdata/testLawn';
import type { Application } from '../rates';
import { daysBetween, localDate, type LocalDate } from '../units';
import { feedingRules, type Region } from '../knowledge';
import type { Zone } from '../lawn';
import { testWeather } from '../weather/testdata/testWeather';

const fescue = testZone(1, [
  { species: 'tall-fescue', cover: 0.72 },
  { species: 'bermuda-common', cover: 0.1 },
]);

interface Given {
  region?: Region;
  today?: string;
  weeds?: unknown[];
  choices?: Record<string, 'seed' | 'prevent'>;
  records?: Application[];
  pointCount?: { hits: number; points: number };
  damages?: unknown[];
  unnamed?: unknown[];
}

function plan(
  zone: Zone,
  {
    region = 'transition',
    today = '2026-04-08',
    weeds = [],
    choices = {},
    records = [],
    ...rest
  }: Given = {},
): Season {
  const day: LocalDate = localDate(today);
  const request = seasonRequestSchema.parse({
    today: day,
    region,
    zones: [zone],
    findings: [{ zoneId: zone.id, weeds, ...rest }],
    choices,
  });
  return lawnSeason(request, testWeather(region, 1, day), [], records).season;
}
const of = <Kind extends Step['kind']>(season: Season, kind: Kind) =>
  season.steps.filter((step): step is Extract<Step, { kind: Kind }> => step.kind === kind);
const CRAB = { weed: 'large-crabgrass', cover: 0.05, growing: false };
const POA = { weed: 'annual-bluegrass', cover: 0.05, growing: false };
const DANDELION = { weed: 'dandelion', cover: 0.06 };

describe('a tall fescue lawn in early April', () => {
  const season = plan(fescue, { weeds: [CRAB, POA, DANDELION] });

  it('keys the preventer to the projected soil, closing before 55 °F', () => {
    const [prevent] = of(season, 'prevent');
    expect(prevent?.group).toBe('crabgrass');
    expect(prevent?.window.basis).toMatchObject({
      kind: 'soil',
      thresholdF: 48,
      direction: 'rising',
    });
    expect(prevent!.window.opens <= prevent!.window.best).toBe(true);
    expect(prevent!.window.best <= prevent!.window.closes).toBe(true);
    expect(prevent!.control[0]!.expectedPct).toBeGreaterThanOrEqual(80);
  });
  it('leaves time for the fall seeding that the thin stand needs', () => {
    const [prevent] = of(season, 'prevent');
    expect(prevent!.because.map(({ rule }) => rule)).toContain('prevent-leaves-seeding');
    expect(
      prevent!.excluded
        .find(({ herbicide }) => herbicide === 'indaziflam')
        ?.reasons.map((r) => r.rule),
    ).toEqual(expect.arrayContaining(['R01-turf', 'R07-seeding-wait']));
  });
  it('sprays spots of dandelion and leaves bermuda until its soil is warm', () => {
    const walks = of(season, 'control');
    expect(walks[0]).toMatchObject({ method: 'spot' });
    expect(walks[0]!.control.map(({ weed }) => weed)).toEqual(['dandelion']);
    expect(walks[0]!.areaFt2).toBeCloseTo(3000 * 0.06 * 1.2, 6);
    const bermuda = walks.find((walk) =>
      walk.control.some(({ weed }) => weed === 'bermuda-common'),
    );
    expect(bermuda!.window.opens > walks[0]!.window.opens).toBe(true);
  });
  it('feeds from spring to late fall, within the grass’s limits, with little before winter', () => {
    const feeds = of(season, 'feed').filter(({ window }) => window.best < '2027');
    expect(feeds.map(({ slot }) => slot)).toEqual([
      'early-spring',
      'late-spring',
      'early-fall',
      'late-fall',
    ]);
    expect(feeds.reduce((sum, { nLbPer1000 }) => sum + nLbPer1000, 0)).toBeLessThanOrEqual(4);
    expect(feeds[3]).toMatchObject({ fertilizer: '25-0-10-quick', nLbPer1000: 0.5 });
  });
  it('shows the clash of fall prevention and seed, and plans neither', () => {
    expect(season.clashes).toHaveLength(1);
    expect(season.clashes[0]).toMatchObject({ choice: null });
    expect(season.clashes[0]!.waitWeeks).toBeGreaterThan(season.clashes[0]!.weeks);
    expect(of(season, 'seed')).toEqual([]);
  });
  it.each(['seed', 'prevent'] as const)('plans %s when the technician picks it', (choice) => {
    const picked = plan(fescue, {
      weeds: [CRAB, POA, DANDELION],
      choices: { [season.clashes[0]!.id]: choice },
    });
    expect(of(picked, 'seed')).toHaveLength(choice === 'seed' ? 1 : 0);
    const fall = of(picked, 'prevent').filter(({ group }) => group === 'winter-annuals');
    expect(fall).toHaveLength(choice === 'prevent' ? 1 : 0);
    expect(picked.leftOut.map(({ reason }) => reason.rule)).toContain(
      choice === 'seed' ? 'prevent-set-aside' : 'seed-set-aside',
    );
  });
});

describe('what is on record counts', () => {
  const prevented = of(plan(fescue, { weeds: [CRAB] }), 'prevent')[0] as SprayStep;
  const done: Application = {
    id: 'r1',
    zoneId: fescue.id,
    date: prevented.window.best,
    areaFt2: 3000,
    materials: prevented.products.map(({ herbicide, ratePerAcre }) => ({
      kind: 'herbicide' as const,
      slug: herbicide,
      amount: (ratePerAcre * 3000) / 43_560,
      unit: 'fl-oz' as const,
    })),
  };
  it('does not lay the same preventer twice in its window', () => {
    const after = plan(fescue, { weeds: [CRAB], today: prevented.window.best, records: [done] });
    const again = of(after, 'prevent').filter(
      ({ window }) => window.closes <= prevented.window.closes,
    );
    expect(again).toEqual([]);
  });
  it('does not seed into a zone that was seeded', () => {
    const seeded: Application = {
      id: 'r2',
      zoneId: fescue.id,
      date: '2026-03-20',
      areaFt2: 3000,
      materials: [{ kind: 'seed', slug: 'tall-fescue', amount: 15, unit: 'lb' }],
    };
    const after = plan(fescue, { records: [seeded] });
    expect(of(after, 'seed')).toEqual([]);
    expect(after.leftOut.map(({ reason }) => reason.rule)).toContain('seed-done');
  });
});

describe('other lawns', () => {
  it('promises no cure of bermuda in St. Augustine', () => {
    const zone = testZone(2, [
      { species: 'st-augustine', cover: 0.85 },
      { species: 'bermuda-common', cover: 0.1 },
    ]);
    const season = plan(zone, { region: 'south', today: '2026-05-20' });
    expect(season.unmet).toContainEqual({
      zoneId: zone.id,
      weed: 'bermuda-common',
      reason: { rule: 'control-no-product', inputs: { weed: 'bermuda-common' } },
    });
  });
  it('plugs what has no seed', () => {
    const zone = testZone(3, [{ species: 'st-augustine', cover: 0.6 }]);
    const [seed] = of(plan(zone, { region: 'south' }), 'seed');
    expect(seed).toMatchObject({ material: 'plugs', species: 'st-augustine' });
    expect(seed!.areaFt2).toBeCloseTo(1200, 6);
  });
  it('renovates under half cover and asks for points near the line', () => {
    const zone = testZone(4, [{ species: 'tall-fescue', cover: 0.4 }]);
    expect(of(plan(zone), 'seed')[0]).toMatchObject({ use: 'new' });
    const counted = plan(zone, { pointCount: { hits: 48, points: 100 } });
    expect(counted.leftOut.map(({ reason }) => reason.rule)).toContain('seed-count-more');
  });
  it('sows all of a zone that is to be established, before any prevention, until it is', () => {
    const build: Zone = { ...fescue, project: 'build' };
    const season = plan(build, { weeds: [CRAB, POA] });
    const [seed] = of(season, 'seed');
    expect(seed).toMatchObject({ use: 'new' });
    expect(seed!.because[0]!.rule).toBe('seed-build');
    expect(season.clashes.map(({ choice }) => choice)).toEqual(['seed']);
    const picked = plan(build, {
      weeds: [CRAB, POA],
      choices: { [season.clashes[0]!.id]: 'prevent' },
    });
    expect(of(picked, 'seed')).toEqual([]);
    const dense = testZone(1, [{ species: 'tall-fescue', cover: 0.95 }]);
    expect(of(plan({ ...dense, project: 'build' }), 'seed')).toEqual([]);
  });
  it('feeds a zone for the finish that is wanted there', () => {
    const total = (zone: Zone) =>
      of(plan(zone), 'feed').reduce((sum, { nLbPer1000 }) => sum + nLbPer1000, 0);
    expect(total({ ...fescue, upkeep: 'showpiece' })).toBeGreaterThan(total(fescue));
    expect(total({ ...fescue, upkeep: 'standard' })).toBe(total(fescue));
  });
  it('sprays nothing foliar on a lawn that had no water', () => {
    const zone = testZone(5, [{ species: 'zoysia-wide', cover: 0.9 }], { irrigated: false });
    const day = localDate('2026-07-20');
    const request = seasonRequestSchema.parse({
      today: day,
      region: 'south',
      zones: [zone],
      findings: [{ zoneId: zone.id, weeds: [{ weed: 'green-kyllinga', cover: 0.2 }] }],
    });
    const weather = testWeather('south', 1, day);
    const dry = { ...weather, days: weather.days.map((d) => ({ ...d, rainIn: 0 })) };
    const [walk] = of(lawnSeason(request, dry, [], []).season, 'control');
    expect(walk === undefined || walk.window.opens > '2026-07-23').toBe(true);
  });
  it('cleans up dormant bermuda in winter with what spares it asleep', () => {
    const zone = testZone(6, [{ species: 'bermuda-hybrid', cover: 0.95 }]);
    const [walk] = of(
      plan(zone, { today: '2026-01-10', weeds: [{ weed: 'henbit', cover: 0.2 }] }),
      'control',
    );
    expect(walk!.window.opens < '2026-03-01').toBe(true);
  });
  it('brings a patch that was left alone back on its day', () => {
    const season = plan(fescue, { damages: [{ lookAgainOn: '2026-04-15' }] });
    expect(of(season, 'look-again')[0]).toMatchObject({
      state: 'upcoming',
      window: { opens: '2026-04-15' },
    });
  });
  it('forgets nothing of one patch because of another', () => {
    const [first, second] = [1, 2].map((n) => `0190a000-0000-7000-8000-0000000000f${n}`);
    const season = plan(fescue, {
      today: '2026-08-25',
      damages: [
        { patchId: first, cause: 'white-grub', protect: 'treat', lookAgainOn: '2026-09-01' },
        { patchId: second, cause: 'dog-urine', lookAgainOn: '2026-09-05' },
        { patchId: null, cause: 'white-grub', lookAgainOn: '2026-09-01' },
      ],
    });
    expect(of(season, 'protect').map(({ cause }) => cause)).toEqual(['white-grub']);
    const looks = of(season, 'look-again');
    expect(looks.map(({ patchId, window }) => [patchId, window.opens])).toEqual([
      [first, '2026-09-01'],
      [null, '2026-09-01'],
      [second, '2026-09-05'],
    ]);
    expect(new Set(looks.map(({ id }) => id)).size).toBe(3);
  });
  it('sprays nothing on an unsure name or on a kind alone, and says so', () => {
    const sure = (confidence?: number) =>
      plan(fescue, { weeds: [{ ...DANDELION, ...(confidence ? { confidence } : {}) }] });
    const targets = (season: Season) =>
      of(season, 'control').flatMap(({ control }) => control.map(({ weed }) => weed));
    expect(targets(sure())).toContain('dandelion');
    expect(targets(sure(0.8))).toContain('dandelion');
    const unsure = sure(0.79);
    expect(targets(unsure)).not.toContain('dandelion');
    expect(unsure.unmet.map(({ reason }) => reason.rule)).toContain('weed-name-unsure');
    const kind = plan(fescue, { unnamed: [{ category: 'sedge', cover: 0.1 }] });
    expect(kind.leftOut.map(({ reason }) => reason)).toContainEqual({
      rule: 'weed-unnamed',
      inputs: { category: 'sedge' },
    });
  });
});

describe('the law of the place', () => {
  const fed = (ordinance: object) => {
    const day = localDate('2026-08-20');
    const request = seasonRequestSchema.parse({
      today: day,
      region: 'transition',
      zones: [fescue],
      policy: { ordinance },
    });
    return lawnSeason(request, testWeather('transition', 1, day), [], []).season;
  };
  const feeds = (ordinance: object) =>
    of(fed(ordinance), 'feed').filter(({ slot }) => slot !== 'starter');

  it('moves a feeding out of the closed days, or leaves it out', () => {
    const free = feeds({});
    expect(free.length).toBeGreaterThan(0);
    const first = free[0]!;
    const opens = first.window.opens.slice(5);
    const later = feeds({ blackout: [opens, first.window.best.slice(5)] });
    const moved = later.find(({ slot }) => slot === first.slot)!;
    expect(moved.window.opens > first.window.best).toBe(true);
    expect(moved.window.best >= moved.window.opens).toBe(true);
    const shut = fed({ blackout: ['01-01', '12-31'] });
    expect(of(shut, 'feed')).toEqual([]);
    expect(shut.leftOut.map(({ reason }) => reason.rule)).toContain('feed-blackout');
  });
  it('closes the days that wrap over the year', () => {
    for (const { window } of feeds({ blackout: ['11-15', '03-15'] })) {
      for (const day of [window.opens, window.best, window.closes]) {
        expect(day.slice(5) > '03-15' && day.slice(5) < '11-15').toBe(true);
      }
    }
  });
  it('holds to the most nitrogen at once and in the year', () => {
    for (const feed of feeds({ mostNitrogen: 0.5 })) {
      expect(feed.nLbPer1000).toBeLessThanOrEqual(0.5);
    }
    const season = fed({ mostNitrogenYear: 0.6 });
    const sum = of(season, 'feed')
      .filter(({ window }) => window.best < '2027')
      .reduce((lb, { nLbPer1000 }) => lb + nLbPer1000, 0);
    expect(sum).toBeLessThanOrEqual(0.6 + 1e-9);
    expect(season.leftOut.map(({ reason }) => reason.rule)).toContain('feed-place');
  });
});

it('plans nothing where nobody has named the grass, whatever grows there', () => {
  const unnamed: Zone = { ...fescue, stand: [], desired: [] };
  const season = plan(unnamed, {
    weeds: [CRAB, DANDELION, { weed: 'yellow-nutsedge', cover: 0.1 }],
  });
  expect(season.steps).toEqual([]);
  expect(season.unmet).toEqual([]);
  expect(season.leftOut).toEqual([
    { zoneId: fescue.id, reason: { rule: 'name-grass-first', inputs: {} } },
  ]);
});

it('leaves a grass alone that is put up with', () => {
  const tolerant: Zone = { ...fescue, tolerated: ['bermuda-common'] };
  const against = (zone: Zone) =>
    of(plan(zone), 'control').flatMap(({ control }) => control.map(({ weed }) => weed));
  expect(against(fescue)).toContain('bermuda-common');
  expect(against(tolerant)).not.toContain('bermuda-common');
});

it('feeds no warm-season turf before its soil has woken it, whatever the calendar says', () => {
  let fed = 0;
  for (const seed of [1, 2, 3, 271]) {
    for (const species of ['st-augustine', 'zoysia-wide', 'bermuda-common'] as const) {
      const zone = testZone(1, [{ species, cover: 0.95 }], {
        irrigated: true,
        factors: ['half-shade'],
      });
      const day = localDate('2026-05-06');
      const request = seasonRequestSchema.parse({
        today: day,
        region: 'north',
        upkeep: 'basic',
        zones: [zone],
      });
      const { season, soil } = lawnSeason(request, testWeather('north', seed, day), [], []);
      const { meanF, start } = soil.get(zone.id)!;
      for (const { window } of of(season, 'feed')) {
        const soilF = meanF[daysBetween(start, window.best)]!;
        fed += 1;
        expect({
          seed,
          species,
          on: window.best,
          woken: soilF >= feedingRules.dormantF,
        }).toMatchObject({
          woken: true,
        });
      }
    }
  }
  expect(fed).toBeGreaterThan(10);
});
