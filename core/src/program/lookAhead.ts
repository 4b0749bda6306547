import { applicationsOf } from '../courses/applicationsOf';
import { FALL_ROUND } from '../courses/fallRound';
import type { NitrogenYear, Season, Step } from '../courses/step';
import type { GrassSlug } from '../knowledge';
import type { Zone } from '../lawn';
import { needOfWork, type NeedKind } from '../needs/need';
import type { SeasonInput, SeasonRequest, ZoneFinding } from '../needs/seasonInput';
import type { Application } from '../rates';
import { daysBetween, localDate, yearOf, type LocalDate } from '../units';
import { usualWeather, type ProbeReading, type WeatherBundle } from '../weather';
import { lawnSeasonInput, type LawnSeason } from './lawnSeason';
import { planSeason } from './planSeason';

/** How far ahead a lawn's work is told, months. */
export const LOOK_AHEAD_MONTHS = 24;
/** From one look at the years ahead to the next, days at least: the season's own soil reaches further. */
const LEAST_APART_DAYS = 180;
/** Days of the year from which the years ahead are looked at: no window that recurs lies across the first. */
const LOOKED_FROM = ['01-02', '07-01'] as const;

/** What comes round every year whatever is found in between. */
const RECURS: ReadonlySet<NeedKind> = new Set(['prevent', 'protect', 'feed']);
const recurs = (need: string): boolean => {
  const [kind, subject] = need.split(':');
  return RECURS.has(kind as NeedKind) || subject === FALL_ROUND;
};

/** The same day, so many months on; the last of its month where that one is shorter. */
function monthsOn(date: LocalDate, months: number): LocalDate {
  const [year = 0, month = 0, day = 0] = date.split('-').map(Number);
  const last = new Date(Date.UTC(year, month + months, 0));
  const on = Math.min(day, last.getUTCDate());
  return localDate(`${last.toISOString().slice(0, 8)}${String(on).padStart(2, '0')}`);
}

/** Days from which the recurring work of the years ahead is planned. */
function lookedFrom(today: LocalDate, until: LocalDate): LocalDate[] {
  const days: LocalDate[] = [];
  let last = today;
  for (let year = yearOf(today); year <= yearOf(until); year += 1) {
    for (const monthDay of LOOKED_FROM) {
      const day = localDate(`${year}-${monthDay}`);
      if (daysBetween(last, day) < LEAST_APART_DAYS || day > until) continue;
      days.push(day);
      last = day;
    }
  }
  return days;
}

/** A stand that was seeded is taken for grown in by the next year. */
function grownIn(zone: Zone, sown: ReadonlyMap<string, GrassSlug>): Zone {
  const species = sown.get(zone.id);
  const bare = 1 - zone.stand.reduce((sum, { cover }) => sum + cover, 0);
  if (!species || bare <= 0) return zone;
  const own = zone.stand.find((entry) => entry.species === species);
  const others = zone.stand.filter((entry) => entry !== own);
  return {
    ...zone,
    project: 'keep',
    stand: [...others, { species, cover: (own?.cover ?? 0) + bare }],
  };
}

/** What is known of a zone a year on: the weeds that were there may come again, damage is behind it. */
const remembered = ({ zoneId, weeds, damages }: ZoneFinding): ZoneFinding => ({
  zoneId,
  weeds: weeds.map((finding) => ({ ...finding, growing: false })),
  unnamed: [],
  damages: damages
    .filter(({ protect }) => protect === 'prevent')
    .map(({ lookAgainOn: _asked, ...damage }) => damage),
});

/** What was planned, as work that was done on its day and did all of its work. */
const asDone = (step: Step): Application[] =>
  applicationsOf(step).map((application) => ({
    ...application,
    stepId: step.id,
    ...('control' in step ? { targets: step.control.map(({ weed }) => weed) } : {}),
  }));

/** A year's nitrogen with what is planned for it by two looks; what is on record stays what is on record. */
function joinedNitrogen(
  years: readonly NitrogenYear[],
  later: readonly NitrogenYear[],
): NitrogenYear[] {
  const keyOf = ({ zoneId, year }: NitrogenYear) => `${zoneId} ${year}`;
  const known = new Map(years.map((year) => [keyOf(year), year]));
  const joined = new Map(known);
  for (const year of later) {
    const recorded = known.get(keyOf(year))?.recordedLbPer1000 ?? 0;
    const whole = year.recordedLbPer1000 + year.plannedLbPer1000;
    joined.set(keyOf(year), {
      ...year,
      recordedLbPer1000: recorded,
      plannedLbPer1000: Math.max(0, whole - recorded),
    });
  }
  return [...joined.values()].sort((a, b) => a.year - b.year);
}

/** A season with the recurring work of a later look; what the season has already is not planned again. */
function withLater(season: Season, ahead: Season, from: LocalDate, until: LocalDate): Season {
  const known = new Set(season.needs.map(({ id }) => id));
  const served = new Set(season.steps.flatMap(({ serves }) => serves.map(needOfWork)));
  const sowings = season.steps.filter(({ kind }) => kind === 'seed');
  const steps = ahead.steps.flatMap((step): Step[] => {
    const { best } = step.window;
    if (best < from || best > until) return [];
    // Ground that is still to be sown then: what that leaves room for is looked at once it is.
    const beforeSeed = sowings.some(
      ({ zoneId, window }) => zoneId === step.zoneId && best <= window.best,
    );
    if (beforeSeed && step.kind !== 'feed' && step.kind !== 'protect') return [];
    const serves = step.serves.filter((work) => {
      const need = needOfWork(work);
      return recurs(need) && !served.has(need);
    });
    return serves.length > 0 ? [{ ...step, serves, state: 'upcoming' }] : [];
  });
  const needed = new Set(steps.flatMap(({ serves }) => serves.map(needOfWork)));
  return {
    ...season,
    needs: [...season.needs, ...ahead.needs.filter(({ id }) => !known.has(id) && needed.has(id))],
    steps: [...season.steps, ...steps],
    nitrogen: joinedNitrogen(
      season.nitrogen,
      // Of a year that is told to its end.
      ahead.nitrogen.filter(({ year }) => `${year}-12-31` <= until),
    ),
  };
}

/**
 * A lawn's season and, behind it, what comes round in the years ahead: pre-emergents, preventions and feedings, each
 * cycle a need of its own, in the weather that is usual there, after all that is planned before it was done.
 * @param until last day that is told; two years from today unless it is given
 */
export function lookAhead(
  request: SeasonRequest,
  weather: WeatherBundle,
  readings: readonly ProbeReading[],
  records: readonly Application[],
  history: ReadonlyMap<string, readonly string[]> = new Map(),
  until: LocalDate = monthsOn(request.today, LOOK_AHEAD_MONTHS),
): LawnSeason & { input: SeasonInput } {
  const input = lawnSeasonInput(request, weather, readings, records, history);
  let season = planSeason(input);
  for (const from of lookedFrom(request.today, until)) {
    const sown = new Map(
      season.steps.flatMap((step) =>
        step.kind === 'seed' ? [[step.zoneId, step.species] as const] : [],
      ),
    );
    const ahead = lawnSeasonInput(
      {
        ...request,
        today: from,
        zones: request.zones.map((zone) => grownIn(zone, sown)),
        findings: request.findings.map(remembered),
        looks: [],
        decisions: request.decisions.filter(({ kind }) => kind === 'not-here'),
      },
      usualWeather(weather, from),
      [],
      // Also what is planned for later than this look: it counts to sums, and keeps its intervals.
      [...records, ...season.steps.flatMap(asDone)],
      history,
    );
    season = withLater(season, planSeason(ahead), from, until);
  }
  return {
    input,
    season: {
      ...season,
      steps: [...season.steps].sort((a, b) => daysBetween(b.window.best, a.window.best)),
    },
    soil: input.soil,
  };
}
