/** What people decided and sold: not here, until a day or for good; agreed, offered, and done by whom. */
import type { Season } from '../courses/step';
import { seasonRequestSchema, SERVICES, type SeasonInput } from '../needs/seasonInput';
import { LIBRARY } from '../products';
import { localDate } from '../units';
import { testWeather } from '../weather/testdata/testWeather';
import { lawnSeasonInput } from './lawnSeason';
import { planOf, type Plan } from './plan';
import { planSeason } from './planSeason';
import { testZone } from './testdata/testLawn';

const zone = testZone(1, [{ species: 'tall-fescue', cover: 0.75 }], { irrigated: true });

function ask(fields: object = {}, today = '2026-03-01') {
  const day = localDate(today);
  const request = seasonRequestSchema.parse({
    today: day,
    region: 'transition',
    upkeep: 'showpiece',
    zones: [zone],
    findings: [
      {
        zoneId: zone.id,
        weeds: [{ weed: 'dandelion', cover: 0.06, since: '2026-03-01', seenOn: '2026-03-01' }],
        damages: [{ cause: 'brown-patch', protect: 'prevent', decidedOn: '2025-09-01' }],
      },
    ],
    ...fields,
  });
  const history = new Map([[zone.id, ['white-grub']]]);
  const input = lawnSeasonInput(request, testWeather('transition', 1, day), [], [], history);
  const season = planSeason(input);
  return { season, plan: planOf(season, input, LIBRARY), input };
}
const works = ({ steps }: Season, need: string) =>
  steps.filter(({ serves }) => serves.some((work) => work.startsWith(`${need}/`)));

describe('not here', () => {
  const free = ask();
  const wanted = free.season.needs.filter(({ state }) => state === 'planned');

  it('leaves every kind of need alone that somebody said it of, and says so', () => {
    expect(new Set(wanted.map(({ kind }) => kind))).toEqual(
      new Set(['control', 'prevent', 'protect', 'feed', 'fill', 'find']),
    );
    for (const { id, kind } of wanted) {
      const { season } = ask({ decisions: [{ kind: 'not-here', needId: id }] });
      expect({ kind, work: works(season, id) }).toEqual({ kind, work: [] });
      expect(season.needs.find((need) => need.id === id)).toMatchObject({
        state: 'givenUp',
        reason: { rule: 'not-here' },
      });
    }
  });
  it('holds until its day and no longer', () => {
    const { id } = wanted.find(({ kind }) => kind === 'control')!;
    const until = (today: string) =>
      works(
        ask({ decisions: [{ kind: 'not-here', needId: id, until: '2026-04-10' }] }, today).season,
        id,
      ).length;
    expect(until('2026-04-10')).toBe(0);
    expect(until('2026-04-11')).toBeGreaterThan(0);
  });
  it('said for good holds for the cycles to come, said until a day for the one that it names', () => {
    const { id } = wanted.find(({ subject }) => subject === 'crabgrass')!;
    const last = id.replace(':2026', ':2025');
    expect(works(ask({ decisions: [{ kind: 'not-here', needId: last }] }).season, id)).toEqual([]);
    const named = { kind: 'not-here', needId: last, until: '2026-12-31' };
    expect(works(ask({ decisions: [named] }).season, id).length).toBeGreaterThan(0);
  });
});

describe('the agreement', () => {
  const jobs = (
    agreement: SeasonInput['agreement'] | object | null,
    today?: string,
  ): Plan['jobs'] => ask({ agreement }, today).plan.jobs.filter(({ kind }) => kind !== 'look');
  const offered = (list: Plan['jobs']) => list.filter(({ offer }) => offer);

  it('with none given agrees to everything, with an empty one to nothing; an offer is never due', () => {
    expect(offered(jobs(null))).toEqual([]);
    for (const today of ['2026-03-01', '2026-04-15', '2026-09-10']) {
      const empty = jobs({ services: [] }, today);
      expect(empty.length).toBeGreaterThan(2);
      expect(offered(empty)).toHaveLength(empty.length);
      expect(empty.filter(({ state }) => state === 'open' || state === 'closing')).toEqual([]);
    }
    expect(offered(jobs({ services: [...SERVICES] }))).toEqual([]);
  });
  it('offers what is of no service that was sold', () => {
    const list = jobs({ services: ['feeding'] });
    expect(list.filter(({ kind, offer }) => kind !== 'feed' && !offer)).toEqual([]);
    expect(list.filter(({ kind, offer }) => kind === 'feed' && !offer).length).toBeGreaterThan(0);
  });
  it('holds from its first day to its last', () => {
    const all = jobs(null);
    const { id, date } = all.find(({ kind }) => kind === 'feed')!;
    const offer = (from: string, to: string) =>
      jobs({ services: [...SERVICES], from, to }).find((job) => job.id === id)!.offer;
    expect(offer(date, date)).toBeUndefined();
    expect(offer(localDate('2026-01-01'), date)).toBeUndefined();
    const dayOf = (days: number) =>
      new Date(Date.parse(date) + days * 86_400_000).toISOString().slice(0, 10);
    expect(offer(dayOf(1), '2027-12-31')).toBe(true);
    expect(offer('2026-01-01', dayOf(-1))).toBe(true);
  });
  it('says who does it', () => {
    const list = jobs({ services: [...SERVICES], doneBy: { seeding: 'customer' } });
    expect(list.filter(({ kind }) => kind === 'seed').map(({ by }) => by)).toEqual(['customer']);
    expect(new Set(list.filter(({ kind }) => kind === 'control').map(({ by }) => by))).toEqual(
      new Set(['us']),
    );
  });
});
