import {
  needOfWork,
  subjectOfWork,
  type Lawn,
  type LawnRevision,
  type LocalDate,
} from '@alfombra/core';
import type { TFunction } from 'i18next';
import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { useRevisions } from '@/api/queries';
import { useSeenStore } from '@/state/seenStore';
import { Button, Card, shortDay, Title, Words } from '@/ui';
import { needName, zoneOf } from './decisions';

type Move = LawnRevision['moves'][number];

/** How a move went: days, another product, another amount. */
function how(t: TFunction, { from, to, products, amount }: Move): string {
  const days =
    from === null
      ? t('threads.comes', { to: shortDay(to!) })
      : to === null
        ? t('threads.goes', { from: shortDay(from) })
        : from === to
          ? null
          : t('threads.fromTo', { from: shortDay(from), to: shortDay(to) });
  const names = products?.map((slug) =>
    t([`herbicide.${slug}`, `treatment.${slug}`, `fertilizer.${slug}`, `grass.${slug}`]),
  );
  return [
    days,
    names ? t('moved.product', { products: names.join(', ') }) : null,
    amount ? t('moved.amount') : null,
  ]
    .filter(Boolean)
    .join(', ');
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
  zoneIds,
  today,
}: {
  lawn: Lawn;
  zoneIds: ReadonlySet<string>;
  today: LocalDate;
}) {
  const { t } = useTranslation();
  const { seen, see } = useSeenStore();
  const { data } = useRevisions(lawn.id, { version: lawn.version, today });
  const last = seen[lawn.id];
  const newest = data ? (data[0]?.id ?? 0) : null;
  // Who looks for the first time has missed nothing.
  useEffect(() => {
    if (last === undefined && newest !== null) see(lawn.id, newest);
  }, [last, newest, lawn.id, see]);
  const news = last === undefined ? [] : (data ?? []).filter(({ id }) => id > last);
  const moves = movesOf(news, zoneIds);
  if (moves.length === 0 || newest === null) return null;
  return (
    <Card tone="caution" testID="moved">
      <Title>{t('moved.title')}</Title>
      {moves.map((move) => (
        <Words key={move.works.join()}>
          <Words weight="bold">
            {t('moved.row', { what: nameOf(t, move), how: how(t, move) })}
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
  `${t(`kind.${kind}`)} ${needName(t, needOfWork(works[0] ?? '')).toLowerCase()}`;
