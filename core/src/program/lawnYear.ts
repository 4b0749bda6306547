import { growthPotential, nitrogenByMonth } from '../fertility';
import { frostDates, grass, type Region } from '../knowledge';
import { degreeDayModels } from '../knowledge/degreeDayModels';
import { soilThresholds, type SoilThreshold } from '../knowledge/soilThresholds';
import { depletion, soilWater, turfWater } from '../knowledge/water';
import { mainGrass, siteFactors, type Zone } from '../lawn';
import { calendarRun, daysBetween, type LocalDate } from '../units';
import { rootZone, soilBalance, type BalanceDay, type RootZone } from '../water';
import {
  meanAir,
  zoneSoil,
  type ProbeReading,
  type SoilCrossing,
  type SoilSeason,
  type WeatherBundle,
} from '../weather';
import { degreeDaySum, type DegreeDaySum } from '../weather/degreeDays';
import { referenceEvapotranspiration, sunOf } from '../weather/evapotranspiration';

export interface ThresholdDay {
  threshold: SoilThreshold;
  crossing: SoilCrossing | null;
}

/** Soil, heat, water and growth of one zone's year, one value a day from `start`. */
export interface LawnYear {
  start: LocalDate;
  today: LocalDate;
  measuredDays: number;
  season: 'cool' | 'warm';
  soil2: SoilSeason;
  soil4: SoilSeason;
  thresholds: ThresholdDay[];
  degreeDays: DegreeDaySum[];
  /** Growth potential of the zone's kind of grass by the week's air, 0-1. */
  growth: number[];
  /** Month shares of a year's nitrogen by growth potential, before caps, lb per 1000 ft². */
  nitrogenByMonth: number[];
  rainIn: number[];
  /** Use of well-watered turf, in per day. */
  demandIn: number[];
  zone: RootZone;
  /** Water missing: as measured, then the middle of the years in the band, in. */
  deficitIn: number[];
  deficitLowIn: number[];
  deficitHighIn: number[];
  /** Up to today. */
  balance: BalanceDay[];
}

const WEEK = 7;
/** Soil where nobody felt it: the commonest. */
const ASSUMED_TEXTURE = 'loam' as const;

const quantileOf = (sorted: Float64Array, p: number): number =>
  sorted[Math.round((sorted.length - 1) * p)] as number;

/**
 * Everything that the season of a zone stands on, from the station's weather and the zone's own
 * soil, site and probe.
 * @param until last day; the end of the year unless given
 * @throws RangeError when no grass is named: see `assumedGrass`
 */
export function lawnYear(
  zone: Zone,
  weather: WeatherBundle,
  readings: readonly ProbeReading[],
  yearLbPer1000 = 0,
): LawnYear {
  const ground = { id: zone.id, factors: siteFactors(zone) };
  const soil2 = zoneSoil(ground, weather, readings, 2);
  const soil4 = zoneSoil(ground, weather, readings, 4);
  const { start, today, measuredDays } = soil2;
  const total = soil2.airHighF.length;
  const main = mainGrass(zone);
  if (!main) throw new RangeError(`no grass is named in zone ${zone.id}`);
  const { season } = grass(main);
  const latitude = (weather.station.latitude * Math.PI) / 180;

  const crossingOf = (threshold: SoilThreshold) =>
    (threshold.depthIn === 2 ? soil2 : soil4).crossing(
      threshold.valueF,
      threshold.direction,
      undefined,
      threshold.confirmDays,
    );
  const thresholds = soilThresholds
    .filter((threshold) => threshold.season === null || threshold.season === season)
    .map((threshold) => ({ threshold, crossing: crossingOf(threshold) }));

  const days = Array.from(calendarRun(start, total).dayOfYear);
  const radiation = new Float64Array(367);
  for (let day = 1; day <= 366; day += 1) radiation[day] = sunOf(latitude, day).radiation;
  const { kc, rootDepthIn } = turfWater[main];
  const use = (highF: number, lowF: number, day: number) =>
    kc[0] * referenceEvapotranspiration(highF, lowF, radiation[day] as number);
  const demandIn = days.map((day, index) =>
    use(soil2.airHighF[index] as number, soil2.airLowF[index] as number, day),
  );

  const growth = days.map((_, index) => {
    const from = Math.max(0, index - WEEK + 1);
    let sum = 0;
    for (let at = from; at <= index; at += 1) {
      sum += ((soil2.airHighF[at] as number) + (soil2.airLowF[at] as number)) / 2;
    }
    return growthPotential(sum / (index - from + 1), season);
  });
  // A leap year has the 366 days of the climate.
  const months = calendarRun(LEAP_YEAR_STARTS, weather.climate.length).month;
  const usualByMonth = Array.from({ length: 12 }, (_, month) => {
    const own = weather.climate.filter((_day, index) => months[index] === month + 1);
    return own.reduce((sum, day) => sum + meanAir(day), 0) / own.length;
  });

  const texture = zone.site.texture ?? ASSUMED_TEXTURE;
  const water = rootZone(soilWater[texture].availableInPerIn, rootDepthIn, depletion[season]);
  const measuredRain = weather.days.map(({ rainIn }) => rainIn);
  const irrigation = zone.site.irrigated === true ? 'auto' : 'none';
  const balance = soilBalance({
    zone: water,
    startIn: 0,
    demandIn: demandIn.slice(0, measuredDays),
    rainIn: measuredRain,
    irrigation,
    efficiency: 1,
  });
  const last = balance[measuredDays - 1];
  const deficitIn = balance.map((day) => day.deficitIn);
  const deficitLowIn = [...deficitIn];
  const deficitHighIn = [...deficitIn];
  const ahead = days.slice(measuredDays);
  const told = weather.forecast;
  const members = weather.past.map(({ anomalyF, rainIn }) =>
    soilBalance({
      zone: water,
      startIn: last ? last.deficitIn - Math.min(last.irrigationIn, last.deficitIn) : 0,
      demandIn: ahead.map((day, lead) => {
        const known = told[lead];
        const usual = weather.climate[day - 1]!;
        const shift = anomalyF[day - 1] as number;
        return known
          ? use(known.tmaxF, known.tminF, day)
          : use(usual.tmaxF + shift, usual.tminF + shift, day);
      }),
      rainIn: ahead.map((day, lead) => told[lead]?.rainIn ?? (rainIn[day - 1] as number)),
      irrigation,
      efficiency: 1,
    }),
  );
  const onDay = new Float64Array(members.length);
  ahead.forEach((_, lead) => {
    if (members.length === 0) return;
    members.forEach((member, index) => (onDay[index] = member[lead]!.deficitIn));
    onDay.sort();
    deficitLowIn.push(quantileOf(onDay, 0.1));
    deficitIn.push(quantileOf(onDay, 0.5));
    deficitHighIn.push(quantileOf(onDay, 0.9));
  });

  return {
    start,
    today,
    measuredDays,
    season,
    soil2,
    soil4,
    thresholds,
    degreeDays: degreeDayModels.flatMap(
      (model) => degreeDaySum(model, start, soil2.airHighF, soil2.airLowF, today) ?? [],
    ),
    growth,
    nitrogenByMonth: nitrogenByMonth(yearLbPer1000, usualByMonth, season),
    rainIn: days.map((_, index) => measuredRain[index] ?? told[index - measuredDays]?.rainIn ?? 0),
    demandIn,
    zone: water,
    deficitIn,
    deficitLowIn,
    deficitHighIn,
    balance,
  };
}

const LEAP_YEAR_STARTS = '2024-01-01' as LocalDate;

/** What kinds of work a day of the year asks about. */
export const DAY_WORKS = ['pre-emergent', 'post-emergent', 'feed', 'seed', 'traffic'] as const;
export type DayWork = (typeof DAY_WORKS)[number];

export interface DayVerdict {
  work: DayWork;
  may: boolean;
  rule: string;
  inputs: Record<string, number>;
}

export interface DayReading {
  date: LocalDate;
  measured: boolean;
  soilF: number | null;
  soilLowF: number | null;
  soilHighF: number | null;
  airHighF: number;
  airLowF: number;
  rainIn: number;
  deficitIn: number;
  growth: number;
  verdicts: DayVerdict[];
}

/** Limits that a day is read by; each product and grass may be stricter (common practice). */
const READING = {
  preEmergentF: [48, 55],
  hotF: 85,
  tooHotF: 95,
  coldAirF: 50,
  growingSoilF: 45,
  growing: 0.1,
  frozenF: 32,
  /** Days over which the soil's direction is read. */
  trendDays: 10,
} as const;

/**
 * What may be done on one day of the year and what not, each with its reason. A planning value: the
 * step's own gates and the label decide on the day.
 * @param irrigated somebody waters the zone
 * @returns `null` outside the year
 */
export function readDay(
  year: LawnYear,
  zone: Zone,
  region: Region,
  date: LocalDate,
): DayReading | null {
  const index = daysBetween(year.start, date);
  const airHighF = year.soil2.airHighF[index];
  const airLowF = year.soil2.airLowF[index];
  if (index < 0 || airHighF === undefined || airLowF === undefined) return null;
  const soilF = year.soil2.meanF[index] ?? null;
  const before = year.soil2.meanF[Math.max(0, index - READING.trendDays)] ?? null;
  const rising = soilF !== null && before !== null && soilF >= before;
  const deficit = year.deficitIn[index] ?? 0;
  const dry = deficit > year.zone.readilyIn && zone.site.irrigated !== true;
  const growth = year.growth[index] ?? 0;
  const soil = soilF ?? READING.growingSoilF;
  const say = (
    work: DayWork,
    may: boolean,
    rule: string,
    inputs: Record<string, number> = {},
  ): DayVerdict => ({ work, may, rule, inputs });
  const frozen = soil <= READING.frozenF;
  const cool = year.season === 'cool';

  const preEmergent = (): DayVerdict => {
    const [from, to] = READING.preEmergentF;
    if (frozen) return say('pre-emergent', false, 'day-frozen', { soilF: soil });
    if (!rising) return say('pre-emergent', false, 'day-soil-falling', { soilF: soil });
    if (soil < from) return say('pre-emergent', false, 'day-soil-early', { soilF: soil, from });
    if (soil >= to) return say('pre-emergent', false, 'day-soil-late', { soilF: soil, to });
    return say('pre-emergent', true, 'day-pre-open', { soilF: soil, from, to });
  };
  const postEmergent = (): DayVerdict => {
    if (airHighF >= READING.tooHotF && dry) {
      return say('post-emergent', false, 'day-hot-dry', { airHighF });
    }
    if (dry) return say('post-emergent', false, 'day-dry', { deficitIn: deficit });
    if (airHighF < READING.coldAirF || soil < READING.growingSoilF) {
      return say('post-emergent', false, 'day-cold', { airHighF, soilF: soil });
    }
    if (airHighF > READING.hotF) return say('post-emergent', true, 'day-hot-light', { airHighF });
    return say('post-emergent', true, 'day-post-open', { airHighF });
  };
  const feed = (): DayVerdict => {
    if (frozen) return say('feed', false, 'day-frozen', { soilF: soil });
    if (growth < READING.growing) return say('feed', false, 'day-asleep', { growth: growth * 100 });
    if (cool && airHighF >= READING.hotF && zone.site.irrigated !== true) {
      return say('feed', false, 'day-feed-hot', { airHighF });
    }
    if (dry) return say('feed', false, 'day-dry', { deficitIn: deficit });
    return say('feed', true, 'day-feed-open', { growth: growth * 100 });
  };
  const seed = (): DayVerdict => {
    const main = mainGrass(zone);
    const entry = main && grass(main).seed;
    if (!entry) return say('seed', false, 'day-no-seed');
    const { min, optimum, max } = entry.soilF;
    if (soil < min) return say('seed', false, 'day-seed-cold', { soilF: soil, from: min });
    if (soil > max) return say('seed', false, 'day-seed-hot', { soilF: soil, to: max });
    const frost = Date.parse(`${date.slice(0, 4)}-${frostDates[region].first}`);
    const weeks = Math.floor((frost - Date.parse(date)) / (7 * 86_400_000));
    if (!rising && weeks < FROST_WEEKS) return say('seed', false, 'day-seed-frost', { weeks });
    return soil < optimum[0]
      ? say('seed', true, 'day-seed-slow', { soilF: soil })
      : say('seed', true, 'day-seed-open', { soilF: soil });
  };
  const traffic = (): DayVerdict => {
    if (frozen || airLowF <= 28) return say('traffic', false, 'day-traffic-frost', { airLowF });
    const rain = year.rainIn[index] ?? 0;
    if (rain >= 0.5) return say('traffic', false, 'day-traffic-wet', { rainIn: rain });
    return say('traffic', true, 'day-traffic-open');
  };
  return {
    date,
    measured: index < year.measuredDays,
    soilF,
    soilLowF: year.soil2.lowF[index] ?? null,
    soilHighF: year.soil2.highF[index] ?? null,
    airHighF,
    airLowF,
    rainIn: year.rainIn[index] ?? 0,
    deficitIn: deficit,
    growth,
    verdicts: [preEmergent(), postEmergent(), feed(), seed(), traffic()],
  };
}

/** Weeks that seedlings want before the first hard frost. */
const FROST_WEEKS = 6;
