import type { LocalDate } from '../units';
import type { Reason } from './reason';

/** What a place needs. */
export const NEED_KINDS = [
  'control',
  'prevent',
  'cure',
  'protect',
  'feed',
  'fill',
  'repair',
  'renovate',
  'find',
] as const;
export type NeedKind = (typeof NEED_KINDS)[number];

/** How far a need has come. `waiting`: for a day, a look or an answer; `partly`: what could be done is done. */
export const NEED_STATES = [
  'open',
  'planned',
  'underWay',
  'waiting',
  'met',
  'partly',
  'failed',
  'givenUp',
] as const;
export type NeedState = (typeof NEED_STATES)[number];

/** One patch, one zone, or the whole lawn. */
export type Place = { lawn: true } | { zoneId: string; patchId?: string };

/** Why a place needs something, and who it is: the same over re-plans, reloads and devices. */
export interface NeedIdentity {
  kind: NeedKind;
  /** A weed, a group of weeds, a cause, a feeding of the year, or what is to be found out. */
  subject: string;
  place: Place;
  /** The year that a finding was first seen in; of what comes back, the year of its best day. */
  cycle: string;
}

const placeWord = (place: Place): string =>
  'lawn' in place
    ? 'lawn'
    : place.patchId === undefined
      ? place.zoneId
      : `${place.zoneId}.${place.patchId}`;

/** Identifier of a need, made of what it is. */
export const needId = ({ kind, subject, place, cycle }: NeedIdentity): string =>
  [kind, subject, placeWord(place), cycle].join(':');

/** Address of one piece of work that a need asks for: records, looks and pins are kept by it. */
export const workId = (need: string, step: string, round: number): string =>
  `${need}/${step}/${round}`;

/** The need that a piece of work is for. */
export const needOfWork = (work: string): string => work.slice(0, work.indexOf('/'));

/** Weed, cause or feeding that a piece of work is about. */
export const subjectOfWork = (work: string): string => work.split(':')[1] ?? '';

/** A need as the plan sees it on a day. */
export interface Need extends NeedIdentity {
  id: string;
  state: NeedState;
  /** The way that was taken; `null` while nothing was, or nothing can be. */
  course: string | null;
  /** Every way that is open to it. */
  ways: string[];
  /** Why it waits, or why it is given up. */
  reason?: Reason;
  /** Day on which something happens next. */
  next?: LocalDate;
}
