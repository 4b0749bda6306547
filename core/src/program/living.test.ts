/**
 * What the plan does with what was done, seen and decided: each of these was wrong when the season was a list worked
 * out afresh every day.
 */
import { applicationsOf } from '../courses/applicationsOf';
import type { Season, Step } from '../courses/step';
import type { Region } from '../knowledge';
import type { Zone } from '../lawn';
import { walkRules } from '../knowledge/programmes';
import { seasonRequestSchema, type LookAnswer } from '../needs/seasonInput';
import type { Application } from '../rates';
import { addDays, daysBetween, localDate, type LocalDate } from '../units';
import { testWeather } from '../weather/testdata/testWeather';
import { lawnSeason } from './lawnSeason';
import { testZone } from './testdata/testLawn';

interface Given {
  region?: Region;
  today: string;
  weeds?: unknown[];
  damages?: unknown[];
  records?: Application[];
  looks?: LookAnswer[];
  history?: string[];
  upkeep?: 'basic' | 'standard' | 'showpiece';
  confirmedLabels?: string[];
}

function plan(
  zone: Zone,
  {
    region = 'transition',
    today,
    weeds = [],
    damages = [],
    records = [],
    looks = [],
    history = [],
    upkeep = 'standard',
    confirmedLabels = [],
  }: Given,
): Season {
  const day = localDate(today);
  const request = seasonRequestSchema.parse({
    today: day,
    region,
    upkeep,
    zones: [zone],
    findings: [{ zoneId: zone.id, weeds, damages }],
    policy: { confirmedLabels },
    looks,
  });
  return lawnSeason(
    request,
    testWeather(region, 1, day),
    [],
    records,
    new Map([[zone.id, history]]),
  ).season;
}
const of = <Kind extends Step['kind']>(season: Season, kind: Kind) =>
  season.steps.filter((step): step is Extract<Step, { kind: Kind }> => step.kind === kind);
const againstDandelion = (season: Season) =>
  of(season, 'control').filter(({ control }) => control.some(({ weed }) => weed === 'dandelion'));
const recordOf = (step: Step, on: LocalDate = step.window.best): Application => ({
  ...(applicationsOf(step, on)[0] as Application),
  stepId: step.id,
});
const need = (season: Season, kind: string, subject: string) =>
  season.needs.find((entry) => entry.kind === kind && entry.subject === subject)!;

const bluegrass = testZone(1, [{ species: 'kentucky-bluegrass', cover: 0.92 }], {
  irrigated: true,
});
const CRAB = { weed: 'large-crabgrass', cover: 0.05, growing: false };
const DANDELION = { weed: 'dandelion', cover: 0.06, since: '2026-04-01', seenOn: '2026-04-01' };

describe('work that was done', () => {
  const before = plan(bluegrass, { today: '2026-04-08', weeds: [CRAB, DANDELION] });

  it('is not asked for again under another name, that day or any day of its season', () => {
    const prevent = of(before, 'prevent')[0]!;
    const records = [recordOf(prevent)];
    for (const days of [0, 1, 10, 40]) {
      const today = addDays(prevent.window.best, days);
      const after = plan(bluegrass, { today, weeds: [CRAB], records });
      const again = of(after, 'prevent').filter(({ window }) => window.best < '2027');
      // Only the second lay of a split is left, and not before its weeks are over.
      for (const { serves, window } of again) {
        expect(serves[0]).toMatch(/lay\/2$/);
        expect(daysBetween(prevent.window.best, window.best)).toBeGreaterThanOrEqual(42);
      }
    }
  });
  it('counts whatever the brand, and without its name', () => {
    const prevent = of(before, 'prevent')[0]!;
    const other: Application = {
      id: 'x',
      zoneId: bluegrass.id,
      date: prevent.window.opens,
      areaFt2: 3000,
      materials: [
        { kind: 'herbicide', slug: 'pendimethalin', amount: (67 * 3000) / 43_560, unit: 'fl-oz' },
      ],
    };
    const after = plan(bluegrass, { today: prevent.window.best, weeds: [CRAB], records: [other] });
    expect(of(after, 'prevent').some(({ serves }) => serves[0]!.endsWith('lay/1'))).toBe(false);
  });
  it('waits for its result, then stands as expected, or goes on where the weed is seen again', () => {
    const spray = of(before, 'control')[0]!;
    expect(spray.serves).toEqual([`control:dandelion:${bluegrass.id}:2026/walk/1`]);
    const records = [recordOf(spray)];
    const on = (days: number, fields: Partial<Given> = {}) =>
      plan(bluegrass, {
        today: addDays(spray.window.best, days),
        weeds: [DANDELION],
        records,
        ...fields,
      });
    for (const days of [0, 1, 13]) {
      expect(againstDandelion(on(days))).toEqual([]);
      expect(need(on(days), 'control', 'dandelion').state).toBe('waiting');
      expect(of(on(days), 'look-again').map(({ subject }) => subject)).toEqual(['dandelion']);
    }
    expect(need(on(80), 'control', 'dandelion')).toMatchObject({
      state: 'met',
      reason: { rule: 'control-assumed' },
    });
    const seen = addDays(spray.window.best, 40);
    const again = on(40, { weeds: [{ ...DANDELION, seenOn: seen }] });
    expect(need(again, 'control', 'dandelion').state).toBe('underWay');
    expect(of(again, 'control')[0]!.serves[0]).toMatch(/walk\/2$/);
    const gone: LookAnswer = {
      needId: need(before, 'control', 'dandelion').id,
      date: seen,
      seen: 'gone',
    };
    expect(need(on(41, { looks: [gone] }), 'control', 'dandelion').state).toBe('met');
  });
  it('has a second walk due once it was seen, or nobody came to look, and not before', () => {
    const PLANTAIN = { ...DANDELION, weed: 'buckhorn-plantain' };
    const first = of(plan(bluegrass, { today: '2026-04-08', weeds: [PLANTAIN] }), 'control')[0]!;
    const records = [recordOf(first)];
    const id = `control:buckhorn-plantain:${bluegrass.id}:2026`;
    const at = (date: LocalDate, looks: LookAnswer[] = []) => {
      const season = plan(bluegrass, { today: date, weeds: [PLANTAIN], records, looks });
      const walk = of(season, 'control').find(({ serves }) => serves.includes(`${id}/walk/2`));
      const look = of(season, 'look-again').find(({ need: of }) => of === id);
      return { walk, look };
    };
    const { look } = at(addDays(first.window.best, 1));
    const resultOn = look!.window.opens;
    const unanswered = at(addDays(resultOn, walkRules.lookOpenDays));
    expect([unanswered.walk?.waitsFor?.condition, unanswered.look?.need]).toEqual(['look', id]);
    // Nobody came: it is taken to be there, and that is said.
    const assumed = at(addDays(resultOn, walkRules.lookOpenDays + 1));
    expect([assumed.walk!.waitsFor, assumed.look]).toEqual([undefined, undefined]);
    expect(assumed.walk!.because.map(({ rule }) => rule)).toContain('control-unseen');
    const answer = (seen: LookAnswer['seen']) =>
      at(resultOn, [{ needId: id, date: resultOn, seen }]);
    for (const seen of ['fewer', 'same', 'worse'] as const) {
      expect([answer(seen).walk!.waitsFor, answer(seen).look]).toEqual([undefined, undefined]);
    }
    expect(answer('gone').walk).toBeUndefined();
  });
  it('is done again where it was rained off, once the label lets it', () => {
    const spray = of(before, 'control')[0]!;
    const rained = { ...recordOf(spray), effect: 0.1 };
    const after = plan(bluegrass, {
      today: addDays(spray.window.best, 1),
      weeds: [DANDELION],
      records: [rained],
    });
    const [again] = of(after, 'control');
    expect(again!.serves[0]).toMatch(/walk\/1$/);
    expect(daysBetween(spray.window.best, again!.window.best)).toBeGreaterThanOrEqual(28);
  });
});

describe('a weed that takes more than one walk', () => {
  it('gets as many as it takes, each a full interval after the last, and only while it is seen', () => {
    const zone = testZone(1, [
      { species: 'tall-fescue', cover: 0.85 },
      { species: 'bermuda-common', cover: 0.08 },
    ]);
    const walks = of(plan(zone, { today: '2026-04-08' }), 'control').filter(({ control }) =>
      control.some(({ weed }) => weed === 'bermuda-common'),
    );
    expect(walks.length).toBeGreaterThanOrEqual(3);
    walks.slice(1).forEach((walk, index) => {
      expect(daysBetween(walks[index]!.window.best, walk.window.best)).toBeGreaterThanOrEqual(28);
      expect(walk.waitsFor?.condition).toBe('look');
    });
    // And none on what frost has killed to the ground.
    expect(walks.at(-1)!.window.best < '2026-11-15').toBe(true);
  });
  it('is told as failed after one walk more than it takes', () => {
    const records = ['2026-04-10', '2026-05-20'].map((date, index): Application => ({
      id: `r${index}`,
      zoneId: bluegrass.id,
      date,
      areaFt2: 3000,
      materials: [
        { kind: 'herbicide', slug: 'threeway-amine', amount: (64 * 3000) / 43_560, unit: 'fl-oz' },
      ],
    }));
    const season = plan(bluegrass, {
      today: '2026-07-01',
      weeds: [{ ...DANDELION, seenOn: '2026-06-28' }],
      records,
    });
    expect(need(season, 'control', 'dandelion')).toMatchObject({
      state: 'failed',
      reason: { rule: 'control-failed' },
    });
    expect(againstDandelion(season)).toEqual([]);
  });
});

describe('the season of a weed', () => {
  it('leaves perennials for the fall where nobody sprays them in summer', () => {
    const [walk] = of(plan(bluegrass, { today: '2026-07-10', weeds: [DANDELION] }), 'control');
    expect(walk!.window.best >= '2026-09-01').toBe(true);
  });
  it('sprays no whole zone above 85 °F', () => {
    for (const today of ['2026-06-20', '2026-07-10', '2026-08-05']) {
      const season = plan(bluegrass, {
        today,
        weeds: [{ weed: 'large-crabgrass', cover: 0.3, stage: 'untillered' }],
      });
      for (const step of of(season, 'control')) {
        if (step.method !== 'zone') continue;
        const high = step.because.find(({ rule }) => rule === 'control-tolerated')!;
        expect(Number(high.inputs.airHighF)).toBeLessThanOrEqual(85);
      }
    }
  });
});

describe('insects and diseases', () => {
  const DAY = '2026-04-08';
  const grubs = { cause: 'white-grub', protect: 'treat' };

  it('are met in their own season only', () => {
    const winter = plan(bluegrass, {
      today: '2026-01-15',
      damages: [{ ...grubs, decidedOn: '2026-01-15' }],
    });
    expect(of(winter, 'protect')).toEqual([]);
    expect(need(winter, 'cure', 'white-grub').reason?.rule).toBe('protect-out-of-season');
    const late = plan(bluegrass, {
      today: '2026-08-20',
      damages: [{ ...grubs, decidedOn: '2026-08-20' }],
      confirmedLabels: ['trichlorfon'],
    });
    expect(of(late, 'protect')[0]).toMatchObject({ treatment: 'trichlorfon', mode: 'curative' });
    const unread = plan(bluegrass, {
      today: '2026-08-20',
      damages: [{ ...grubs, decidedOn: '2026-08-20' }],
    });
    // What the labels leave helps in part, and says so.
    expect(of(unread, 'protect')[0]!.because.map(({ rule }) => rule)).toContain('protect-partly');
  });
  it('of one zone share the limits of the label', () => {
    const season = plan(bluegrass, {
      today: DAY,
      history: ['billbug', 'chinch-bug', 'white-grub'],
      confirmedLabels: ['imidacloprid', 'clothianidin', 'dinotefuran', 'thiamethoxam'],
    });
    const used = of(season, 'protect').map(({ treatment }) => treatment);
    // One neonicotinoid a year, over every product of the group, whatever it is for.
    const neonicotinoids = ['imidacloprid', 'clothianidin', 'dinotefuran', 'thiamethoxam'];
    expect(used.filter((slug) => neonicotinoids.includes(slug)).length).toBe(1);
  });
  it('that one product keeps away are served by one walk, and one record closes both', () => {
    const given = { today: DAY, history: ['white-grub', 'billbug'] };
    const [walk, ...more] = of(plan(bluegrass, given), 'protect');
    expect(more).toEqual([]);
    expect(walk!.serves.map((work) => work.split(':')[1])).toEqual(['white-grub', 'billbug']);
    const after = plan(bluegrass, {
      ...given,
      today: addDays(walk!.window.best, 1),
      records: [recordOf(walk!)],
    });
    expect(of(after, 'protect')).toEqual([]);
    for (const cause of given.history) expect(need(after, 'protect', cause).state).toBe('met');
  });
  it('with two windows are served once by a walk for another cause', () => {
    const [walk] = of(
      plan(bluegrass, { today: DAY, history: ['billbug', 'white-grub'] }),
      'protect',
    );
    expect(new Set(walk!.serves).size).toBe(walk!.serves.length);
    const told = walk!.because.filter(({ rule }) => rule === 'protect-same-walk');
    expect(told).toHaveLength(walk!.serves.length - 1);
  });
  it('are prevented by what is still in time: quick products after the slow ones', () => {
    const season = plan(bluegrass, {
      today: '2026-06-28',
      history: ['white-grub'],
      confirmedLabels: ['clothianidin'],
    });
    const [step] = of(season, 'protect');
    expect(step).toMatchObject({ treatment: 'clothianidin', mode: 'preventive' });
    expect(step!.window.best < '2026-09-01').toBe(true);
  });
  it('have their rounds, in turn, and the second stands when the first is done', () => {
    const given = { history: ['summer-patch'], confirmedLabels: ['metconazole', 'tebuconazole'] };
    const rounds = of(plan(bluegrass, { today: DAY, ...given }), 'protect');
    expect(rounds.map(({ id }) => id.slice(-1))).toEqual(['1', '2']);
    expect(daysBetween(rounds[0]!.window.best, rounds[1]!.window.best)).toBe(28);
    const after = of(
      plan(bluegrass, {
        today: addDays(rounds[0]!.window.best, 2),
        records: [recordOf(rounds[0]!)],
        ...given,
      }),
      'protect',
    );
    expect(after.map(({ id }) => id.slice(-1))).toEqual(['2']);
  });
  it('that culture holds down are named, and planned where the finish asks for it', () => {
    const named = plan(bluegrass, { today: DAY, history: ['brown-patch', 'rust'] });
    expect(of(named, 'protect')).toEqual([]);
    expect(
      named.leftOut
        .filter(({ reason }) => reason.rule === 'protect-culture')
        .map(({ reason }) => reason.inputs.cause),
    ).toEqual(['brown-patch', 'rust']);
    const show = plan(bluegrass, { today: DAY, history: ['brown-patch'], upkeep: 'showpiece' });
    expect(of(show, 'protect').length).toBeGreaterThan(0);
  });
});

describe('nitrogen', () => {
  const bermuda = testZone(1, [{ species: 'bermuda-hybrid', cover: 0.95 }], { irrigated: true });

  it.each([
    ['kentucky-bluegrass', 'transition', 0.9],
    ['tall-fescue', 'transition', 0.9],
    ['bermuda-hybrid', 'south', 0.9],
    ['st-augustine', 'south', 0.9],
    ['zoysia-wide', 'transition', 0.9],
    ['centipede', 'south', 0.9],
    ['bahia', 'south', 0.9],
    ['buffalograss', 'transition', 0.9],
  ] as const)(
    'of %s in the %s comes to the year of its upkeep, or says why not',
    (species, region, share) => {
      const zone = testZone(1, [{ species, cover: 0.95 }], { irrigated: true });
      const [year] = plan(zone, { region, today: '2026-01-02' }).nitrogen;
      const got = year!.plannedLbPer1000 + year!.recordedLbPer1000;
      expect(got).toBeLessThanOrEqual(year!.targetLbPer1000 + 1e-9);
      if (got < share * year!.targetLbPer1000) expect(year!.reason).toBeDefined();
      // Most grasses get it whole.
      expect(got / year!.targetLbPer1000).toBeGreaterThan(0.7);
    },
  );
  it('never comes twice within four weeks, and goes on through a warm-season summer', () => {
    const feeds = of(plan(bermuda, { region: 'south', today: '2026-01-02' }), 'feed').filter(
      ({ window }) => window.best < '2027',
    );
    expect(feeds.length).toBeGreaterThanOrEqual(4);
    feeds.slice(1).forEach((feed, index) => {
      expect(daysBetween(feeds[index]!.window.best, feed.window.best)).toBeGreaterThanOrEqual(28);
    });
    expect(feeds.some(({ window }) => window.best >= '2026-07-01')).toBe(true);
  });
  it('fills its feeding by what was given: a trace leaves it open, half closes it', () => {
    const feed = (lb: number): Application => ({
      id: 'f',
      zoneId: bluegrass.id,
      date: '2026-09-22',
      areaFt2: 3000,
      materials: [{ kind: 'fertilizer', slug: '24-0-11-half-slow', amount: lb, unit: 'lb' }],
    });
    const stateOf = (lb: number) =>
      need(plan(bluegrass, { today: '2026-09-23', records: [feed(lb)] }), 'feed', 'early-fall');
    expect(stateOf(0.6).state).not.toBe('met');
    expect(stateOf(10)).toMatchObject({ state: 'met', reason: { rule: 'feed-done' } });
  });
  it('is looked for on every day of its window, not on its best one alone', () => {
    const dry = testZone(1, [{ species: 'tall-fescue', cover: 0.95 }], { irrigated: false });
    // The first days of the window lie too near the feeding before it, the last ones are too hot.
    const season = plan(dry, { today: '2026-04-10' });
    const [early, late] = of(season, 'feed');
    expect([early!.slot, late!.slot]).toEqual(['early-spring', 'late-spring']);
    expect(daysBetween(early!.window.best, late!.window.best)).toBeGreaterThanOrEqual(28);
  });
  it('is little before winter', () => {
    for (const upkeep of ['standard', 'showpiece'] as const) {
      const [late] = of(plan(bluegrass, { today: '2026-10-01', upkeep }), 'feed').filter(
        ({ slot }) => slot === 'late-fall',
      );
      expect(late!.nLbPer1000).toBeLessThanOrEqual(0.5);
    }
  });
  it('of the next spring is in sight in fall', () => {
    const season = plan(bluegrass, { today: '2026-09-20' });
    expect(of(season, 'feed').some(({ window }) => window.best > '2027')).toBe(true);
  });
});

describe('nothing is dropped in silence', () => {
  it('names a weed that is known from before and has no pre-emergent', () => {
    const season = plan(bluegrass, {
      today: '2026-04-08',
      weeds: [{ weed: 'common-lespedeza', cover: 0.1, growing: false }],
    });
    expect(season.leftOut.map(({ reason }) => reason.rule)).toContain('weed-not-seen');
  });
  it('offers the hand where a few plants come out whole, and never for what comes back from the root', () => {
    const waysOf = (weed: string, cover: number) =>
      need(plan(bluegrass, { today: '2026-05-08', weeds: [{ weed, cover }] }), 'control', weed)
        .ways;
    expect(waysOf('dandelion', 0.049)).toContain('hand-removal');
    expect(waysOf('dandelion', 0.05)).not.toContain('hand-removal');
    expect(waysOf('yellow-nutsedge', 0.01)).not.toContain('hand-removal');
  });
  it('gives every growing weed a walk, a day or a reason', () => {
    const weeds = [
      'dandelion',
      'white-clover',
      'ground-ivy',
      'wild-violet',
      'yellow-nutsedge',
      'nimblewill',
      'dallisgrass',
      'spotted-spurge',
    ];
    const season = plan(bluegrass, {
      today: '2026-05-08',
      weeds: weeds.map((weed) => ({ weed, cover: 0.02 })),
    });
    for (const weed of weeds) {
      const { id, state, reason } = need(season, 'control', weed);
      const work = season.steps.some(({ serves }) =>
        serves.some((one) => one.startsWith(`${id}/`)),
      );
      expect([weed, work || reason !== undefined, state === 'open']).toEqual([weed, true, false]);
    }
  });
});

describe('seed', () => {
  const thin = testZone(1, [{ species: 'tall-fescue', cover: 0.7 }], { irrigated: true });

  it('of tall fescue is still sown in the second half of September in the transition zone', () => {
    for (const today of ['2026-09-05', '2026-09-10', '2026-09-20']) {
      const [seed] = of(plan(thin, { today }), 'seed');
      expect(seed!.window.best < '2026-11-01').toBe(true);
    }
  });
  it('waits for spring as second best once the fall is over, and says so', () => {
    const [seed] = of(plan(thin, { today: '2026-11-20' }), 'seed');
    expect(seed!.window.best.slice(0, 4)).toBe('2027');
    expect(seed!.because.map(({ rule }) => rule)).toContain('seed-second-best');
  });
  it('is planted as plugs into bare ground, not into what stands there, and a record of plugs closes it', () => {
    const lawn = testZone(1, [
      { species: 'st-augustine', cover: 0.6 },
      { species: 'bermuda-common', cover: 0.3 },
    ]);
    const [plugs] = of(plan(lawn, { region: 'south', today: '2026-04-08' }), 'seed');
    expect(plugs!.areaFt2).toBeCloseTo(300, 6);
    const after = plan(lawn, {
      region: 'south',
      today: addDays(plugs!.window.best, 1),
      records: [recordOf(plugs!)],
    });
    expect(of(after, 'seed')).toEqual([]);
    expect(need(after, 'fill', 'st-augustine').state).toBe('waiting');
  });
});
