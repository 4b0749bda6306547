import { dueWork } from '../courses/job';
import type { Season } from '../courses/step';
import { agreementSchema, seasonRequestSchema, SERVICES } from '../needs/seasonInput';
import { LIBRARY } from '../products';
import type { Application } from '../rates';
import { addDays, localDate } from '../units';
import { testWeather } from '../weather/testdata/testWeather';
import { holdOf } from './holds';
import { lawnSeasonInput } from './lawnSeason';
import { planSeason } from './planSeason';
import { testZone } from './testdata/testLawn';
import { threadsOf } from './threads';

const TODAY = localDate('2026-04-08');
const zones = [
  testZone(1, [{ species: 'tall-fescue', cover: 0.95 }]),
  testZone(2, [{ species: 'tall-fescue', cover: 0.95 }], { width: 30 }),
];
const seasonOf = (records: Application[] = [], more: object = {}, today = TODAY): Season =>
  planSeason(
    lawnSeasonInput(
      seasonRequestSchema.parse({
        today,
        region: 'transition',
        zones,
        findings: zones.map(({ id }) => ({
          zoneId: id,
          weeds: [
            { weed: 'dandelion', cover: 0.06, growing: true },
            { weed: 'white-clover', cover: 0.06, growing: true },
          ],
        })),
        ...more,
      }),
      testWeather('transition', 1, today),
      [],
      records,
    ),
  );
const season = seasonOf();
const threads = threadsOf(season, [], LIBRARY);
const thread = (kind: string, of = threads) => of.filter((one) => one.kind === kind);

describe('the threads of a season', () => {
  it('are one for each thing that is needed, over zones, with a knot for every job and no job twice on one', () => {
    const [prevent] = thread('prevent');
    expect(prevent!.subjects).toEqual(['crabgrass']);
    expect(prevent!.knots[0]!.zoneIds).toEqual(zones.map(({ id }) => id));
    for (const { knots } of threads) {
      expect(new Set(knots.map(({ id }) => id)).size).toBe(knots.length);
      expect(knots.map(({ date }) => date)).toEqual(knots.map(({ date }) => date).sort());
    }
    const tied = new Set(threads.flatMap(({ knots }) => knots.map(({ id }) => id)));
    const jobs = season.steps.filter(({ kind }) => kind !== 'look-again');
    expect(jobs.filter(({ id, zoneId }) => zoneId === zones[0]!.id && !tied.has(id))).toEqual([]);
  });
  it('join needs that one job serves, and all feedings', () => {
    expect(thread('control').map(({ subjects }) => [...subjects].sort())).toContainEqual(
      expect.arrayContaining(['dandelion', 'white-clover']) as string[],
    );
    const ofYear = thread('feed').filter(({ needIds }) => needIds[0]!.endsWith(':2026'));
    expect(ofYear).toHaveLength(1);
    expect(thread('feed')[0]!.knots.length).toBeGreaterThan(1);
  });
  it('hold from the day on which something was laid until it is worn, and fade then', () => {
    const [prevent] = thread('prevent');
    const { from, until, fadesTo } = prevent!.holds[0]!;
    expect(from).toBe(prevent!.knots[0]!.date);
    expect(until > from && fadesTo > until).toBe(true);
    expect(thread('feed')[0]!.holds).toEqual([]);
    // What has no residual does not hold, whatever it is called.
    const nothing = [{ kind: 'fertilizer' as const, slug: 'urea' }];
    expect(holdOf(nothing, TODAY, LIBRARY)).toBeUndefined();
  });
  it('leave last year’s work to last year', () => {
    const need = `control:dandelion:${zones[0]!.id}:2025`;
    const record: Application = {
      id: 'r0',
      zoneId: zones[0]!.id,
      date: localDate('2025-10-12'),
      areaFt2: 100,
      stepId: `${need}/walk/1`,
      materials: [{ kind: 'herbicide', slug: '24d-amine', amount: 0.1, unit: 'fl-oz' }],
    };
    const of = threadsOf(seasonOf([record]), [record], LIBRARY);
    expect(of.find(({ needIds }) => needIds.includes(need))!.knots.map(({ id }) => id)).toEqual([
      'r0',
    ]);
  });
  it('keep what is done, with what it still holds', () => {
    const step = season.steps.find(({ kind }) => kind === 'prevent')!;
    const date = addDays(TODAY, -7);
    const record: Application = {
      id: 'r1',
      zoneId: step.zoneId,
      date,
      areaFt2: step.areaFt2,
      stepId: step.id,
      materials: [{ kind: 'herbicide', slug: 'prodiamine', amount: 1.5, unit: 'oz' }],
    };
    const [prevent] = thread('prevent', threadsOf(seasonOf([record]), [record], LIBRARY));
    expect(prevent!.knots[0]).toMatchObject({ id: 'r1', state: 'done', date, kind: 'prevent' });
    expect(prevent!.knots[0]!.recordIds).toEqual(['r1']);
    expect(prevent!.knots[0]!.holdsUntil! > TODAY).toBe(true);
    expect(prevent!.holds.map(({ from }) => from)).toContain(date);
  });
  it('show what nobody has bought as an offer, which is due to nobody', () => {
    const agreement = (services: readonly string[], more = {}) => ({
      agreement: agreementSchema.parse({ services, ...more }),
    });
    const states = (of: Season) =>
      new Set(threadsOf(of, [], LIBRARY).flatMap(({ knots }) => knots.map(({ state }) => state)));
    const jobs = (of: Season) => dueWork(of.steps).filter(({ kind }) => kind !== 'look-again');
    const on = (more: object) => seasonOf([], more, localDate('2026-04-22'));
    const all = on({});
    expect(jobs(all).length).toBeGreaterThan(0);
    const none = on(agreement([]));
    expect([jobs(none), [...states(none)]]).toEqual([[], ['offer']]);
    expect(jobs(on(agreement(SERVICES)))).toEqual(jobs(all));
    // What the customer does themselves is planned, and not due to us.
    const own = on(agreement(SERVICES, { doneBy: { feeding: 'customer' } }));
    expect(jobs(all).some(({ kind }) => kind === 'feed')).toBe(true);
    expect(jobs(own).filter(({ kind }) => kind === 'feed')).toEqual([]);
    expect(own.steps.filter(({ kind, by }) => kind === 'feed' && by !== 'customer')).toEqual([]);
  });
});
