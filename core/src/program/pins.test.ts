/** Work that people set: its day, its mix, another way; and what the plan does around it. */
import type { Season, Step } from '../courses/step';
import { seasonRequestSchema } from '../needs/seasonInput';
import { efficacy } from '../knowledge/efficacy';
import { LIBRARY } from '../products';
import type { Application } from '../rates';
import { addDays, daysBetween, localDate } from '../units';
import { testWeather } from '../weather/testdata/testWeather';
import { lawnSeasonInput } from './lawnSeason';
import { planOf } from './plan';
import { planSeason } from './planSeason';
import { testZone } from './testdata/testLawn';

const zone = testZone(1, [{ species: 'tall-fescue', cover: 0.75 }], { irrigated: true });

interface Asked {
  zones?: (typeof zone)[];
  weeds?: object[];
  damages?: object[];
  history?: string[];
  decisions?: object[];
  looks?: object[];
  records?: Application[];
  today?: string;
}
function ask({
  zones = [zone],
  weeds = [{ weed: 'dandelion', cover: 0.06, since: '2026-03-01', seenOn: '2026-03-01' }],
  damages = [],
  history = ['white-grub'],
  decisions = [],
  looks = [],
  records = [],
  today = '2026-03-01',
}: Asked = {}) {
  const day = localDate(today);
  const request = seasonRequestSchema.parse({
    today: day,
    region: 'transition',
    upkeep: 'showpiece',
    zones,
    findings: [{ zoneId: zone.id, weeds, damages }],
    decisions,
    looks,
  });
  const causes = new Map([[zone.id, history]]);
  const input = lawnSeasonInput(request, testWeather('transition', 1, day), [], records, causes);
  const season = planSeason(input);
  return { season, plan: planOf(season, input, LIBRARY) };
}
const stepFor = ({ steps }: Season, work: string): Step | undefined =>
  steps.find(({ serves }) => serves.includes(work));
const control = (season: Season) =>
  season.needs.find(({ kind, subject }) => kind === 'control' && subject === 'dandelion')!;

describe('a day that somebody set', () => {
  const free = ask().season;
  const kinds = ['prevent', 'control', 'protect', 'feed', 'seed'] as const;

  it.each(kinds)(
    'is kept for a step of kind %s, with its mix and its need as they were',
    (kind) => {
      const step = free.steps.find((one) => one.kind === kind)!;
      const date = addDays(step.window.best, 5);
      const { season, plan } = ask({ decisions: [{ kind: 'pin', work: step.id, date }] });
      const found = stepFor(season, step.id)!;
      expect({ date: found.window.best, pinned: found.pinned }).toEqual({ date, pinned: true });
      expect(found.because.map(({ rule }) => rule)).toContain('pinned');
      if (step.kind === 'control' && found.kind === 'control') {
        expect(found.products).toEqual(step.products);
      }
      // Once, and never a second time under another name.
      expect(season.steps.filter(({ serves }) => serves.includes(step.id))).toHaveLength(1);
      const need = step.id.split('/')[0]!;
      expect(season.needs.find(({ id }) => id === need)).toEqual(
        free.needs.find(({ id }) => id === need),
      );
      const job = plan.jobs.find(({ serves }) => serves.includes(step.id))!;
      expect(job).toMatchObject({ date, pinned: true });
      expect(plan.nitrogen.map(({ recordedLbPer1000 }) => recordedLbPer1000)).toEqual([0]);
    },
  );
  it('opens the step on its day, and says where that is outside its own window', () => {
    const step = free.steps.find(({ kind }) => kind === 'prevent')!;
    const { opens, closes } = step.window;
    const on = (date: string) => {
      const { season } = ask({ decisions: [{ kind: 'pin', work: step.id, date }] });
      const { window, state, because } = stepFor(season, step.id)!;
      return [window.opens, state, because.some(({ rule }) => rule === 'pin-outside')];
    };
    expect(on(opens)).toEqual([opens, 'upcoming', false]);
    expect(on(closes)).toEqual([closes, 'upcoming', false]);
    expect(on(addDays(opens, -1))).toEqual([addDays(opens, -1), 'upcoming', true]);
    expect(on(addDays(closes, 1))).toEqual([addDays(closes, 1), 'upcoming', true]);
    const fill = free.steps.find(({ kind }) => kind === 'seed')!;
    const late = addDays(fill.window.closes, 1);
    const { season } = ask({ decisions: [{ kind: 'pin', work: fill.id, date: late }] });
    const seed = season.steps.find(({ kind }) => kind === 'seed')!;
    expect(seed.window.opens).toBe(late);
    expect(seed.because.map(({ rule }) => rule)).toContain('pin-outside');
  });
  it('moves the next walk along with the one before it', () => {
    const weeds = [{ weed: 'ground-ivy', cover: 0.1, since: '2026-03-01', seenOn: '2026-03-01' }];
    const ivy = ask({ weeds }).season;
    const { id } = ivy.needs.find(({ subject }) => subject === 'ground-ivy')!;
    const [first, second] = ivy.steps.filter(
      (step) => step.kind === 'control' && step.serves.some((work) => work.startsWith(`${id}/`)),
    );
    expect(first && second).toBeTruthy();
    const interval = daysBetween(first!.window.best, second!.window.best);
    const date = addDays(first!.window.best, interval);
    const { season } = ask({ weeds, decisions: [{ kind: 'pin', work: first!.id, date }] });
    expect(stepFor(season, second!.id)!.window.best > date).toBe(true);
  });
  it('brings seed, kill and starter along', () => {
    const bare = testZone(1, [{ species: 'tall-fescue', cover: 0.3 }], { irrigated: true });
    const weeds = [{ weed: 'dandelion', cover: 0.3, since: '2026-06-01', seenOn: '2026-06-01' }];
    const asked = { zones: [bare], weeds, history: [], today: '2026-06-01' };
    const before = ask(asked).season;
    const seed = before.steps.find(({ kind }) => kind === 'seed')!;
    const date = addDays(seed.window.best, -6);
    const { season } = ask({ ...asked, decisions: [{ kind: 'pin', work: seed.id, date }] });
    const found = season.steps.find(({ kind }) => kind === 'seed')!;
    expect(found).toMatchObject({ id: seed.id, pinned: true });
    expect(found.window.best).toBe(date);
    const kills = season.steps.filter((step) => step.kind === 'control' && step.kill);
    expect(kills.length).toBeGreaterThan(0);
    for (const kill of kills) expect(daysBetween(kill.window.best, date)).toBeGreaterThanOrEqual(7);
    // A day too near for anything to die first: no kill that would come too late for the seed.
    const soon = addDays(localDate('2026-06-01'), 3);
    const rushed = ask({
      ...asked,
      decisions: [{ kind: 'pin', work: seed.id, date: soon }],
    }).season;
    expect(rushed.steps.filter((step) => step.kind === 'control' && step.kill)).toEqual([]);
    expect(rushed.leftOut.map(({ reason }) => reason.rule)).toContain('kill-no-time');
  });
  it('binds through its day and not the day after, and not what is on record', () => {
    const step = free.steps.find(({ kind }) => kind === 'control')!;
    const date = addDays(localDate('2026-03-01'), 3);
    const decisions = [{ kind: 'pin', work: step.id, date }];
    const pinned = (today: string, more: Asked = {}) =>
      ask({ decisions, today, ...more }).season.steps.filter((one) => one.pinned).length;
    expect([pinned('2026-03-04'), pinned('2026-03-05')]).toEqual([1, 0]);
    const record: Application = {
      id: 'r',
      zoneId: zone.id,
      date: '2026-03-02',
      areaFt2: 5000,
      stepId: step.id,
      materials: [{ kind: 'herbicide', slug: 'threeway-amine', amount: 6, unit: 'fl-oz' }],
    };
    const done = ask({ decisions, today: '2026-03-03', records: [record] });
    expect(done.season.steps.filter((one) => one.pinned)).toEqual([]);
    expect(done.plan.unmet.filter(({ rule }) => rule.startsWith('pin'))).toEqual([]);
  });
  it('of two the later word holds, in whatever order they came', () => {
    const step = free.steps.find(({ kind }) => kind === 'feed')!;
    const pin = (days: number, on?: string) => ({
      kind: 'pin',
      work: step.id,
      date: addDays(step.window.best, days),
      ...(on ? { on } : {}),
    });
    const dateOf = (decisions: object[]) =>
      stepFor(ask({ decisions }).season, step.id)!.window.best;
    const early = pin(9, '2026-02-01');
    const late = pin(2, '2026-02-02');
    expect(dateOf([early, late])).toBe(late.date);
    expect(dateOf([late, early])).toBe(late.date);
    expect(dateOf([pin(1), pin(4)])).toBe(dateOf([pin(4), pin(1)]));
  });
});

describe('a mix that somebody set', () => {
  const free = ask().season;
  it('stands in for the plan’s own, with what it is expected to do', () => {
    const step = free.steps.find(({ kind }) => kind === 'control')!;
    const own = [{ kind: 'herbicide', slug: '24d-amine', ratePerAcre: 50 }];
    const { season } = ask({ decisions: [{ kind: 'pin', work: step.id, materials: own }] });
    const found = stepFor(season, step.id)!;
    expect(found).toMatchObject({ pinned: true });
    expect(found.window.best).toBe(step.window.best);
    if (found.kind !== 'control') throw new Error('a walk');
    expect(found.products).toEqual([{ herbicide: own[0]!.slug, ratePerAcre: own[0]!.ratePerAcre }]);
    // One product of the two, at a rate that works in full: its own row of the table.
    expect(found.control[0]).toMatchObject({
      weed: 'dandelion',
      expectedPct: efficacy('post', 'dandelion', '24d-amine'),
    });
  });
  it('of a feeding counts in the nitrogen of the year', () => {
    const step = free.steps.find(({ kind }) => kind === 'feed')!;
    const materials = [{ kind: 'fertilizer', slug: '25-0-10-quick', ratePerAcre: 2 * 43.56 }];
    const { season } = ask({ decisions: [{ kind: 'pin', work: step.id, materials }] });
    const found = stepFor(season, step.id)!;
    if (found.kind !== 'feed') throw new Error('a feeding');
    expect(found).toMatchObject({ fertilizer: '25-0-10-quick', pinned: true });
    expect(found.nLbPer1000).toBeCloseTo(0.5, 9);
    const feeds = season.steps.flatMap((one) =>
      one.kind === 'feed' && one.window.best.startsWith('2026') ? [one.nLbPer1000] : [],
    );
    expect(season.nitrogen[0]!.plannedLbPer1000).toBeGreaterThanOrEqual(
      feeds.reduce((sum, lb) => sum + lb, 0) - 1e-9,
    );
  });
  it('of another kind, or for work that nobody plans, is told', () => {
    const step = free.steps.find(({ kind }) => kind === 'control')!;
    const rules = (decisions: object[]) => ask({ decisions }).plan.unmet.map(({ rule }) => rule);
    const seed = [{ kind: 'seed', slug: 'tall-fescue', ratePerAcre: 100 }];
    expect(rules([{ kind: 'pin', work: step.id, materials: seed }])).toContain('pin-other-kind');
    expect(
      rules([{ kind: 'pin', work: 'control:plush:z:2026/spray/1', date: '2026-05-01' }]),
    ).toContain('pin-no-work');
  });
});

describe('another way that somebody chose', () => {
  const few = [{ weed: 'dandelion', cover: 0.02, since: '2026-03-01', seenOn: '2026-03-01' }];
  const need = control(ask({ weeds: few }).season);
  const chosen = (course: string, more: Asked = {}) =>
    ask({
      weeds: few,
      decisions: [{ kind: 'course', needId: need.id, course, on: '2026-03-01' }],
      ...more,
    });
  const sprays = ({ steps }: Season) =>
    steps.filter(
      ({ kind, serves }) =>
        kind === 'control' && serves.some((work) => work.startsWith(`${need.id}/`)),
    );

  it('lifts the weed out instead of spraying, and is done by a record that names the job', () => {
    expect(need.ways).toContain('hand-removal');
    const { season, plan } = chosen('hand-removal');
    expect(sprays(season)).toEqual([]);
    expect(control(season)).toMatchObject({ state: 'planned', course: 'hand-removal' });
    const job = plan.jobs.find(({ kind }) => kind === 'pull')!;
    expect(job).toMatchObject({ id: `${need.id}/pull/1`, materials: [], state: 'open' });
    expect(job.zones[0]!.areaFt2).toBeGreaterThan(0);
    expect(daysBetween(localDate('2026-03-01'), job.date)).toBeLessThanOrEqual(14);
    const record: Application = {
      id: 'pulled',
      zoneId: zone.id,
      date: '2026-03-10',
      areaFt2: job.zones[0]!.areaFt2,
      stepId: job.id,
      materials: [],
    };
    const after = chosen('hand-removal', { records: [record], today: '2026-03-11' });
    expect(after.plan.jobs.find(({ id }) => id === job.id)).toMatchObject({
      kind: 'pull',
      state: 'done',
    });
    expect(after.season.steps.some((step) => step.kind === 'look-again')).toBe(true);
    const gone = chosen('hand-removal', {
      records: [record],
      today: '2026-04-20',
      looks: [{ needId: need.id, date: '2026-04-08', seen: 'gone' }],
    });
    expect(control(gone.season).state).toBe('met');
  });
  it('leaves it, looks, and is open again once it is worse', () => {
    const { season, plan } = chosen('leave');
    expect(sprays(season)).toEqual([]);
    expect(control(season)).toMatchObject({
      state: 'waiting',
      reason: { rule: 'left-to-look', inputs: { on: '2026-03-29' } },
    });
    // In its days, on a trip that is made anyway.
    const look = plan.looks.find(({ needId }) => needId === need.id)!;
    expect(look.date >= '2026-03-29' && look.date <= '2026-04-12').toBe(true);
    const seen = (word: string) =>
      control(
        chosen('leave', {
          today: '2026-03-30',
          looks: [{ needId: need.id, date: '2026-03-29', seen: word }],
        }).season,
      );
    expect(seen('same')).toMatchObject({ state: 'waiting' });
    expect(seen('gone')).toMatchObject({ state: 'met' });
    expect(seen('worse')).toMatchObject({ course: 'post-emergent' });
  });
  it('that is not open is told, and the plan goes on', () => {
    const { season, plan } = chosen('kill-and-resod');
    expect(plan.unmet.map(({ rule }) => rule)).toContain('course-not-open');
    expect(control(season).course).toBe('post-emergent');
  });
  it('starts a stand over for a grass that no walk clears out of it', () => {
    const weeds = [
      { weed: 'bermuda-common', cover: 0.1, since: '2026-06-01', seenOn: '2026-06-01' },
    ];
    const whole = testZone(1, [{ species: 'tall-fescue', cover: 0.9 }], { irrigated: true });
    const asked = { zones: [whole], weeds, history: [], today: '2026-06-01' };
    const before = ask(asked).season;
    const contaminant = before.needs.find(({ subject }) => subject === 'bermuda-common')!;
    expect(contaminant.ways).toContain('kill-and-reseed');
    const decisions = [
      { kind: 'course', needId: contaminant.id, course: 'kill-and-reseed', on: '2026-06-01' },
    ];
    const { season } = ask({ ...asked, decisions });
    expect(season.steps.some((step) => step.kind === 'control' && step.kill)).toBe(true);
    expect(season.steps.some(({ kind }) => kind === 'seed')).toBe(true);
    expect(season.needs.find(({ id }) => id === contaminant.id)!.course).toBe('kill-and-reseed');
  });
  it('leaves a disease to itself', () => {
    const damages = [{ cause: 'dollar-spot', protect: 'treat', decidedOn: '2026-06-01' }];
    const asked = { damages, history: [], today: '2026-06-01' };
    const cure = ask(asked).season.needs.find(({ kind }) => kind === 'cure')!;
    expect(cure.ways).toContain('look-again');
    const decisions = [{ kind: 'course', needId: cure.id, course: 'look-again', on: '2026-06-01' }];
    const { season } = ask({ ...asked, decisions });
    expect(season.steps.filter(({ kind }) => kind === 'protect')).toEqual([]);
    expect(season.needs.find(({ id }) => id === cure.id)).toMatchObject({
      state: 'waiting',
      course: 'look-again',
    });
  });
  it('plugs or sods a stand where seed is the usual way', () => {
    const fill = ask().season.needs.find(({ kind }) => kind === 'fill')!;
    expect(fill.ways).toEqual(['seed', 'sod']);
    const { season } = ask({
      decisions: [{ kind: 'course', needId: fill.id, course: 'sod', on: '2026-03-01' }],
    });
    expect(season.steps.filter(({ kind }) => kind === 'seed')).toEqual([]);
    expect(season.needs.find(({ id }) => id === fill.id)).toMatchObject({
      state: 'waiting',
      course: 'sod',
      reason: { rule: 'course-outside' },
    });
  });
});

describe('what has to be found out first', () => {
  it('is a job of the next trip: to name a grass, to name a weed, to count a stand', () => {
    const unnamed = ask({
      zones: [{ ...zone, stand: [], desired: [] }],
      weeds: [],
      history: [],
    }).plan;
    expect(unnamed.jobs.map(({ kind }) => kind)).toEqual(['name']);
    const unsure = ask({
      weeds: [{ weed: 'dandelion', cover: 0.06, confidence: 0.6, seenOn: '2026-03-01' }],
    }).plan;
    const named = unsure.jobs.find(({ kind }) => kind === 'name')!;
    expect(named).toMatchObject({ state: 'open', materials: [] });
    expect(unsure.needs.find(({ id }) => id === named.needIds[0])).toMatchObject({
      kind: 'find',
      subject: 'dandelion',
    });
    const trips = new Set(
      unsure.jobs.filter(({ kind }) => kind !== 'name').map(({ date }) => date),
    );
    expect(trips.has(named.date) || named.date === named.window.closes).toBe(true);
  });
});
