import { CROSSING_CONFIRM_DAYS, crossingWindows, snowMelt, type SiteFactor } from '../knowledge';
import {
  addDays,
  calendarRun,
  daysBetween,
  localDate,
  toDayNumber,
  type LocalDate,
} from '../units';
import { crossing } from './crossing';
import { meanAir, type ClimateDay, type DailyWeather, type PastYear } from './dailyWeather';
import { fiveDayMean } from './fiveDayMean';
import { normalDraws, seededRandom } from './seededRandom';
import { responseAtDepth, siteOffset, soilStep } from './soilModel';
import { SPELL_DAYS, SPELL_FADES_DAYS, spellShare } from './spellShare';

/** Everything that the soil of one site is worked out from. */
export interface SoilSeasonInput {
  /** Last day with measured weather. */
  today: LocalDate;
  /** Measured days in order, without gaps, ending on `today`. */
  measured: readonly DailyWeather[];
  /** Forecast days after `today`, in order, and the standard deviation of each day's mean, °F. */
  forecast: readonly (DailyWeather & { sdF: number })[];
  /** Normals by day of year, shape (366): index 0 is 1 January. */
  climate: readonly ClimateDay[];
  /** Years that have been: from eight on each is a member of the band, else years are simulated. */
  past?: readonly PastYear[];
  factors: readonly SiteFactor[];
  depthIn: number;
  /** Last day of the projection. */
  until: LocalDate;
  /** Years in the band where they are simulated. */
  members?: number;
  seed: number;
}

/** A day on which the soil is expected to pass a threshold. */
export interface SoilCrossing {
  thresholdF: number;
  direction: 'rising' | 'falling';
  /** Day expected over the simulated years, or the measured day. */
  date: LocalDate;
  /** One simulated year in ten is earlier, one in ten later. */
  early: LocalDate;
  late: LocalDate;
  measured: boolean;
  /** Share of the simulated years that pass it within the window. */
  share: number;
}

export interface SoilSeason {
  today: LocalDate;
  start: LocalDate;
  /** Five-day mean per day from `start`, °F: measured, then the middle of the projection. */
  meanF: (number | null)[];
  /** One in ten simulated years is below / above, °F; equal to `meanF` where measured. */
  lowF: (number | null)[];
  highF: (number | null)[];
  /** Number of days that are measured. */
  measuredDays: number;
  /** Air highs per day from `start`, °F: measured, forecast, then normal. */
  airHighF: number[];
  airLowF: number[];
  /** Spread of the air high about what stands in `airHighF`, °F; 0 where measured. */
  airSdF: number[];
  crossing(
    thresholdF: number,
    direction: 'rising' | 'falling',
    year?: number,
    confirmDays?: number,
  ): SoilCrossing | null;
}

/** Day-to-day persistence of an air anomaly. */
const PERSISTENCE = 0.75;
const DEFAULT_MEMBERS = 40;
/** Fewer years than this make no band of their own. */
const LEAST_PAST_YEARS = 8;

/** The value below which a share of all years lies, of which these are a few: their ranks over n + 1. */
function quantile(sorted: ArrayLike<number>, p: number): number {
  const position = Math.min(sorted.length - 1, Math.max(0, (sorted.length + 1) * p - 1));
  const low = Math.floor(position);
  const a = sorted[low] as number;
  const b = sorted[Math.ceil(position)] as number;
  return a + (b - a) * (position - low);
}

/**
 * Soil temperature of one site over the year: modelled from measured weather up to today, then a
 * band of simulated years that start from today's soil, follow the forecast while it lasts and the
 * climate after it.
 * @returns series of shape (days from the first measured day to `until`)
 * @throws RangeError when nothing is measured or the measured days do not end on `today`
 */
export function soilSeason(input: SoilSeasonInput): SoilSeason {
  const { today, measured, forecast, climate, factors, until } = input;
  const first = measured[0];
  const last = measured[measured.length - 1];
  if (!first || !last || last.date !== today) {
    throw new RangeError('measured weather must end on today');
  }
  if (daysBetween(first.date, today) + 1 !== measured.length) {
    throw new RangeError('measured weather must not have gaps');
  }
  const start = first.date;
  const startNumber = toDayNumber(start);
  const total = daysBetween(start, until) + 1;
  const response = responseAtDepth(input.depthIn);
  const warmup = measured.slice(0, 30);
  const startF = warmup.reduce((sum, day) => sum + meanAir(day), 0) / warmup.length;

  const run = calendarRun(start, total);
  const normal = Array.from(run.dayOfYear, (day) => climate[day - 1] as ClimateDay);
  const byMonth = Array.from({ length: 13 }, (_, month) => siteOffset(factors, month));
  const offsets = Float64Array.from(run.month, (month) => byMonth[month] as number);
  const days = run.dayOfYear.map((day) => day - 1);

  const measuredSoil: number[] = [];
  let soil = startF;
  measured.forEach((day, index) => {
    const air = meanAir(day) + (offsets[index] as number);
    soil = soilStep(soil, air, { response }, day.snowIn);
    measuredSoil.push(soil);
  });
  const soilToday = soil;
  const measuredDays = measured.length;
  const future = Math.max(0, total - measuredDays);
  const lastNormal = normal[measuredDays - 1] as ClimateDay;
  const anomalyToday = meanAir(last) - meanAir(lastNormal);
  const past = input.past ?? [];
  const lasting = spellShare(past);
  const spellDays = Math.min(SPELL_DAYS, measuredDays);
  let spell = 0;
  for (let index = measuredDays - spellDays; index < measuredDays; index += 1) {
    spell += (meanAir(measured[index]!) - meanAir(normal[index]!)) / spellDays;
  }

  // Flat arrays: the simulation below is the inner loop of every season on the company's books.
  const usualMean = Float64Array.from(normal, meanAir);
  const usualSd = Float64Array.from(normal, (day) => day.sdF);
  const toldMean = Float64Array.from(forecast.slice(0, future), meanAir);
  const draw = normalDraws(seededRandom(input.seed));
  const innovation = Math.sqrt(1 - PERSISTENCE ** 2);
  const history = Float64Array.from(measuredSoil);
  const step = { response };
  const ownYears = past.length >= LEAST_PAST_YEARS;
  // What of a spell, and of the last departure that is known, is left after so many days.
  const fading = new Float64Array(future);
  const left = new Float64Array(future);
  for (let lead = 0; lead < future; lead += 1) {
    fading[lead] = lasting * spell * Math.exp(-lead / SPELL_FADES_DAYS);
    left[lead] = PERSISTENCE ** Math.max(0, lead - toldMean.length + 1);
  }
  const lastKnown = days[measuredDays - 1 + toldMean.length]!;
  const toldSd = Float64Array.from(forecast.slice(0, future), ({ sdF }) => sdF);
  const simulate = (member: number): Float64Array => {
    const series = new Float64Array(total);
    series.set(history.subarray(0, Math.min(total, measuredDays)));
    const year = ownYears ? past[member >> 1]!.anomalyF : null;
    const sign = member % 2 === 0 ? 1 : -1;
    let ground = soilToday;
    let anomaly = anomalyToday - lasting * spell;
    let error = year ? 0 : draw();
    let snow = last.snowIn ?? 0;
    for (let lead = 0; lead < future; lead += 1) {
      const index = measuredDays + lead;
      let air: number;
      if (lead < toldMean.length) {
        // A forecast errs the way the weather of some year did.
        error = year
          ? (sign * year[days[index]!]!) / usualSd[index]!
          : PERSISTENCE * error + innovation * draw();
        air = toldMean[lead]! + error * toldSd[lead]!;
        anomaly = air - usualMean[index]! - fading[lead]!;
      } else if (year) {
        // The last departure that is known fades, and what the year's own weather was beyond its own comes in.
        const weather = sign * (year[days[index]!]! - left[lead]! * year[lastKnown]!);
        air = usualMean[index]! + fading[lead]! + left[lead]! * anomaly + weather;
      } else {
        anomaly = PERSISTENCE * anomaly + innovation * draw() * usualSd[index]!;
        air = usualMean[index]! + fading[lead]! + anomaly;
      }
      ground = soilStep(ground, air + offsets[index]!, step, snow);
      // What lies today settles and melts; what is still to fall nobody knows, but for the forecast.
      if (snow > 0 || lead < toldMean.length) {
        const melted = snowMelt.inPerDegF * Math.max(0, air - snowMelt.fromF);
        snow = forecast[lead]?.snowIn ?? Math.max(0, snow * snowMelt.settles - melted);
      }
      series[index] = ground;
    }
    return series;
  };
  // Each year comes with its mirror image, so that few of them still stand about the normal.
  const wanted = ownYears ? 2 * past.length : (input.members ?? DEFAULT_MEMBERS);
  const members = Array.from({ length: future > 0 ? wanted : 1 }, (_, member) =>
    fiveDayMean(simulate(member)),
  );

  const firstMember = members[0] as (number | null)[];
  const meanF = firstMember.slice(0, measuredDays);
  const lowF = [...meanF];
  const highF = [...meanF];
  const onDay = new Float64Array(members.length);
  for (let index = measuredDays; index < total; index += 1) {
    for (let member = 0; member < members.length; member += 1) {
      onDay[member] = members[member]![index] ?? NaN;
    }
    onDay.sort();
    lowF.push(quantile(onDay, 0.1));
    meanF.push(quantile(onDay, 0.5));
    highF.push(quantile(onDay, 0.9));
  }

  const known = [...measured, ...forecast.slice(0, future)];
  const airHighF = normal.map((usual, index) => known[index]?.tmaxF ?? usual.tmaxF);
  const airLowF = normal.map((usual, index) => known[index]?.tminF ?? usual.tminF);
  const airSdF = normal.map((usual, index) =>
    index < measuredDays ? 0 : (forecast[index - measuredDays]?.sdF ?? usual.sdF),
  );

  // Every group of weeds and every step asks for the same few thresholds.
  const answered = new Map<string, SoilCrossing | null>();
  const crossingOf = (
    thresholdF: number,
    direction: 'rising' | 'falling',
    year = Number(today.slice(0, 4)),
    confirmDays: number = CROSSING_CONFIRM_DAYS,
  ): SoilCrossing | null => {
    const key = `${thresholdF} ${direction} ${year} ${confirmDays}`;
    let known = answered.get(key);
    if (known === undefined) {
      known = findCrossing(thresholdF, direction, year, confirmDays);
      answered.set(key, known);
    }
    return known;
  };
  const findCrossing = (
    thresholdF: number,
    direction: 'rising' | 'falling',
    year: number,
    confirmDays: number,
  ): SoilCrossing | null => {
    const { from, to } = crossingWindows[direction];
    const iso = (y: number, [month, day]: readonly [number, number]) =>
      localDate(`${y}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`);
    const fromIndex = Math.max(0, toDayNumber(iso(year, from)) - startNumber);
    const toIndex = Math.min(
      total - 1,
      toDayNumber(iso(direction === 'falling' ? year + 1 : year, to)) - startNumber,
    );
    if (toIndex < fromIndex) return null;
    const options = { from: fromIndex, to: toIndex, confirmDays };
    const found = members
      .map((series) => crossing(series, thresholdF, direction, options))
      .filter((day): day is number => day !== null)
      .sort((a, b) => a - b);
    if (found.length === 0 || found.length * 2 < members.length) return null;
    const settled = (day: number) => day + confirmDays <= measuredDays;
    const median = quantile(found, 0.5);
    const early = quantile(found, 0.1);
    const late = quantile(found, 0.9);
    const measured = settled(median);
    // Where some members keep a crossing that was measured and most take it back, it is to come: those
    // tell the day. The mean of years and their mirror images scatters less than their median; as far
    // as the forecast reaches, the few that take a crossing back must not pull the day away.
    const ahead = found.filter((day) => !settled(day));
    const told = ahead.length > 0 && quantile(ahead, 0.5) < measuredDays + toldMean.length;
    const expected = told
      ? quantile(ahead, 0.5)
      : ahead.reduce((sum, day) => sum + day / ahead.length, 0);
    const on = (day: number) => addDays(start, Math.round(day));
    return {
      thresholdF,
      direction,
      date: on(measured ? median : Math.min(late, Math.max(early, expected))),
      early: on(early),
      late: on(late),
      measured,
      share: found.length / members.length,
    };
  };

  return {
    today,
    start,
    meanF,
    lowF,
    highF,
    measuredDays,
    airHighF,
    airLowF,
    airSdF,
    crossing: crossingOf,
  };
}

/**
 * The season of a site whose probes read warmer or cooler than the model by the same all year: the simulated
 * years are those of the site, so every zone of it shares them.
 * @param biasF °F to add
 */
export function readWarmer(site: SoilSeason, biasF: number): SoilSeason {
  if (biasF === 0) return site;
  const add = (series: readonly (number | null)[]) =>
    series.map((value) => (value === null ? null : value + biasF));
  return {
    ...site,
    meanF: add(site.meanF),
    lowF: add(site.lowF),
    highF: add(site.highF),
    crossing: (thresholdF, direction, year, confirmDays) => {
      const passed = site.crossing(thresholdF - biasF, direction, year, confirmDays);
      return passed && { ...passed, thresholdF };
    },
  };
}

/** Position of a date in the season's series; may fall outside it. */
export const seasonDay = (season: Pick<SoilSeason, 'start'>, date: LocalDate): number =>
  daysBetween(season.start, date);
