import {
  needOfWork,
  subjectOfWork,
  type Lawn,
  type LawnRevision,
  type LocalDate,
  type Season,
  type Shelf,
} from '@alfombra/core';
import type { TFunction } from 'i18next';
import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { useRevisions } from '@/api/queries';
import { useSeenStore } from '@/state/seenStore';
import { useProducts } from '@/features/shelf/useProducts';
import { Button, Card, dayNear, Title, Words } from '@/ui';
import { needIdOf, needName, zoneOf } from './decisions';
import { materialName } from './productWords';
import { verbOf } from './stepName';

type Move = LawnRevision['moves'][number];

/** How a move went: days, another product, another amount. */
function how(
  t: TFunction,
  { from, to, products, amount }: Move,
  today: LocalDate,
  shelf: Shelf,
): string {
  const day = (date: LocalDate) => dayNear(date, today);
  const days =
    from === null
      ? t('threads.comes', { to: day(to!) })
      : to === null
        ? t('threads.goes', { from: day(from) })
        : from === to
          ? null
          : t('threads.fromTo', { from: day(from), to: day(to) });
  const names = products?.map((product) => materialName(t, product, shelf));
  return [
    days,
    names ? t('moved.product', { products: names.join(', ') }) : null,
    amount ? t('moved.amount') : null,
  ]
    .filter(Boolean)
    .join(', ');
}

/** What somebody said about a need is told beside it already; that its work then moves is no news. */
const saidOf = ({ decisions, looks }: Lawn): ReadonlySet<string> =>
  new Set([
    ...Object.values(decisions).map(needIdOf),
    ...Object.values(looks).map(({ needId }) => needId),
  ]);
const SAID: ReadonlySet<string> = new Set(['decisions', 'looks']);

/** Moves that are so now, of what nobody has just decided: the phone may know more than the server did. */
export function newsOf(moves: readonly Move[], lawn: Lawn, steps: Season['steps']): Move[] {
  const said = saidOf(lawn);
  const lies = new Map(
    steps.flatMap(({ serves, window }) => serves.map((work) => [work, window.best] as const)),
  );
  return moves.filter(
    ({ works, to, cause }) =>
      works.every((work) => (lies.get(work) ?? null) === to) &&
      !(SAID.has(cause) && works.every((work) => said.has(needOfWork(work)))),
  );
}

/**
 * Changes as one: each piece of work from where it lay first to where it lies now, with what moved it last; without
 * what lies where it lay. Of several zones alike it is told once.
 * @param revisions the newest first
 */
export function movesOf(revisions: readonly LawnRevision[], zoneIds: ReadonlySet<string>): Move[] {
  const byWork = new Map<string, Move>();
  for (const move of revisions.toReversed().flatMap((revision) => revision.moves)) {
    for (const work of move.works) {
      if (!zoneIds.has(zoneOf(needOfWork(work)))) continue;
      const { from } = byWork.get(work) ?? move;
      byWork.set(work, { ...move, works: [work], from });
    }
  }
  const told = new Map<string, Move>();
  for (const [work, { works: _works, ...move }] of byWork) {
    if (move.from === move.to && !move.products && !move.amount) continue;
    const key = JSON.stringify([subjectOfWork(work), move]);
    told.set(key, { ...move, works: [...(told.get(key)?.works ?? []), work] });
  }
  return [...told.values()];
}

/** What moved in the plan since somebody last looked, each with what moved it; nothing where nothing did. */
export function MovedCard({
  lawn,
  steps,
  zoneIds,
  today,
}: {
  lawn: Lawn;
  /** The season as it is worked out here. */
  steps: Season['steps'];
  zoneIds: ReadonlySet<string>;
  today: LocalDate;
}) {
  const { t } = useTranslation();
  const shelf = useProducts();
  const { seen, see } = useSeenStore();
  const { data } = useRevisions(lawn.id, { version: lawn.version, today });
  const last = seen[lawn.id];
  const newest = data ? (data[0]?.id ?? 0) : null;
  // Who looks for the first time has missed nothing.
  useEffect(() => {
    if (last === undefined && newest !== null) see(lawn.id, newest);
  }, [last, newest, lawn.id, see]);
  const news = last === undefined ? [] : (data ?? []).filter(({ id }) => id > last);
  const moves = newsOf(movesOf(news, zoneIds), lawn, steps);
  if (moves.length === 0 || newest === null) return null;
  return (
    <Card tone="caution" testID="moved">
      <Title>{t('moved.title')}</Title>
      {moves.map((move) => (
        <Words key={move.works.join()}>
          <Words weight="bold">
            {t('moved.row', { what: nameOf(t, move), how: how(t, move, today, shelf) })}
          </Words>{' '}
          {t('moved.because', { cause: t(`moved.cause.${move.cause}`) })}
        </Words>
      ))}
      <Button kind="plain" label={t('moved.seen')} onPress={() => see(lawn.id, newest)} />
    </Card>
  );
}

/** "Prevent crabgrass", "Feed fall". */
const nameOf = (t: TFunction, { kind, works }: Move): string =>
  `${verbOf(t, kind, works[0] ?? '')} ${needName(t, needOfWork(works[0] ?? '')).toLowerCase()}`;
