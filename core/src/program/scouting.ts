import type { Region } from '../knowledge';
import { zoneArea, type Zone } from '../lawn';
import { daysBetween, yearOf, type LocalDate } from '../units';
import type { SoilSeason, WeatherBundle } from '../weather';
import {
  lawnRisk,
  RISK_PROBLEMS,
  type RiskMark,
  type Risk,
  type RiskClass,
  type RiskProblem,
} from '../weather/lawnRisk';
import { sightingDays } from '../knowledge/riskModels';

/** How long what a colleague confirmed is a warning. */
export const SIGHTING_DAYS = sightingDays;

/** A problem that somebody confirmed, where a risk model looks out for it. */
export interface Sighting {
  problem: RiskProblem;
  on: LocalDate;
}

/** Decisions of visits as sightings: what was confirmed within the days that count, the latest first. */
export function sightingsOf(
  decided: readonly { cause: string; on: LocalDate }[],
  today: LocalDate,
): Sighting[] {
  const latest = new Map<RiskProblem, LocalDate>();
  for (const { cause, on } of decided) {
    const problem = RISK_PROBLEMS.find((slug) => slug === cause);
    const ago = daysBetween(on, today);
    if (!problem || ago < 0 || ago > sightingDays) continue;
    const known = latest.get(problem);
    if (!known || on > known) latest.set(problem, on);
  }
  return [...latest]
    .map(([problem, on]) => ({ problem, on }))
    .sort((a, b) => (a.on < b.on ? 1 : -1));
}

/** Risk of a whole lawn: grasses of all its zones by area, the soil of its largest zone. */
export function riskOfLawn(
  lawn: { today: LocalDate; region: Region; zones: readonly Zone[] },
  weather: WeatherBundle,
  soil: ReadonlyMap<string, SoilSeason>,
  sightings: readonly Sighting[],
): Risk[] {
  const bySize = [...lawn.zones].sort((a, b) => zoneArea(b) - zoneArea(a));
  const main = bySize[0] && soil.get(bySize[0].id);
  if (!main) return [];
  const total = bySize.reduce((sum, zone) => sum + zoneArea(zone), 0);
  return lawnRisk({
    region: lawn.region,
    today: lawn.today,
    days: [...weather.days, ...weather.forecast],
    stand: bySize.flatMap((zone) =>
      zone.stand.map(({ species, cover }) => ({
        species,
        cover: (cover * zoneArea(zone)) / Math.max(1, total),
      })),
    ),
    soilStart: main.start,
    soilF: main.meanF,
    sightings,
  });
}

export type ScoutReason = 'sighted' | 'last-year' | 'unprotected' | 'showpiece';

export interface ScoutAlert {
  problem: RiskProblem;
  class: RiskClass;
  /** Why this lawn before others, besides the weather. */
  reasons: ScoutReason[];
  score: number;
}

/** Weights by which lawns are put in order; chosen by us. */
const WEIGHT = {
  watch: 1,
  warn: 2,
  host: 0.5,
  sighted: 1,
  lastYear: 1.5,
  unprotected: 0.5,
  covered: -1.5,
  showpiece: 0.5,
} as const;
/** From this score on a lawn is worth the drive. */
const ALERT_FROM = 3;

/**
 * What to look for on a lawn this week: risk by grass, what was found here in earlier years, what
 * colleagues saw nearby and how the lawn is kept. The most pressing first.
 * @param earlier causes that were confirmed here, with their day
 */
export function scoutAlerts(
  risks: readonly RiskMark[],
  lawn: {
    today: LocalDate;
    upkeep: string;
    earlier: readonly { cause: string; on: LocalDate }[];
    /** What was done against each problem, of the zone with the least. */
    protection?: Readonly<Record<string, 'covered' | 'lapsed'>>;
  },
): ScoutAlert[] {
  return risks
    .flatMap((risk): ScoutAlert[] => {
      if (risk.worst === 'low') return [];
      const lastYear = lawn.earlier.some(
        ({ cause, on }) => cause === risk.problem && yearOf(on) < yearOf(lawn.today),
      );
      const showpiece = lawn.upkeep === 'showpiece';
      const protection = lawn.protection?.[risk.problem];
      const score =
        WEIGHT[risk.worst] +
        WEIGHT.host * (risk.host - 1) +
        (risk.sighted ? WEIGHT.sighted : 0) +
        (lastYear ? WEIGHT.lastYear : 0) +
        (protection === 'lapsed' ? WEIGHT.unprotected : 0) +
        (protection === 'covered' ? WEIGHT.covered : 0) +
        (showpiece ? WEIGHT.showpiece : 0);
      if (score < ALERT_FROM) return [];
      return [
        {
          problem: risk.problem,
          class: risk.worst,
          reasons: [
            ...(risk.sighted ? ['sighted' as const] : []),
            ...(lastYear ? ['last-year' as const] : []),
            ...(protection === 'lapsed' ? ['unprotected' as const] : []),
            ...(showpiece ? ['showpiece' as const] : []),
          ],
          score,
        },
      ];
    })
    .sort((a, b) => b.score - a.score);
}
