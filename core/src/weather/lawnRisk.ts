import { cause, grass, snowCover, type GrassSlug, type Region } from '../knowledge';
import {
  brownPatchModel,
  chinchWeather,
  crabgrassDegreeDays,
  dollarSpotModel,
  grayLeafSpotModel,
  insectDegreeDays,
  pythiumModel,
  sightingDays,
  snowMoldWeather,
  soilRiskWindows,
} from '../knowledge/riskModels';
import type { Source } from '../knowledge';
import { addDays, daysBetween, monthInWindow, monthOf, type LocalDate } from '../units';
import { meanAir, type DailyWeather } from './dailyWeather';
import {
  armywormGenerationDays,
  brownPatchIndex,
  crabgrassDay,
  dampnessOf,
  degreeDay,
  dollarSpotProbability,
  grayLeafSpotClass,
  pythiumWarns,
} from './riskModels';

export type RiskClass = 'low' | 'watch' | 'warn';
/** What a risk model looks out for. */
export const RISK_PROBLEMS = [
  'dollar-spot',
  'brown-patch',
  'pythium-blight',
  'large-patch',
  'spring-dead-spot',
  'gray-leaf-spot',
  'snow-mold-pink',
  'crabgrass',
  'white-grub',
  'chinch-bug',
  'armyworm',
  'sod-webworm',
  'billbug',
] as const;
export type RiskProblem = (typeof RISK_PROBLEMS)[number];

export interface RiskDay {
  date: LocalDate;
  /** What the model says in its own unit; `null` where it does not run. */
  value: number | null;
  class: RiskClass;
}

export interface Risk {
  problem: RiskProblem;
  /** Today and the days of the forecast. */
  days: RiskDay[];
  /** The worst of them. */
  worst: RiskClass;
  /** Susceptibility digit of the stand, 0-3: the highest of its grasses; 3 for weeds. */
  host: number;
  /** Confirmed lately on a lawn of the same station. */
  sighted: boolean;
  source: Source;
}

export interface RiskInput {
  region: Region;
  today: LocalDate;
  /** Measured days of the year up to today, then the forecast, without gaps. */
  days: readonly DailyWeather[];
  stand: readonly { species: GrassSlug; cover: number }[];
  /** Daily mean soil at 2 in, °F, from `soilStart` on; `null` where it is not known. */
  soilStart: LocalDate;
  soilF: readonly (number | null)[];
  /** Problems that somebody confirmed on a lawn of the same station, and when. */
  sightings?: readonly { problem: string; on: LocalDate }[];
}

/** A grass below this share of the stand does not make a lawn a host. */
const HOST_COVER = 0.1;
/** Days over which the soil's direction is read. */
const TREND_DAYS = 10;
/** From this month on a falling soil is the fall's. */
const FALL_FROM_MONTH = 8;
interface SoilWindow {
  watch: readonly [number, number];
  warn?: readonly [number, number];
}
const TO_C = 5 / 9;
const CLASSES: readonly RiskClass[] = ['low', 'watch', 'warn'];
const rank: Record<RiskClass, number> = { low: 0, watch: 1, warn: 2 };

type Judge = (index: number) => Omit<RiskDay, 'date'>;

const low = (value: number | null = null): Omit<RiskDay, 'date'> => ({ value, class: 'low' });
const graded = (value: number, watchAt: number, warnAt: number): Omit<RiskDay, 'date'> => ({
  value,
  class: value >= warnAt ? 'warn' : value >= watchAt ? 'watch' : 'low',
});

/**
 * Risk of today and of each day of the forecast, problem by problem, for the problems that the
 * lawn's grasses can have. A model never diagnoses: it says when to look. Problems whose window a
 * model does not know (armyworm, webworm) never rise above `watch` on the weather alone.
 */
export function lawnRisk(input: RiskInput): Risk[] {
  const { days, region, today } = input;
  const start = days[0]!.date;
  const first = daysBetween(start, today);
  const window = (index: number, count: number) =>
    days.slice(Math.max(0, index - count + 1), index + 1);
  const mean = (values: readonly number[]) =>
    values.reduce((sum, value) => sum + value, 0) / values.length;
  const monthDay = (index: number) => days[index]!.date.slice(5);
  const sumSince = (from: string, index: number, of: (day: DailyWeather) => number) =>
    monthDay(index) < from
      ? 0
      : days
          .slice(0, index + 1)
          .filter(({ date }) => date.slice(5) >= from)
          .reduce((sum, day) => sum + of(day), 0);
  const soilAt = (index: number): number | null =>
    input.soilF[daysBetween(input.soilStart, addDays(start, index))] ?? null;
  const soilWindow =
    (problem: 'large-patch' | 'spring-dead-spot'): Judge =>
    (index) => {
      const now = soilAt(index);
      const before = soilAt(index - TREND_DAYS);
      if (now === null || before === null) return low(now);
      // A cold week of spring is no fall, nor a warm one of fall a spring.
      const fall = monthOf(days[index]!.date) >= FALL_FROM_MONTH;
      const windows: { falling: SoilWindow; rising?: SoilWindow } = soilRiskWindows[problem];
      const side =
        fall && now < before ? windows.falling : !fall && now > before ? windows.rising : undefined;
      const within = (bounds: readonly [number, number] | undefined) =>
        bounds !== undefined && now >= bounds[0] && now <= bounds[1];
      return {
        value: now,
        class: within(side?.warn) ? 'warn' : within(side?.watch) ? 'watch' : 'low',
      };
    };
  const inSeason =
    (slug: string, value: (index: number) => number | null): Judge =>
    (index) => {
      const months = cause(slug)?.months[region] ?? null;
      const open = months !== null && monthInWindow(monthOf(days[index]!.date), months);
      return { value: value(index), class: open ? 'watch' : 'low' };
    };

  const judges: Record<RiskProblem, { judge: Judge; source: Source }> = {
    'dollar-spot': {
      source: dollarSpotModel.source,
      judge: (index) => {
        const five = window(index, dollarSpotModel.meanDays);
        if (five.some(({ rhPct }) => rhPct === undefined)) return low();
        const p = dollarSpotProbability(
          (mean(five.map(meanAir)) - 32) * TO_C,
          mean(five.map(({ rhPct }) => rhPct as number)),
        );
        return p === null ? low() : graded(p, dollarSpotModel.watchAt, dollarSpotModel.warnAt);
      },
    },
    'brown-patch': {
      source: brownPatchModel.source,
      judge: (index) => {
        const { rhPct, tminF } = days[index]!;
        if (rhPct === undefined) return low();
        const lowC = (tminF - 32) * TO_C;
        const value = brownPatchIndex(rhPct, lowC);
        return lowC < brownPatchModel.leastLowC
          ? low(value)
          : graded(value, brownPatchModel.watchAt, brownPatchModel.warnAt);
      },
    },
    'pythium-blight': {
      source: pythiumModel.source,
      judge: (index) => {
        const day = days[index]!;
        const hours = dampnessOf(day)?.warmHumidHours ?? null;
        if (hours === null) return low();
        const hot = day.tmaxF > pythiumModel.dayAboveF && day.tminF >= pythiumModel.nightFromF;
        return {
          value: hours,
          class: pythiumWarns(day.tmaxF, day.tminF, hours)
            ? 'warn'
            : hot && hours >= pythiumModel.watchHours
              ? 'watch'
              : 'low',
        };
      },
    },
    'large-patch': { source: soilRiskWindows.source, judge: soilWindow('large-patch') },
    'spring-dead-spot': { source: soilRiskWindows.source, judge: soilWindow('spring-dead-spot') },
    'gray-leaf-spot': {
      source: grayLeafSpotModel.source,
      judge: (index) => {
        const nights = window(index, grayLeafSpotModel.nights).map(dampnessOf);
        if (nights.some((night) => night === null)) return low();
        const main = [...input.stand].sort((a, b) => b.cover - a.cover)[0]?.species;
        const sum = nights.reduce(
          (total, night) => total + grayLeafSpotClass(night!.wetHours, night!.wetMeanF ?? 0),
          0,
        );
        const factor = main === 'st-augustine' ? grayLeafSpotModel.stAugustineFactor : 1;
        return graded(sum * factor, grayLeafSpotModel.watchAt, grayLeafSpotModel.warnAt);
      },
    },
    'snow-mold-pink': {
      source: snowMoldWeather.source,
      judge: (index) => {
        const ten = window(index, snowMoldWeather.days);
        const wet = ten.filter(({ rainIn }) => rainIn >= snowMoldWeather.wetDayIn).length;
        const air = mean(ten.map(meanAir));
        const cool = air >= snowMoldWeather.meanF[0] && air <= snowMoldWeather.meanF[1];
        // Under lasting snow it grows whatever the air does; it shows when the snow goes.
        const under = days
          .slice(0, index + 1)
          .filter(({ snowIn }) => snowIn !== undefined && snowIn >= snowCover.coverIn).length;
        const thawed = monthOf(days[index]!.date) <= snowMoldWeather.untilMonth;
        if (thawed && under >= snowCover.shortDays) {
          return graded(under, snowCover.shortDays, snowCover.longDays);
        }
        return cool
          ? graded(wet, snowMoldWeather.watchWetDays, snowMoldWeather.warnWetDays)
          : low(wet);
      },
    },
    crabgrass: {
      source: crabgrassDegreeDays.source,
      judge: (index) => {
        const sum = sumSince(crabgrassDegreeDays.from[region], index, (day) =>
          crabgrassDay(day.tmaxF, day.tminF),
        );
        const { first: begins, last } = crabgrassDegreeDays;
        return {
          value: sum,
          class:
            sum < begins / 2 || sum > 2 * last
              ? 'low'
              : sum < begins || sum > last
                ? 'watch'
                : 'warn',
        };
      },
    },
    'white-grub': {
      source: insectDegreeDays.source,
      judge: (index) => {
        const { from, flight, damageMonths } = insectDegreeDays.grub;
        const sum = sumSince(from, index, (day) => degreeDay(day.tmaxF, day.tminF));
        const month = monthOf(days[index]!.date);
        const damage = sum > flight[1]! && month >= damageMonths[0]! && month <= damageMonths[1]!;
        return {
          value: sum,
          class: damage ? 'warn' : sum >= flight[0]! && month <= damageMonths[1]! ? 'watch' : 'low',
        };
      },
    },
    'chinch-bug': {
      source: chinchWeather.source,
      judge: (index) =>
        graded(
          mean(window(index, chinchWeather.meanDays).map(meanAir)),
          chinchWeather.watchF,
          chinchWeather.warnF,
        ),
    },
    armyworm: {
      source: { kind: 'memory' },
      judge: inSeason('armyworm', (index) =>
        armywormGenerationDays((mean(window(index, 7).map(meanAir)) - 32) * TO_C),
      ),
    },
    'sod-webworm': { source: { kind: 'memory' }, judge: inSeason('sod-webworm', () => null) },
    billbug: {
      source: insectDegreeDays.source,
      judge: (index) => {
        const { from, adults, larvae } = insectDegreeDays.billbug;
        const sum = sumSince(from, index, (day) => degreeDay(day.tmaxF, day.tminF));
        const inside = ([a, b]: readonly number[]) => sum >= a! && sum <= b!;
        return {
          value: sum,
          class:
            inside(adults) || inside(larvae)
              ? 'warn'
              : sum > adults[1]! && sum < larvae[0]!
                ? 'watch'
                : 'low',
        };
      },
    },
  };

  return RISK_PROBLEMS.flatMap((problem): Risk[] => {
    const host = problem === 'crabgrass' ? 3 : hostOf(problem, input.stand);
    if (host === 0) return [];
    const { judge, source } = judges[problem];
    const sighted = (input.sightings ?? []).some(
      (seen) => seen.problem === problem && daysBetween(seen.on, today) <= sightingDays,
    );
    const judged = days.slice(first).map((day, offset): RiskDay => {
      const made = judge(first + offset);
      const raised = sighted ? raisedBy(made.class) : made.class;
      return { date: day.date, ...made, class: forHost(raised, host) };
    });
    const worst = judged.reduce<RiskClass>(
      (most, day) => (rank[day.class] > rank[most] ? day.class : most),
      'low',
    );
    return [{ problem, days: judged, worst, host, sighted, source }];
  }).sort((a, b) => rank[b.worst] - rank[a.worst] || b.host - a.host);
}

const raisedBy = (made: RiskClass): RiskClass => CLASSES[Math.min(2, rank[made] + 1)]!;
/** A grass that hardly takes it is looked at, not warned of. */
const forHost = (raised: RiskClass, host: number): RiskClass =>
  host === 1 && raised === 'warn' ? 'watch' : raised;

/** What of a risk puts lawns in order. */
export type RiskMark = Pick<Risk, 'problem' | 'worst' | 'host' | 'sighted'>;

/** A risk that was worked out without knowing what colleagues saw, once that is known. */
export function withSightings(
  { problem, worst, host }: Omit<RiskMark, 'sighted'>,
  sightings: readonly { problem: string; on: LocalDate }[],
  today: LocalDate,
): RiskMark {
  const sighted = sightings.some(
    (seen) => seen.problem === problem && daysBetween(seen.on, today) <= sightingDays,
  );
  return { problem, host, sighted, worst: sighted ? forHost(raisedBy(worst), host) : worst };
}

/** Susceptibility of a stand: the highest digit among grasses that count. */
function hostOf(slug: string, stand: RiskInput['stand']): number {
  const entry = cause(slug);
  if (!entry) return 0;
  const digits = stand
    .filter(({ cover }) => cover >= HOST_COVER)
    .map(({ species }) => grass(species).diagnosisHost)
    .map((host) => (host === null ? 0 : entry.host[host]));
  return Math.max(0, ...digits);
}
