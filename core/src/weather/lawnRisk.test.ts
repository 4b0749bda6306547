/**
 * Risk models against the numbers that their papers' formulas give (Smith et al. 2018; Fidanza et al.
 * 1996, twice; Nutter et al. 1983; Du Plessis et al. 2020), worked in the project's domain notes.
 */
import fc from 'fast-check';
import { addDays, localDate } from '../units';
import { contextSigns } from './contextSigns';
import type { DailyWeather } from './dailyWeather';
import type { GrassSlug } from '../knowledge';
import {
  lawnRisk,
  RISK_PROBLEMS,
  withSightings,
  type RiskInput,
  type RiskProblem,
} from './lawnRisk';
import {
  armywormGenerationDays,
  brownPatchIndex,
  crabgrassDay,
  dampnessOf,
  degreeDay,
  dewPointF,
  dollarSpotProbability,
  grayLeafSpotClass,
  pythiumWarns,
} from './riskModels';

const F = (c: number) => (c * 9) / 5 + 32;

describe('formulas', () => {
  it.each([
    [18, 75, 0.2277],
    [22, 68, 0.2545],
    [22, 80, 0.4996],
    [25, 85, 0.7359],
    [28, 70, 0.5655],
  ])('dollar spot at %s °C, %s %%', (t, rh, p) =>
    expect(Math.abs(dollarSpotProbability(t, rh)! - p)).toBeLessThan(0.0005),
  );
  it('dollar spot is silent outside 10-35 °C', () => {
    expect(dollarSpotProbability(8, 90)).toBeNull();
    expect(dollarSpotProbability(36, 90)).toBeNull();
  });
  it.each([
    [90, 21, 6.847],
    [75, 21, 4.597],
    [95, 16, 6.702],
    [85, 24, 5.842],
    [80, 18, 5.008],
    [70, 12, 1.048],
  ])('brown patch at %s %%, low %s °C', (rh, t, e) =>
    expect(brownPatchIndex(rh, t)).toBeCloseTo(e, 3),
  );
  it.each([
    [91, 71, 15, true],
    [91, 66, 15, false],
    [91, 71, 12, false],
    [86, 71, 15, false],
  ])('pythium %s/%s °F with %s humid hours: %s', (high, lowF, hours, warns) =>
    expect(pythiumWarns(high, lowF, hours)).toBe(warns),
  );
  it.each([
    [20, 9, 2.5],
    [15, 4, 0],
    [24, 13, 6.5],
  ])('crabgrass day %s/%s °C', (high, lowC, sum) =>
    expect(crabgrassDay(F(high), F(lowC))).toBeCloseTo(sum, 3),
  );
  it.each([
    [62, 44, 3],
    [75, 55, 15],
  ])('degree-day %s/%s °F', (high, lowF, sum) => expect(degreeDay(high, lowF)).toBe(sum));
  it.each([
    [26, 29.16],
    [30, 22.47],
    [22, 41.53],
  ])('armyworm generation at %s °C', (c, days) =>
    expect(armywormGenerationDays(c)).toBeCloseTo(days, 2),
  );
  it('armyworm does not grow below its base', () => expect(armywormGenerationDays(12)).toBeNull());
  it.each([
    [8, 82, 1],
    [10, 75, 1],
    [15, 82, 3],
    [20, 70, 2],
    [20, 60, 0],
    [12, 90, 1],
  ])('gray leaf spot, %s wet hours at %s °F', (hours, f, expected) =>
    expect(grayLeafSpotClass(hours, f)).toBe(expected),
  );
  it('has the dew point at the air itself when it is saturated, and 50 °F at 68 °F and 53 %', () => {
    expect(dewPointF(68, 100)).toBeCloseTo(68, 6);
    // Psychrometric tables: 20 °C at 52.5 % has its dew point at 10.0 °C.
    expect(dewPointF(68, 52.5)).toBeCloseTo(50, 0);
  });
  it('knows no dampness without humidity, and more of it the more humid the day is', () => {
    const day = (rhPct?: number): DailyWeather => ({
      date: localDate('2026-07-01'),
      tmaxF: 88,
      tminF: 72,
      rainIn: 0,
      ...(rhPct === undefined ? {} : { rhPct }),
    });
    expect(dampnessOf(day())).toBeNull();
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 98 }), (rh) => {
        const [dry, damp] = [dampnessOf(day(rh))!, dampnessOf(day(rh + 2))!];
        expect(damp.humidHours).toBeGreaterThanOrEqual(dry.humidHours);
        expect(damp.wetHours).toBeGreaterThanOrEqual(dry.wetHours);
      }),
    );
  });
});

const year = (of: (day: number) => Partial<DailyWeather>, count = 200): DailyWeather[] =>
  Array.from({ length: count }, (_, index) => ({
    date: addDays(localDate('2026-01-01'), index),
    tmaxF: 60,
    tminF: 45,
    rainIn: 0,
    rhPct: 60,
    ...of(index),
  }));
const input = (fields: Partial<RiskInput> = {}): RiskInput => ({
  region: 'transition',
  today: localDate('2026-07-10'),
  days: year(() => ({})),
  stand: [{ species: 'tall-fescue', cover: 0.9 }],
  soilStart: localDate('2026-01-01'),
  soilF: Array.from({ length: 365 }, () => 65),
  ...fields,
});
const of = (fields: Partial<RiskInput>, problem: RiskProblem) =>
  lawnRisk(input(fields)).find((risk) => risk.problem === problem);

describe('a lawn', () => {
  it('is told of today and of every forecast day', () => {
    expect(of({}, 'brown-patch')!.days.map(({ date }) => date)).toEqual(
      Array.from({ length: 10 }, (_, i) => addDays(localDate('2026-07-10'), i)),
    );
  });
  it('is warned of brown patch in hot humid nights, and not of a disease its grass does not take', () => {
    const humid = { days: year(() => ({ tmaxF: 88, tminF: 70, rhPct: 92 })) };
    expect(of(humid, 'brown-patch')!.worst).toBe('warn');
    expect(of(humid, 'spring-dead-spot')).toBeUndefined();
    expect(of({}, 'brown-patch')!.worst).toBe('low');
  });
  it('says nothing of humidity models when humidity is not known', () => {
    const dry = year(() => ({ tmaxF: 88, tminF: 70 })).map(({ rhPct: _, ...day }) => day);
    expect(of({ days: dry }, 'dollar-spot')!.days[0]!.value).toBeNull();
  });
  it('watches large patch when the soil falls through 70 °F, not when it rises through it', () => {
    const stand = [{ species: 'zoysia-fine' as const, cover: 1 }];
    const fall = { stand, days: year(() => ({}), 300), today: localDate('2026-10-10') };
    // 67 °F on 10 October, a tenth of a degree a day.
    const falling = Array.from({ length: 365 }, (_, i) => 95 - i * 0.1);
    const rising = Array.from({ length: 365 }, (_, i) => 39 + i * 0.1);
    expect(of({ ...fall, soilF: falling }, 'large-patch')!.worst).toBe('warn');
    expect(of({ ...fall, soilF: rising }, 'large-patch')!.worst).toBe('low');
    // The same soil falling for a cold week in April is no fall.
    const spring = { stand, today: localDate('2026-04-10') };
    expect(of({ ...spring, soilF: falling.map((f) => f - 20) }, 'large-patch')!.worst).toBe('low');
    expect(of({ ...spring, soilF: rising.map((f) => f + 5) }, 'large-patch')!.worst).toBe('watch');
  });
  it('sums crabgrass from April and finds it coming up', () => {
    // 10.5 °C-days over 12 °C in ten days of 65/43 °F would be none: 12.2 °C mean gives 0.2 a day.
    const warm = {
      days: year((day) => (day >= 90 ? { tmaxF: 75, tminF: 55 } : {}), 120),
      today: localDate('2026-04-20'),
    };
    const risk = of(warm, 'crabgrass')!;
    // (75+55)/2 = 65 °F = 18.33 °C: 6.33 a day, 20 days from 1 April to 20 April.
    expect(risk.days[0]!.value).toBeCloseTo(126.7, 1);
    expect(risk.worst).toBe('warn');
  });
  it('is raised a step by what a colleague confirmed nearby within three weeks', () => {
    const sightings = [{ problem: 'armyworm', on: localDate('2026-07-01') }];
    expect(of({}, 'armyworm')!.worst).toBe('watch');
    expect(of({ sightings }, 'armyworm')!.worst).toBe('warn');
    expect(of({ sightings }, 'armyworm')!.sighted).toBe(true);
    const old = [{ problem: 'armyworm', on: localDate('2026-06-01') }];
    expect(of({ sightings: old }, 'armyworm')!.worst).toBe('watch');
  });
  it('is the same when what colleagues saw is put in afterwards', () =>
    fc.assert(
      fc.property(
        fc.constantFrom<RiskProblem>(...RISK_PROBLEMS),
        fc.integer({ min: -30, max: 0 }),
        fc.integer({ min: 30, max: 100 }),
        fc.constantFrom<GrassSlug>(
          'tall-fescue',
          'st-augustine',
          'centipede',
          'kentucky-bluegrass',
        ),
        (problem, ago, tmaxF, species) => {
          const given = input({
            days: year(() => ({ tmaxF, tminF: tmaxF - 20, rhPct: 90 })),
            stand: [{ species, cover: 1 }],
          });
          const sightings = [{ problem, on: addDays(given.today, ago) }];
          const after = lawnRisk(given).map((risk) => withSightings(risk, sightings, given.today));
          const atOnce = lawnRisk({ ...given, sightings }).map(
            ({ problem: one, worst, host, sighted }) => ({ problem: one, worst, host, sighted }),
          );
          const byProblem = (a: { problem: string }, b: { problem: string }) =>
            a.problem < b.problem ? -1 : 1;
          expect(after.sort(byProblem)).toEqual(atOnce.sort(byProblem));
        },
      ),
    ));
  it('puts what warns first', () => {
    const order = lawnRisk(input({ days: year(() => ({ tmaxF: 90, tminF: 72, rhPct: 93 })) })).map(
      ({ worst }) => worst,
    );
    expect(
      [...order].sort(
        (a, b) => ['warn', 'watch', 'low'].indexOf(a) - ['warn', 'watch', 'low'].indexOf(b),
      ),
    ).toEqual(order);
    expect(order[0]).toBe('warn');
  });
});

it('answers the weather signs by their rules', () => {
  const last = (fields: Partial<DailyWeather>) =>
    contextSigns(
      year(() => fields, 30),
      null,
    );
  expect(last({ tmaxF: 88, tminF: 70, rhPct: 95 })['c-warm-night']).toBe(true);
  expect(last({ tmaxF: 88, tminF: 60, rhPct: 95 })['c-warm-night']).toBe(false);
  expect(last({ tmaxF: 60, tminF: 45, rainIn: 0.06 })).toMatchObject({
    'c-rain': true,
    'c-coolwet': true,
  });
  expect(last({ tmaxF: 60, tminF: 45, rhPct: 88 })['c-coolwet']).toBe(true);
  expect(last({ tmaxF: 80, tminF: 60, rhPct: 88 })['c-coolwet']).toBe(false);
});
