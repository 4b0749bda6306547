import { applicationRules, heatRule } from '../knowledge';
import { standSeason, type Zone } from '../lawn';
import type { LocalDate } from '../units';
import type { DailyWeather } from '../weather';

/** What heat holds, the least of it first. */
export const HEAT_HOLDS = ['spray', 'feed', 'traffic'] as const;
export type HeatHold = (typeof HEAT_HOLDS)[number];

/** Days ahead that are too hot for something. */
export interface HeatAhead {
  hold: HeatHold;
  /** °F at which it is held. */
  lineF: number;
  days: LocalDate[];
  /** Hottest of them, °F. */
  highF: number;
}

/**
 * What the heat of today and of the forecast holds on a lawn: sprays on any turf, nitrogen and feet on cool-season turf,
 * which sleeps or scalds where warm-season turf thrives.
 * @param days today and the days that are forecast
 */
export function heatAhead(
  zones: readonly Pick<Zone, 'stand' | 'desired'>[],
  days: readonly Pick<DailyWeather, 'date' | 'tmaxF'>[],
): HeatAhead[] {
  const cool = zones.some((zone) => standSeason(zone) === 'cool');
  const lines: Record<HeatHold, number | null> = {
    spray: applicationRules.lightRateAboveF,
    feed: cool ? heatRule.hotF : null,
    traffic: cool ? heatRule.scaldF : null,
  };
  return HEAT_HOLDS.flatMap((hold): HeatAhead[] => {
    const lineF = lines[hold];
    if (lineF === null) return [];
    // A spray is light above its line, the others are held on theirs.
    const hot = days.filter(({ tmaxF }) => (hold === 'spray' ? tmaxF > lineF : tmaxF >= lineF));
    if (hot.length === 0) return [];
    return [
      {
        hold,
        lineF,
        days: hot.map(({ date }) => date),
        highF: Math.max(...hot.map(({ tmaxF }) => tmaxF)),
      },
    ];
  });
}
