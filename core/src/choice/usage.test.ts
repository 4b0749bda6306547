/**
 * Limits of a product and of an active over a calendar year. Amounts of 2,4-D after US EPA 2005,
 * Reregistration Eligibility Decision (1.5 lb a.e. an application, 3 a year); the other limits are
 * from memory.
 */
import { LIBRARY, type ShelfHerbicide } from '../products';
import { activesPerAcre, type Application } from '../rates';
import { localDate } from '../units';
import { Usage } from './usage';

const product = (slug: string): ShelfHerbicide => {
  const found = LIBRARY.herbicide(slug);
  if (!found) throw new RangeError(slug);
  return found;
};
const prodiamine = product('prodiamine');
const rules = (usage: Usage, what: ShelfHerbicide, rate: number, date: string) =>
  usage.refusals(what, rate, localDate(date)).map(({ rule }) => rule);

/** A record of a product over a zone of one acre. */
const record = (slug: string, amount: number, date: string, areaFt2 = 43_560): Application => ({
  id: date,
  zoneId: 'z',
  date: localDate(date),
  areaFt2,
  materials: [
    { kind: 'herbicide', slug, amount, unit: product(slug).unit },
    { kind: 'fertilizer', slug: '24-0-11', amount: 100, unit: 'lb' },
  ],
});

it('refuses nothing on a clean zone', () => {
  const usage = Usage.of([], LIBRARY);
  expect(usage.isEmpty).toBe(true);
  expect(rules(usage, prodiamine, 36.8, '2026-04-01')).toEqual([]);
});

it('reads a record by its area: half an acre doubles the rate', () => {
  const usage = Usage.of([record('prodiamine', 10, '2026-03-01', 21_780)], LIBRARY);
  expect(rules(usage, prodiamine, 16.8, '2026-06-01')).toEqual([]);
  const [over] = usage.refusals(prodiamine, 16.9, localDate('2026-06-01'));
  expect(over).toMatchObject({ rule: 'R14-year-amount', inputs: { used: 20, max: 36.8 } });
});

it('counts applications and days between them, before and after', () => {
  const usage = Usage.of([record('prodiamine', 8, '2026-03-01')], LIBRARY);
  expect(rules(usage, prodiamine, 8, '2026-04-29')).toEqual([
    'R15-interval',
    'R15-active-interval',
  ]);
  expect(rules(usage, prodiamine, 8, '2026-01-15')).toEqual([
    'R15-interval',
    'R15-active-interval',
  ]);
  expect(rules(usage, prodiamine, 8, '2026-04-30')).toEqual([]);
  usage.add(prodiamine, 8, localDate('2026-05-01'));
  expect(rules(usage, prodiamine, 8, '2026-09-01')).toEqual(['R14-year-count', 'R14-active-count']);
});

it('counts the uses of the year alone, and the days to the nearest of several', () => {
  const usage = Usage.of(
    [record('prodiamine', 8, '2025-03-01'), record('prodiamine', 8, '2025-05-15')],
    LIBRARY,
  );
  expect(usage.isEmpty).toBe(false);
  expect(rules(usage, prodiamine, 8, '2026-03-01')).toEqual([]);
  expect(usage.refusals(prodiamine, 8, localDate('2025-10-01'))[0]).toEqual({
    rule: 'R14-year-count',
    inputs: { used: 2, max: 2 },
  });
  const near = usage.refusals(prodiamine, 8, localDate('2025-05-20'));
  expect(near.find(({ rule }) => rule === 'R15-interval')!.inputs.days).toBe(5);
  const left = usage.leftOf(prodiamine, localDate('2025-10-01'));
  expect([left.amount.toFixed(6), left.count]).toEqual(['20.800000', 0]);
  expect(usage.leftOf(prodiamine, localDate('2026-10-01'))).toEqual({ amount: 36.8, count: 2 });
});

it('names the runs of days over which no limit reads otherwise', () => {
  const usage = Usage.of([record('prodiamine', 8, '2026-05-01')], LIBRARY);
  const phase = (date: string) => usage.phase(localDate(date));
  // Sixty days of its interval, either way.
  expect(phase('2026-03-02')).not.toBe(phase('2026-03-03'));
  expect(phase('2026-03-03')).toBe(phase('2026-03-20'));
  expect(phase('2026-06-28')).toBe(phase('2026-06-29'));
  expect(phase('2026-06-29')).not.toBe(phase('2026-06-30'));
  expect(phase('2026-12-31')).not.toBe(phase('2027-01-01'));
  // Another use makes other runs, of this zone alone.
  const before = phase('2026-09-01');
  const other = usage.copy();
  other.add(prodiamine, 8, localDate('2026-08-01'));
  expect(other.phase(localDate('2026-09-01'))).not.toBe(before);
  expect(phase('2026-09-01')).toBe(before);
  usage.add(prodiamine, 8, localDate('2026-08-01'));
  expect(phase('2026-09-01')).toBe(other.phase(localDate('2026-09-01')));
});

it('says what a year still allows of an active, over every product that holds it', () => {
  const amine = product('24d-amine');
  const perUnit = activesPerAcre(amine, 1).find(({ active }) => active === '2,4-d')!.lbPerAcre;
  const usage = new Usage();
  const left = (date = '2026-09-01') => usage.leftOfActive('2,4-d', localDate(date))!;
  expect(left().lb).toBeCloseTo(3.003, 3);
  const count = left().count;
  usage.add(amine, 1 / perUnit, localDate('2026-05-01'));
  usage.add(prodiamine, 8, localDate('2026-05-02'));
  expect(left().lb).toBeCloseTo(2.003, 3);
  expect([left().count, left('2027-02-01').count]).toEqual([count - 1, count]);
  expect(left('2027-02-01').lb).toBeCloseTo(3.003, 3);
  expect(usage.leftOfActive('no-such-active', localDate('2026-09-01'))).toBeNull();
});

describe('turns of a mode of action (R16: two in a year, two years running)', () => {
  const amine = product('24d-amine');
  const [group] = amine.hrac as [string];
  const other = product('mesotrione');
  const premix = product('threeway-amine');
  const used = (...uses: [ShelfHerbicide, string, string[]][]) => {
    const usage = new Usage();
    uses.forEach(([what, date, weeds]) => usage.add(what, 1, localDate(date), weeds));
    return (weeds: string[], date = '2026-05-01') =>
      usage.groupTurns(group, weeds, localDate(date));
  };
  it('are taken by days, of that year, against those weeds, by whatever holds the mode', () => {
    expect(used()(['dandelion'])).toBe(2);
    const one = used([amine, '2026-04-01', ['dandelion', 'white-clover']]);
    expect([one(['dandelion']), one(['henbit']), one(['white-clover', 'henbit'])]).toEqual([
      1, 2, 1,
    ]);
    expect(one(['dandelion'], '2027-05-01')).toBe(2);
    const sameDay = used(
      [amine, '2026-04-01', ['dandelion']],
      [premix, '2026-04-01', ['dandelion']],
    );
    expect(sameDay(['dandelion'])).toBe(1);
    const three = used(
      [amine, '2026-03-01', ['dandelion']],
      [premix, '2026-04-01', ['dandelion']],
      [amine, '2026-09-01', ['dandelion']],
    );
    expect(three(['dandelion'])).toBe(0);
    expect(used([other, '2026-04-01', ['dandelion']])(['dandelion'])).toBe(2);
    // Nobody said what it was meant for.
    expect(used([amine, '2026-04-01', []])(['dandelion'])).toBe(2);
  });
  it('are gone after it was alone in both years before, and not after one, or beside another', () => {
    const alone: [ShelfHerbicide, string, string[]][] = [
      [amine, '2024-05-01', ['dandelion']],
      [amine, '2025-05-01', ['dandelion']],
    ];
    expect(used(...alone)(['dandelion'])).toBe(0);
    expect(used(alone[0]!)(['dandelion'])).toBe(2);
    expect(used(alone[1]!)(['dandelion'])).toBe(2);
    expect(used(...alone, [other, '2025-09-01', ['dandelion']])(['dandelion'])).toBe(2);
    expect(used(...alone, [other, '2025-09-01', ['henbit']])(['dandelion'])).toBe(0);
    // Two years ahead are no years running.
    expect(used(...alone)(['dandelion'], '2023-05-01')).toBe(2);
  });
});

it('begins anew with the year, but not within half a year, nor the interval', () => {
  const usage = Usage.of([record('prodiamine', 36.8, '2026-12-01')], LIBRARY);
  expect(rules(usage, prodiamine, 36.8, '2027-05-30')).toEqual([]);
  expect(rules(usage, prodiamine, 36.8, '2027-05-29')).toEqual(['R14-year-amount']);
  expect(rules(usage, prodiamine, 36.8, '2027-01-10')).toEqual([
    'R14-year-amount',
    'R15-interval',
    'R15-active-interval',
  ]);
});

it('adds an active over every product that holds it', () => {
  // 36 fl oz of the pair hold 0.84 lb of prodiamine; 1.495 lb a year leave 0.65 lb, 16 oz at 65 %.
  const usage = Usage.of([record('sulfentrazone-prodiamine', 36, '2026-03-01')], LIBRARY);
  expect(rules(usage, prodiamine, 16, '2026-06-01')).toEqual([]);
  expect(rules(usage, prodiamine, 16.1, '2026-06-01')).toEqual(['R14-active-year']);
});

it('holds phenoxies to the 2,4-D of one application and of the year', () => {
  const amine = product('24d-amine');
  const threeway = product('threeway-amine');
  const ounces = (of: ShelfHerbicide, lb: number) => {
    const dose = activesPerAcre(of, 1).find(({ active }) => active === '2,4-d');
    return lb / (dose as { lbPerAcre: number }).lbPerAcre;
  };
  const usage = new Usage();
  expect(rules(usage, amine, ounces(amine, 1.6), '2026-05-01')).toEqual(['R14-active-application']);
  usage.add(amine, ounces(amine, 1.5), localDate('2026-05-01'));
  expect(rules(usage, threeway, ounces(threeway, 1.4), '2026-07-01')).toEqual([]);
  usage.add(threeway, ounces(threeway, 1.4), localDate('2026-07-01'));
  expect(rules(usage, amine, ounces(amine, 0.2), '2026-09-15')).toEqual([
    'R14-active-year',
    'R14-active-count',
  ]);
});
