import { addDays, localDate, type LocalDate } from '../units';
import { movesSince, type PlannedWork } from './moves';

const DAY = localDate('2026-04-08');
const APR = localDate('2026-04-20');
const planned = (fields: Partial<PlannedWork> = {}): PlannedWork => ({
  work: 'prevent:crabgrass:front:2026/lay/1',
  kind: 'prevent',
  date: APR,
  products: [{ kind: 'herbicide', slug: 'prodiamine' }],
  per1000: [0.3],
  ...fields,
});

/** A made-up planner: how many days later each input puts the work, and what else it does. */
interface Asked {
  soil: number;
  upkeep: number;
  records: string[];
}
const plain: Asked = { soil: 0, upkeep: 0, records: [] };
const ask =
  (weather = 0) =>
  ({ soil, upkeep, records }: Asked): PlannedWork[] =>
    records.length > 0 ? [] : [planned({ date: addDays(APR, weather + soil + upkeep) })];
const moves = (
  after: Asked,
  {
    weather = 0,
    old = [planned()],
    from = DAY,
  }: { weather?: number; old?: PlannedWork[]; from?: LocalDate } = {},
) => movesSince(old, plain, after, ask(weather), [from, DAY]);

describe('what moved since a plan that is remembered', () => {
  it('is nothing up to three days, and told from the fourth on', () => {
    expect(moves({ ...plain, soil: 3 })).toEqual([]);
    expect(moves({ ...plain, soil: 4 })).toEqual([
      { works: [planned().work], kind: 'prevent', from: APR, to: addDays(APR, 4), cause: 'soil' },
    ]);
  });
  it('was moved by the day where nothing else changed, or what changed does nothing', () => {
    expect(moves(plain, { weather: 6 })).toMatchObject([{ cause: 'day' }]);
    expect(moves({ ...plain, records: [] }, { weather: 6 })).toMatchObject([{ cause: 'day' }]);
    expect(moves({ ...plain, soil: 1 }, { weather: 6 })).toMatchObject([{ cause: 'day' }]);
  });
  it('was moved by the one input that does it alone, or by several together', () => {
    expect(moves({ ...plain, upkeep: 9, soil: 1 })).toMatchObject([{ cause: 'upkeep' }]);
    expect(moves({ ...plain, upkeep: 5, soil: 5 })).toMatchObject([{ cause: 'together' }]);
  });
  it('does not tell what is done, nor that a new year brings its work', () => {
    expect(moves({ ...plain, records: ['r'] })).toEqual([]);
    expect(moves(plain, { old: [] })).toMatchObject([{ from: null, to: APR, cause: 'day' }]);
    expect(moves(plain, { old: [], from: localDate('2025-12-31') })).toEqual([]);
  });
  it('tells another product, and another amount from a twentieth on', () => {
    const after = (was: Partial<PlannedWork>) => moves(plain, { old: [planned(was)] });
    expect(after({ products: [{ kind: 'herbicide', slug: 'dithiopyr' }] })).toMatchObject([
      { products: [{ kind: 'herbicide', slug: 'prodiamine' }] },
    ]);
    expect(after({ per1000: [0.3 * 0.951] })).toEqual([]);
    expect(after({ per1000: [0.3 * 0.949] })).toMatchObject([{ amount: true, from: APR, to: APR }]);
    expect(after({ per1000: [0.3 / 0.949] })).toMatchObject([{ amount: true }]);
  });
  it('tells zones alike once', () => {
    const zones = ['front', 'back'].map((zone) => `prevent:crabgrass:${zone}:2026/lay/1`);
    const on = (date: LocalDate) => zones.map((work) => planned({ work, date }));
    const told = movesSince(on(APR), plain, plain, () => on(addDays(APR, 8)), [DAY, DAY]);
    expect(told.map(({ works }) => works)).toEqual([zones]);
  });
});
