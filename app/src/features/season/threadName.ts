import type { Thread } from '@alfombra/core/planning';
import type { TFunction } from 'i18next';
import { needName } from './decisions';

/** Of one thread: its words, and under them its knots. */
const THREAD_HEIGHT = 50;
export const CURVE_HEIGHT = 150;
/** Top of a thread of a strip, px. */
export const threadTop = (index: number) => CURVE_HEIGHT + 24 + index * THREAD_HEIGHT;
/** Top of a thread's knots below its own, px. */
export const KNOT_BELOW = 20;
export const KNOT = 24;
/** Names that are written out; of more, how many. */
const NAMED = 2;

/** What a thread is about, in words. */
export function threadName(t: TFunction, { kind, needIds, subjects }: Thread): string {
  if (kind === 'feed') return t('threads.feed');
  const names = [...new Set(needIds.map((id) => needName(t, id)))];
  const named = names.slice(0, NAMED).join(', ');
  const more = subjects.length - NAMED;
  return t(`threads.${kind}`, {
    what: more > 0 ? t('threads.more', { named, count: more }) : named,
  });
}

/** Threads of some zones: with what is done there, and without those of which nothing is. */
export const threadsIn = (threads: readonly Thread[], zoneIds: ReadonlySet<string>): Thread[] =>
  threads.flatMap((thread) => {
    const knots = thread.knots.filter((knot) => knot.zoneIds.some((id) => zoneIds.has(id)));
    return knots.length === 0 ? [] : [{ ...thread, knots }];
  });
