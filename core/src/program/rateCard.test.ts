/** The rate card: what moves a rate, what holds it and for how long. Limits as in the library (memory). */
import { shelfLabelSchema } from '../products';
import type { Application } from '../rates';
import { addDays, localDate } from '../units';
import { testWeather } from '../weather/testdata/testWeather';
import { lawnSeasonInput } from './lawnSeason';
import { rateCard } from './rateCard';
import { seasonRequestSchema } from '../needs/seasonInput';
import { testZone } from './testdata/testLawn';
import { zoneCaseOf } from '../choice/zoneCase';

type Zone = Parameters<typeof testZone>[2];

function cardOf(
  today: string,
  stand: Parameters<typeof testZone>[1],
  {
    zone: fields = {},
    records = [],
    policy = {},
    region = 'transition',
  }: {
    zone?: Zone;
    records?: Omit<Application, 'zoneId' | 'id'>[];
    policy?: object;
    region?: 'north' | 'transition' | 'south';
  } = {},
) {
  const zone = testZone(1, stand, fields);
  const request = seasonRequestSchema.parse({ today, region, zones: [zone], policy });
  const input = lawnSeasonInput(
    request,
    testWeather(region, 7, localDate(today)),
    [],
    records.map((record, index) => ({ ...record, zoneId: zone.id, id: `r${index}` })),
  );
  const card = rateCard(zoneCaseOf(input, zone));
  return {
    card,
    row: (slug: string, kind?: string) =>
      card.rows.find((own) => own.slug === slug && (kind === undefined || own.kind === kind))!,
  };
}
const FESCUE = [{ species: 'tall-fescue' as const, cover: 0.95 }];
const BERMUDA = [{ species: 'bermuda-hybrid' as const, cover: 0.95 }];
const herbicide = (slug: string, amount: number, unit: 'oz' | 'fl-oz', date: string) => ({
  date,
  areaFt2: 3000,
  materials: [{ kind: 'herbicide' as const, slug, amount, unit }],
});
const fed = (date: string) => ({
  date,
  areaFt2: 3000,
  materials: [
    { kind: 'fertilizer' as const, slug: '25-0-10-quick', amount: 9, unit: 'lb' as const },
  ],
});

it('has every product of the shelf once', () => {
  const { card } = cardOf('2026-05-10', FESCUE);
  const names = card.rows.map(({ kind, slug }) => `${kind} ${slug}`);
  expect(new Set(names).size).toBe(names.length);
  expect(names).toEqual(expect.arrayContaining(['herbicide msma', 'seed mix-wear']));
});

describe('turf and stage', () => {
  it('never lets atrazine on fescue, and total killers on bermuda only while it sleeps', () => {
    expect(cardOf('2026-05-10', FESCUE).row('atrazine')).toMatchObject({
      verdict: 'never',
      rule: 'R01-turf',
      ratePerAcre: null,
    });
    const winter = cardOf('2026-01-10', BERMUDA);
    expect(winter.card.stage).toBe('dormant');
    const asleep = winter.row('glyphosate');
    const rules = asleep.reasons.map(({ rule }) => rule);
    expect(rules).toContain('R04-too-cold');
    expect(rules).not.toContain('R01-turf');
    expect(asleep.fullPerAcre).toBe(16);
    const summer = cardOf('2026-07-10', BERMUDA, { region: 'south' });
    expect(summer.card.stage).toBe('green');
    expect(summer.row('glyphosate')).toMatchObject({ verdict: 'hold', rule: 'R01-turf' });
  });
  it('gives tender turf the light rate, and says which grass', () => {
    const { row } = cardOf('2026-05-10', [{ species: 'fine-fescue', cover: 0.95 }]);
    // Held to the grass's own cap, which no step of the ladder goes over.
    expect(row('prodiamine')).toMatchObject({ rule: 'card-tender', ratePerAcre: 16 });
    expect(row('prodiamine').reasons).toContainEqual({
      rule: 'card-tender',
      inputs: { species: 'fine-fescue' },
    });
  });
  it('takes what is on no label for home lawns off for good, and holds what nobody has checked', () => {
    const { row } = cardOf('2026-05-10', BERMUDA);
    expect(row('msma')).toMatchObject({ verdict: 'never', rule: 'R02-site' });
    expect(row('foramsulfuron').reasons.map(({ rule }) => rule)).toContain('R10-label-unconfirmed');
    expect(
      cardOf('2026-05-10', BERMUDA, { policy: { confirmedLabels: ['foramsulfuron'] } }).row(
        'foramsulfuron',
      ).verdict,
    ).toBe('rate');
  });
});

describe('heat, frost and what came before', () => {
  it('holds a spray over its label’s heat', () => {
    const { card, row } = cardOf('2026-07-20', FESCUE);
    expect(card.airHighF).toBeGreaterThan(85);
    expect(row('threeway-amine')).toMatchObject({ verdict: 'hold', rule: 'R03-too-hot' });
  });
  it('holds everything that is spread or sprayed on frozen ground', () => {
    const { card, row } = cardOf('2026-01-20', FESCUE, { region: 'north' });
    expect(card.soilF).toBeLessThanOrEqual(32);
    for (const slug of ['prodiamine', 'imidacloprid', '25-0-10-quick']) {
      expect(row(slug).reasons.map(({ rule }) => rule)).toContain('card-frozen');
    }
  });
  it('counts what the year has had', () => {
    const { row } = cardOf('2026-05-20', FESCUE, {
      records: [herbicide('prodiamine', 2.5, 'oz', '2026-03-10')],
    });
    expect(row('prodiamine').reasons.map(({ rule }) => rule)).toContain('R14-year-amount');
  });
  it('holds feedings for 28 days after one, and says until when', () => {
    const day = localDate('2026-05-04');
    const after = (days: number) =>
      cardOf(day, FESCUE, { records: [fed(addDays(day, -days))] }).row('24-0-11-half-slow');
    expect(after(27)).toMatchObject({ verdict: 'hold', rule: 'card-fed', until: '2026-05-05' });
    expect(after(28).verdict).toBe('rate');
  });
});

describe('what the soil moves', () => {
  const hold = (today: string, region: 'north' | 'south') =>
    cardOf(today, BERMUDA, { region }).row('prodiamine').moved[0]!;
  it('shortens what a pre-emergent holds in warm soil, and never lengthens it by over a quarter', () => {
    const warm = hold('2026-06-15', 'south');
    const cold = hold('2026-11-10', 'north');
    expect(warm.table).toEqual(cold.table);
    expect(warm.here[0]!).toBeLessThan(0.8 * warm.table[0]);
    expect(cold.here[0]!).toBeGreaterThan(cold.table[0]);
    expect(cold.here[1]!).toBeLessThanOrEqual(Math.round(1.25 * cold.table[1]));
  });
  it('has both figures of nitrogen: what the grass takes and what it grows by', () => {
    const of = (today: string) =>
      cardOf(today, FESCUE)
        .row('24-0-11-half-slow')
        .moved.find(({ kind }) => kind === 'nitrogen')!;
    const [spring, winter] = [of('2026-05-10'), of('2026-02-01')];
    expect(spring.here[1]!).toBeGreaterThan(winter.here[1]!);
    expect(spring.here[1]!).toBeGreaterThan(0.2);
    expect(winter.here[1]!).toBeLessThan(0.1);
  });
  it('has seed up sooner in warm soil, holds it in cold, and only where it belongs', () => {
    const fall = cardOf('2026-09-10', FESCUE);
    expect(fall.row('tall-fescue')).toMatchObject({ verdict: 'rate', kind: 'seed' });
    expect(fall.row('bermuda-common')).toMatchObject({
      verdict: 'never',
      rule: 'card-other-grass',
    });
    expect(fall.row('mix-fescue-bluegrass').verdict).toBe('rate');
    const late = cardOf('2026-11-20', FESCUE).row('tall-fescue');
    expect(late.verdict).toBe('hold');
    const up = (card: typeof fall) => card.row('tall-fescue').moved[0]!.here[0];
    expect(up(fall)!).toBeLessThan(up(cardOf('2026-04-10', FESCUE))!);
    expect(cardOf('2026-04-20', FESCUE).row('tall-fescue').rule).toBe('card-seed-second-best');
  });
  it('lets ryegrass into bermuda for the winter alone', () => {
    const rye = (today: string) =>
      cardOf(today, BERMUDA, { region: 'south' }).row('perennial-ryegrass');
    expect(rye('2026-07-10')).toMatchObject({ verdict: 'hold', rule: 'card-seed-hot' });
    expect(rye('2026-10-25').verdict).toBe('rate');
    expect(
      cardOf('2026-10-25', [{ species: 'zoysia-fine', cover: 0.95 }], { region: 'south' }).row(
        'perennial-ryegrass',
      ).verdict,
    ).toBe('never');
  });
  it('holds seed until what was sprayed lets it grow', () => {
    const { row } = cardOf('2026-09-10', FESCUE, {
      records: [herbicide('dithiopyr', 2, 'fl-oz', '2026-08-01')],
    });
    expect(row('tall-fescue')).toMatchObject({ verdict: 'hold', rule: 'seed-herbicide-hold' });
    expect(row('tall-fescue').until! > '2026-09-10').toBe(true);
  });
});

describe('a label of one’s own', () => {
  const label = (slug: string, kind: string, fields: object) =>
    shelfLabelSchema.parse({
      id: '0190a000-0000-7000-8000-000000000009',
      base: { kind, slug },
      name: 'Made up',
      signalWord: 'caution',
      unit: 'lb',
      homeLawns: true,
      packages: 1,
      ...fields,
    });
  it('caps a fertilizer, and takes it off turf that it does not name', () => {
    const at = (fields: object) =>
      cardOf('2026-05-04', FESCUE, {
        policy: {
          labels: [label('24-0-11-half-slow', 'fertilizer', { highPerAcre: 90, ...fields })],
        },
      }).row('24-0-11-half-slow');
    expect(at({}).ratePerAcre!).toBeLessThanOrEqual(90);
    expect(at({})).toMatchObject({ inStore: true, rule: 'feed-limited-label' });
    expect(at({ turf: ['bahia'] })).toMatchObject({
      verdict: 'never',
      rule: 'R01-off-label',
      reasons: [{ rule: 'R01-off-label', inputs: { species: 'tall-fescue' } }],
    });
    expect(at({ homeLawns: false })).toMatchObject({ verdict: 'never', rule: 'R02-site' });
    expect(at({ minIntervalDays: 40, maxApplications: 1 }).verdict).toBe('rate');
  });
  it('leaves a starter to seed that comes up, and a store alone to what is in it', () => {
    const starter = (sownDaysAgo: number | null, policy = {}) =>
      cardOf('2026-10-08', FESCUE, {
        policy,
        records:
          sownDaysAgo === null
            ? []
            : [
                {
                  date: addDays(localDate('2026-10-08'), -sownDaysAgo),
                  areaFt2: 3000,
                  materials: [{ kind: 'seed', slug: 'tall-fescue', amount: 15, unit: 'lb' }],
                },
              ],
      }).row('18-24-12-starter');
    expect(starter(null)).toMatchObject({ verdict: 'hold', rule: 'card-phosphorus' });
    expect(starter(42)).toMatchObject({ verdict: 'rate' });
    expect(starter(43).rule).toBe('card-phosphorus');
    expect(starter(10, { onlyShelf: true }).rule).toBe('card-not-in-store');
  });
  it('sows the bag’s own rate', () => {
    const { row } = cardOf('2026-09-10', FESCUE, {
      policy: {
        labels: [label('tall-fescue', 'seed', { lowPerAcre: 130.68, highPerAcre: 400 })],
      },
    });
    expect(row('tall-fescue', 'seed').ratePerAcre).toBeCloseTo(130.68, 6);
  });
  it('offers a feed with a weed killer only where it is kept, and only while it may feed', () => {
    const spring = {
      policy: { labels: [label('threeway-granule', 'herbicide', { highPerAcre: 120 })] },
    };
    expect(cardOf('2026-05-20', FESCUE).row('threeway-granule').reasons).toContainEqual({
      rule: 'R18-feeds-too',
      inputs: {},
    });
    expect(cardOf('2026-05-20', FESCUE, spring).row('threeway-granule').verdict).toBe('rate');
    expect(
      cardOf('2026-05-20', FESCUE, { ...spring, records: [fed('2026-05-05')] })
        .row('threeway-granule')
        .reasons.map(({ rule }) => rule),
    ).toContain('R18-nitrogen');
  });
});
