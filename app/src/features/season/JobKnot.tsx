import { addDays, daysBetween, type LocalDate } from '@alfombra/core';
import type { Knot } from '@alfombra/core/planning';
import { useRef, type PointerEvent as ReactPointerEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { fullDay, KnotGlyph, shortDay, Words } from '@/ui';
import { dayScale, PAD } from './curvePaths';
import { verbOf } from './stepName';
import { KNOT } from './threadName';

/** What a hand does with the knots of a strip. */
export interface KnotHand {
  /** The job that is open. */
  picked: string | null;
  /** A job that is tried on another day, and whether that day exceeds a limit. */
  trial: { jobId: string; date: LocalDate; exceeds: boolean } | null;
  today: LocalDate;
  onPick: (jobId: string) => void;
  onTry: (jobId: string, date: LocalDate) => void;
}

/** A finger that lies still trembles by so much, px. */
const STILL_PX = 5;
const TARGET = 44;
/** Days that a key moves a job by. */
const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  ArrowDown: -7,
  ArrowUp: 7,
};

/** A piece of work on its thread: pressed it opens, dragged (or moved by the arrow keys) it is tried on another day. */
export function JobKnot({
  knot,
  name,
  top,
  days,
  width,
  first,
  hand,
}: {
  knot: Knot;
  name: string;
  top: number;
  /** Of the year, and the width that they lie on, px. */
  days: number;
  width: number;
  first: LocalDate;
  hand?: KnotHand;
}) {
  const { t } = useTranslation();
  const from = useRef<{ x: number; moved: boolean } | null>(null);
  const movable = hand !== undefined && knot.state !== 'done' && knot.kind !== 'look-again';
  const tried = hand?.trial?.jobId === knot.id ? hand.trial : null;
  const date = tried?.date ?? knot.date;
  const x = dayScale(days, width)(daysBetween(first, date));
  const glyph = (
    <View
      className={`rounded-lg border-2 ${hand?.picked === knot.id ? 'border-ink' : 'border-transparent'} ${knot.state === 'done' ? 'opacity-50' : ''} ${knot.state === 'offer' ? 'border-dashed border-thread' : ''}`}
    >
      <KnotGlyph kind={knot.kind} size={KNOT} />
    </View>
  );
  const place = {
    left: x - TARGET / 2,
    top: top - (TARGET - KNOT) / 2,
    width: TARGET,
    height: TARGET,
  };
  if (!hand || !movable) {
    return (
      <View
        aria-hidden
        className="pointer-events-none absolute items-center justify-center"
        style={place}
      >
        {glyph}
      </View>
    );
  }
  const least = Math.max(0, daysBetween(first, hand.today));
  const tryOn = (index: number) =>
    hand.onTry(knot.id, addDays(first, Math.max(least, Math.min(days, index))));
  const handlers = {
    onPointerDown: (event: ReactPointerEvent) => {
      from.current = { x: event.clientX, moved: false };
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove: (event: ReactPointerEvent) => {
      const start = from.current;
      if (!start) return;
      if (!start.moved && Math.abs(event.clientX - start.x) < STILL_PX) return;
      start.moved = true;
      const box = event.currentTarget.parentElement?.getBoundingClientRect();
      if (!box) return;
      const share = (event.clientX - box.left - PAD) / Math.max(1, box.width - 2 * PAD);
      tryOn(Math.round(share * days));
    },
    onPointerUp: () => {
      if (from.current && !from.current.moved) hand.onPick(knot.id);
      from.current = null;
    },
    onPointerCancel: () => (from.current = null),
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      const move = STEPS[event.key];
      if (move !== undefined) tryOn(daysBetween(first, date) + move);
      else if (event.key === 'Enter' || event.key === ' ') hand.onPick(knot.id);
      else return;
      event.preventDefault();
    },
    tabIndex: 0 as const,
  };
  return (
    <View
      role="slider"
      aria-label={t('threads.knot', { kind: verbOf(t, knot.kind, knot.need), name })}
      aria-valuemin={least}
      aria-valuemax={days}
      aria-valuenow={daysBetween(first, date)}
      aria-valuetext={fullDay(date)}
      className="absolute select-none items-center justify-center"
      style={[place, { touchAction: 'pan-y', cursor: 'ew-resize' } as object]}
      {...(handlers as object)}
    >
      {tried ? (
        <View
          aria-hidden
          className={`pointer-events-none absolute bottom-full rounded-lg border-2 px-2 py-0.5 ${tried.exceeds ? 'border-stop bg-stop-tint' : 'border-ink bg-raised'}`}
        >
          <Words
            size="note"
            weight="bold"
            tone={tried.exceeds ? 'stop' : 'ink'}
            tabular
            numberOfLines={1}
          >
            {shortDay(date)}
          </Words>
        </View>
      ) : null}
      {glyph}
    </View>
  );
}
