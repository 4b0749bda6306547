import { addDays, localDate } from '../units';
import { contextSigns } from './contextSigns';
import { soilSeason } from './soilSeason';
import { climateNormals, hoursOf, syntheticForecast, syntheticYear } from './syntheticWeather';
import { zoneBias, zoneSoil } from './zoneSoil';
import { testClimate, testWeather } from './testdata/testWeather';

const today = localDate('2026-04-08');
const weather = testWeather('transition', 1, today);
const season = zoneSoil({ id: 'z', factors: ['full-sun-tall'] }, weather, []);

describe('a soil season', () => {
  it('is measured up to today and a band after it', () => {
    const now = season.measuredDays - 1;
    expect(season.lowF[now]).toBe(season.meanF[now]);
    const later = now + 60;
    expect(season.lowF[later]!).toBeLessThan(season.meanF[later]!);
    expect(season.highF[later]!).toBeGreaterThan(season.meanF[later]!);
    const soon = now + 2;
    expect(season.highF[soon]! - season.lowF[soon]!).toBeLessThan(
      season.highF[later]! - season.lowF[later]!,
    );
  });
  it('projects crossings in order, with the early one before the late one', () => {
    const at = [50, 55, 60, 65].map((t) => season.crossing(t, 'rising'));
    for (const c of at) {
      expect(c).not.toBeNull();
      expect(c!.early <= c!.date && c!.date <= c!.late).toBe(true);
    }
    expect([...at.map((c) => c!.date)].sort()).toEqual(at.map((c) => c!.date));
    expect(season.crossing(70, 'falling')!.date > '2026-08-01').toBe(true);
  });
  it('keeps what lies under snow from the cold to come, and lets it go when the snow has melted', () => {
    const day = localDate('2026-01-25');
    const north = testWeather('north', 3, day);
    const under = (snowIn: number) => {
      const days = north.days.map((entry) => ({ ...entry, tmaxF: 18, tminF: 4, snowIn }));
      const forecast = north.forecast.map(({ snowIn: _snow, ...entry }) => ({
        ...entry,
        tmaxF: 16,
        tminF: 2,
      }));
      return zoneSoil({ id: 'z', factors: [] }, { ...north, days, forecast }, []);
    };
    const [bare, covered] = [under(0), under(17)];
    const at = (soil: typeof bare, ahead: number) => soil.lowF[soil.measuredDays - 1 + ahead]!;
    const now = covered.meanF[covered.measuredDays - 1]!;
    // Seen in a cold north: 31.8 °F under 17 in of snow, projected at 24.7 eleven days on.
    expect(at(covered, 8)).toBeGreaterThan(now - 1);
    expect(at(bare, 8)).toBeLessThan(at(covered, 8) - 3);
    // In May nothing of it is left.
    expect(covered.meanF[covered.measuredDays + 110]).toBeCloseTo(
      bare.meanF[bare.measuredDays + 110]!,
      0,
    );
  });
  it('says so when the soil never gets there', () => {
    expect(season.crossing(120, 'rising')).toBeNull();
  });
  it('calls a crossing measured only once it is confirmed', () => {
    const later = zoneSoil(
      { id: 'z', factors: ['full-sun-tall'] },
      testWeather('transition', 1, localDate('2026-06-20')),
      [],
    );
    expect(later.crossing(55, 'rising')?.measured).toBe(true);
    expect(season.crossing(65, 'rising')?.measured).toBe(false);
  });
  it('is the same for the same seed', () => {
    const again = zoneSoil({ id: 'z', factors: ['full-sun-tall'] }, weather, []);
    expect(again.meanF).toEqual(season.meanF);
  });
  it('refuses weather with a gap or an end before today', () => {
    const input = {
      today,
      measured: weather.days.filter((_, i) => i !== 20),
      forecast: [],
      climate: weather.climate,
      factors: [],
      depthIn: 2,
      biasF: 0,
      until: addDays(today, 30),
      seed: 1,
    };
    expect(() => soilSeason(input)).toThrow('gaps');
    expect(() => soilSeason({ ...input, measured: weather.days.slice(0, -1) })).toThrow('today');
  });
  describe('with a probe', () => {
    const site = { factors: ['full-sun-tall'] as const };
    const now = season.meanF[season.measuredDays - 1]!;
    const reading = (day: number, offF: number, at = today) => ({
      id: `0190a000-0000-7000-8000-00000000000${day}`,
      zoneId: 'z',
      date: at,
      hour: 9,
      depthIn: 2,
      valuesF: [now + offF - 0.5, now + offF, now + offF + 0.5],
    });
    it('moves with it, by less than the residual', () => {
      const bias = zoneBias([...site.factors], weather, [reading(1, 5)]);
      expect(bias.biasF).toBeGreaterThan(2);
      expect(bias.refused).toEqual([]);
      const zone = { id: 'z', factors: [...site.factors] };
      const warmer = zoneSoil(zone, weather, [reading(1, 5)]);
      expect(warmer.crossing(60, 'rising')!.date < season.crossing(60, 'rising')!.date).toBe(true);
    });
    it('does not believe a wild one until a second agrees', () => {
      const wild = zoneBias([...site.factors], weather, [reading(1, 20, addDays(today, -1))]);
      expect(wild.biasF).toBe(0);
      expect(wild.refused).toEqual([reading(1, 20).id]);
      const twice = zoneBias([...site.factors], weather, [
        reading(1, 20, addDays(today, -1)),
        reading(2, 20),
      ]);
      expect(twice.refused).toEqual([]);
      expect(twice.biasF).toBeGreaterThan(10);
    });
  });
  it('holds still under snow, and starts from it', () => {
    const cold = weather.days.map((day, index) =>
      index > 80 ? { ...day, tmaxF: 20, tminF: 0, snowIn: 6 } : day,
    );
    const bare = cold.map(({ snowIn: _, ...day }) => day);
    const under = zoneSoil({ id: 'z', factors: [] }, { ...weather, days: cold }, []);
    const open = zoneSoil({ id: 'z', factors: [] }, { ...weather, days: bare }, []);
    const at = under.measuredDays - 1;
    expect(under.meanF[at]!).toBeGreaterThan(31);
    expect(open.meanF[at]!).toBeLessThan(31);
  });
  it('draws its own years where a station has few', () => {
    const few = zoneSoil(
      { id: 'z', factors: ['full-sun-tall'] },
      { ...weather, past: weather.past.slice(0, 3) },
      [],
    );
    const days = Math.abs(
      Date.parse(few.crossing(60, 'rising')!.date) -
        Date.parse(season.crossing(60, 'rising')!.date),
    );
    expect(days / 86_400_000).toBeLessThan(8);
  });
});

describe('made-up weather', () => {
  it('is the same for the same seed and another for another', () => {
    expect(syntheticYear(testClimate.north, 2026, 4)).toEqual(
      syntheticYear(testClimate.north, 2026, 4),
    );
    expect(syntheticYear(testClimate.north, 2026, 5)).not.toEqual(
      syntheticYear(testClimate.north, 2026, 4),
    );
    expect(syntheticYear(testClimate.north, 2028, 4)).toHaveLength(366);
  });
  it('stays about its normals over many years', () => {
    const normals = climateNormals(testClimate.transition);
    const july = Array.from({ length: 30 }, (_, y) =>
      syntheticYear(testClimate.transition, 1990 + y, 2),
    )
      .flatMap((year) => year.slice(181, 212))
      .map((day) => (day.tmaxF + day.tminF) / 2);
    const mean = july.reduce((a, b) => a + b, 0) / july.length;
    expect(Math.abs(mean - (normals[196]!.tmaxF + normals[196]!.tminF) / 2)).toBeLessThan(1.2);
  });
  it('forecasts with an error that grows', () => {
    const truth = syntheticYear(testClimate.south, 2026, 3);
    const error = (lead: number) => {
      const errors = Array.from({ length: 200 }, (_, d) => {
        const forecast = syntheticForecast(truth.slice(d + 1), truth[d]!.date, 3);
        return Math.abs(forecast[lead]!.tmaxF - truth[d + 1 + lead]!.tmaxF);
      });
      return errors.reduce((a, b) => a + b, 0) / errors.length;
    };
    expect(error(9)).toBeGreaterThan(2 * error(0));
  });
  it('spreads a day over its hours', () => {
    const hours = hoursOf({
      date: today,
      tmaxF: 80,
      tminF: 50,
      rainIn: 0.4,
      rhPct: 60,
      windMph: 6,
    });
    expect(Math.max(...hours.map((h) => h.airF))).toBeCloseTo(80, 1);
    expect(Math.min(...hours.map((h) => h.airF))).toBeCloseTo(50, 1);
    expect(hours.reduce((sum, h) => sum + h.rainIn, 0)).toBeCloseTo(0.4, 2);
  });
});

describe('signs that the weather answers', () => {
  const days = (tmaxF: number, rainIn: number, count = 21) =>
    Array.from({ length: count }, (_, i) => ({
      date: addDays(localDate('2026-07-01'), i),
      tmaxF,
      tminF: tmaxF - 20,
      rainIn,
    }));
  it('sees heat and a dry spell where nothing is watered', () => {
    expect(contextSigns(days(93, 0), false)).toMatchObject({ 'c-heat': true, 'c-dry': true });
    expect(contextSigns(days(93, 0), true)).not.toHaveProperty('c-dry');
  });
  it('sees rain and frost', () => {
    expect(contextSigns(days(48, 0.4), null)).toMatchObject({
      'c-rain': true,
      'c-dry': false,
      'c-frost': true,
    });
  });
});
