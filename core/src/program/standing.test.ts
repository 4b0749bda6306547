/**
 * What every lawn that is kept gets whether or not a weed was logged (common practice: spring pre-emergent, in the
 * south a fall one too, sedges where it is wet, a fall round against perennial broadleaves).
 */
import { applicationsOf } from '../courses/applicationsOf';
import type { Season } from '../courses/step';
import type { Region, SiteFactor } from '../knowledge';
import {
  fallRound,
  grubSchool,
  standingPreventions,
  standsFor,
} from '../knowledge/standingProgram';
import type { Zone } from '../lawn';
import { seasonRequestSchema } from '../needs/seasonInput';
import type { Application } from '../rates';
import { localDate } from '../units';
import { testWeather } from '../weather/testdata/testWeather';
import { lawnSeason } from './lawnSeason';
import { testZone } from './testdata/testLawn';

const fescue = (factors: SiteFactor[] = ['full-sun-tall'], cover = 0.96) =>
  testZone(1, [{ species: 'tall-fescue', cover }], { factors, irrigated: true });
const bermuda = testZone(1, [{ species: 'bermuda-hybrid', cover: 0.96 }]);

function plan(
  zone: Zone,
  {
    today = '2026-02-10',
    region = 'transition',
    upkeep = 'standard',
    records = [],
    weeds = [],
  }: {
    today?: string;
    region?: Region;
    upkeep?: 'basic' | 'standard' | 'showpiece';
    records?: Application[];
    weeds?: unknown[];
  } = {},
): Season {
  const day = localDate(today);
  const request = seasonRequestSchema.parse({
    today: day,
    region,
    upkeep,
    zones: [zone],
    findings: [{ zoneId: zone.id, weeds }],
  });
  return lawnSeason(request, testWeather(region, 1, day), [], records).season;
}
const needs = (season: Season, kind: string) =>
  season.needs.filter((need) => need.kind === kind).map(({ subject }) => subject);
const lays = (season: Season, group: string) =>
  season.steps.filter((step) => step.kind === 'prevent' && step.group === group);

describe('a lawn on which nothing was logged', () => {
  it('gets a spring pre-emergent against crabgrass, with the reason', () => {
    const [first] = lays(plan(fescue()), 'crabgrass');
    expect(first?.because[0]).toEqual({ rule: 'standing-prevent', inputs: { group: 'crabgrass' } });
  });
  it('gets none in full shade, nor where the upkeep is basic', () => {
    expect(needs(plan(fescue(['full-shade'])), 'prevent')).toEqual([]);
    expect(needs(plan(fescue(), { upkeep: 'basic' }), 'prevent')).toEqual([]);
  });
  it('gets one against winter annuals in the south alone', () => {
    expect(needs(plan(bermuda, { region: 'south', today: '2026-07-20' }), 'prevent')).toContain(
      'winter-annuals',
    );
    expect(needs(plan(bermuda, { today: '2026-07-20' }), 'prevent')).not.toContain(
      'winter-annuals',
    );
  });
  it('gets one against sedges where it is wet', () => {
    expect(needs(plan(fescue(['irrigated-daily'])), 'prevent')).toContain('nutsedge');
    expect(needs(plan(fescue()), 'prevent')).not.toContain('nutsedge');
  });
  it('gets a fall round in spots outside the south', () => {
    const season = plan(fescue(), { today: '2026-08-01' });
    const round = season.steps.find(({ id }) => id.startsWith('control:broadleaf-round'))!;
    expect(round.window.best >= '2026-09-15' && round.window.best <= '2026-11-10').toBe(true);
    expect(round.areaFt2).toBeLessThan(3000 * 0.05);
    expect(needs(plan(bermuda, { region: 'south', today: '2026-08-01' }), 'control')).toEqual([]);
  });
  it('gets no grub product for the calendar alone', () => {
    expect(grubSchool).toBe('by-history');
    expect(needs(plan(fescue()), 'prevent')).not.toContain('white-grub');
  });
});

describe('the program is done by what is done', () => {
  it('a walk for a dandelion that was seen makes the round of fall', () => {
    const season = plan(fescue(), {
      today: '2026-08-20',
      weeds: [{ weed: 'dandelion', cover: 0.05, since: '2026-08-15', seenOn: '2026-08-20' }],
    });
    const rounds = season.steps.filter(({ serves }) =>
      serves.some((work) => work.startsWith('control:broadleaf-round')),
    );
    expect(rounds).toHaveLength(1);
    expect(rounds[0]!.serves.some((work) => work.startsWith('control:dandelion'))).toBe(true);
  });
  it('a round on record is met, whoever made it; one day out of reach it is not', () => {
    const first = plan(fescue(), { today: '2026-08-01' }).steps.find(({ id }) =>
      id.startsWith('control:broadleaf-round'),
    )!;
    const made = (date: string) =>
      plan(fescue(), {
        today: '2026-11-01',
        records: [applicationsOf(first, localDate(date))[0]!],
      }).needs.find(({ subject }) => subject === 'broadleaf-round')!.state;
    expect(made('2026-08-25')).toBe('met');
    expect(made('2026-08-24')).not.toBe('met');
  });
  it('gives way to seed that somebody wants where no product leaves room for both, without a clash', () => {
    const season = plan(fescue(['full-sun-tall'], 0.7), { today: '2026-08-01' });
    expect(season.clashes).toEqual([]);
    expect(season.steps.some(({ kind }) => kind === 'seed')).toBe(true);
  });
});

it('every rule of the program is for some place and not for every', () => {
  const places = (['north', 'transition', 'south'] as const).flatMap((region) =>
    (['basic', 'standard', 'showpiece'] as const).flatMap((upkeep) =>
      ([[], ['full-shade'], ['irrigated-daily']] as SiteFactor[][]).map((factors) => ({
        region,
        upkeep,
        factors,
      })),
    ),
  );
  for (const rule of [...standingPreventions, fallRound]) {
    const held = places.filter((place) => standsFor(rule, place));
    expect(held.length).toBeGreaterThan(0);
    expect(held.length).toBeLessThan(places.length);
  }
});
