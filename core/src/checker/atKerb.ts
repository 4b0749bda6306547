import type { Shelf } from '../products';
import type { Application } from '../rates';
import { checkApplication } from './checkApplication';
import { shelfIn, type CheckContext } from './checkContext';
import { readKey } from '../units';
import type { CheckFinding } from './finding';

/** One hour at the lawn, as forecast. */
export interface KerbHour {
  /** Hours from midnight of the first day. */
  index: number;
  hour: number;
  airF: number;
  windMph: number;
  rhPct: number;
  rainIn: number;
  /** Highest air of the hour's day, °F: a label's ceiling is about the day. */
  dayHighF: number;
}

/** What the technician sees on arriving; it counts for this hour and, where it lasts, for the day. */
export interface Seen {
  wilting?: boolean;
  leafWet?: boolean;
  saturated?: boolean;
  bloom?: boolean;
  windMph?: number;
}

/** A rule of the hour beside those of the product. */
export type KerbRule = 'dark' | 'inversion' | 'late-heat' | 'wilting';

export interface KerbReason {
  rule: KerbRule | CheckFinding['rule'];
  severity: CheckFinding['severity'];
  material: string | null;
  inputs: CheckFinding['inputs'];
  /** Of work over several zones, those that it is said of; left out: all of them. */
  zones?: string[];
}

export type KerbVerdict = 'go' | 'adjust' | 'hold';

export interface HourVerdict {
  index: number;
  hour: number;
  verdict: KerbVerdict;
  reasons: KerbReason[];
}

export interface KerbAnswer {
  hours: HourVerdict[];
  now: HourVerdict;
  /** First hour from now on that is a go; else the first to be adjusted for; `null`: neither. */
  next: HourVerdict | null;
}

const LIGHT_FROM = 6;
const LIGHT_TO = 20;
const CALM_MPH = 3;
/** Hours in which calm air lies still. */
const STILL_BEFORE = 8;
const STILL_FROM = 18;
const LATE_FROM = 14;
const HOT_F = 85;
/** A leaf is wet from this humidity on, or after rain of the last hours. */
const DEW_PCT = 92;
const WET_AFTER_RAIN_HOURS = 2;
const RAIN_HOUR_IN = 0.02;
const DAY = 24;
/** Words that hold at every hour alike: no other hour would be better for them. */
const NOT_OF_THE_HOUR: ReadonlySet<CheckFinding['rule']> = new Set([
  'label-unconfirmed',
  'read-the-label',
  'area-over-zone',
  'reentry',
  'well',
  'open-water',
  'root-zone',
  'young-turf',
  'turf-kill',
  'antagonism',
  'same-mode',
  'year-amount',
  'year-count',
  'interval',
  'nitrogen-gap',
]);

const isFoliar = (application: Application, shelf: Shelf): boolean =>
  application.materials.some(({ kind, slug }) => {
    const weed = kind === 'herbicide' ? shelf.herbicide(slug) : undefined;
    if (weed) return weed.postEmergent && !weed.preEmergent;
    return kind === 'treatment' && shelf.treatment(slug)?.waterInIn === 0;
  });

/**
 * Go, hold or adjust, hour by hour. Heat of the day, wind and rain come from the hours; what is seen
 * on the spot overrules the forecast, wind for this hour only, the rest for the day.
 * @param hours consecutive; @param now index of the present hour in them
 * @throws RangeError when the present hour is not among them
 */
export function atKerb(
  application: Application & { targets?: readonly string[] },
  context: CheckContext,
  hours: readonly KerbHour[],
  now: number,
  seen: Seen = {},
): KerbAnswer {
  const sprayed = application.materials.some(
    ({ kind }) => kind === 'herbicide' || kind === 'treatment',
  );
  const foliar = isFoliar(application, shelfIn(context));
  const judged = hours.map((hour, at): HourVerdict => {
    const sameDay = Math.floor(hour.index / DAY) === Math.floor(now / DAY);
    const isNow = hour.index === now;
    const windMph = isNow && seen.windMph !== undefined ? seen.windMph : hour.windMph;
    const ahead = hours.slice(at + 1).findIndex(({ rainIn }) => rainIn >= RAIN_HOUR_IN);
    const raining = hour.rainIn >= RAIN_HOUR_IN;
    const rained = hours
      .slice(Math.max(0, at - WET_AFTER_RAIN_HOURS), at + 1)
      .some(({ rainIn }) => rainIn >= RAIN_HOUR_IN);
    const leafWet =
      isNow && seen.leafWet !== undefined ? seen.leafWet : rained || hour.rhPct >= DEW_PCT;
    const rainSoonIn = hours.slice(at, at + DAY).reduce((sum, { rainIn }) => sum + rainIn, 0);
    const found = checkApplication(application, {
      ...context,
      airHighF: hour.dayHighF,
      windMph,
      leafWet,
      rainSoonIn,
      ...(raining ? { rainInHours: 0 } : ahead >= 0 ? { rainInHours: ahead + 1 } : {}),
      ...(sameDay && seen.saturated !== undefined ? { saturated: seen.saturated } : {}),
      ...(sameDay && seen.bloom !== undefined ? { bloom: seen.bloom } : {}),
      ...(sameDay && seen.wilting === true ? { drought: true } : {}),
    });
    const reasons: KerbReason[] = found.filter(
      ({ rule, severity }) => severity === 'exceeds' || !NOT_OF_THE_HOUR.has(rule),
    );
    const say = (
      rule: KerbRule,
      severity: KerbReason['severity'],
      inputs: KerbReason['inputs'] = {},
    ) => reasons.push({ rule, severity, material: null, inputs });
    if (hour.hour < LIGHT_FROM || hour.hour >= LIGHT_TO)
      say('dark', 'exceeds', { hour: hour.hour });
    if (sprayed && windMph < CALM_MPH && (hour.hour < STILL_BEFORE || hour.hour >= STILL_FROM)) {
      say('inversion', 'exceeds', { mph: windMph });
    }
    if (foliar && hour.hour >= LATE_FROM && hour.airF > HOT_F) {
      say('late-heat', 'exceeds', { airF: hour.airF });
    }
    if (foliar && sameDay && seen.wilting === true) say('wilting', 'exceeds');
    const verdict = reasons.some(({ severity }) => severity === 'exceeds')
      ? 'hold'
      : reasons.length > 0
        ? 'adjust'
        : 'go';
    return { index: hour.index, hour: hour.hour, verdict, reasons };
  });
  return answerOf(judged, now);
}

function answerOf(hours: HourVerdict[], now: number): KerbAnswer {
  const present = hours.find(({ index }) => index === now);
  if (!present) throw new RangeError('the present hour is not among the hours');
  const later = hours.filter(({ index }) => index >= now);
  return {
    hours,
    now: present,
    next:
      later.find(({ verdict }) => verdict === 'go') ??
      later.find(({ verdict }) => verdict === 'adjust') ??
      null,
  };
}

const WORSE: Readonly<Record<KerbVerdict, number>> = { go: 0, adjust: 1, hold: 2 };

/**
 * One answer for work over several zones: each hour is as good as it is for the worst of them, and says what any of them
 * says, with the zones that say it where not all do.
 * @param answers at least one, of the same hours
 */
export function kerbOfAll(answers: readonly { zone: string; answer: KerbAnswer }[]): KerbAnswer {
  const [first] = answers as [(typeof answers)[number]];
  const hours = first.answer.hours.map((hour, at): HourVerdict => {
    const all = answers.map(({ zone, answer }) => ({ zone, hour: answer.hours[at]! }));
    const said = new Map<string, { reason: KerbReason; zones: string[] }>();
    for (const { zone, hour: own } of all) {
      for (const reason of own.reasons) {
        const key = readKey(reason);
        const known = said.get(key);
        if (known) known.zones.push(zone);
        else said.set(key, { reason, zones: [zone] });
      }
    }
    return {
      ...hour,
      verdict: all
        .map(({ hour: own }) => own.verdict)
        .reduce((worst, own) => (WORSE[own] > WORSE[worst] ? own : worst)),
      reasons: [...said.values()].map(({ reason, zones }) =>
        zones.length === answers.length ? reason : { ...reason, zones },
      ),
    };
  });
  return answerOf(hours, first.answer.now.index);
}
