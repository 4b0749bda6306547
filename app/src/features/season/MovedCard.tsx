import {
  daysBetween,
  needOfWork,
  type Lawn,
  type LawnRevision,
  type LocalDate,
} from '@alfombra/core';
import type { TFunction } from 'i18next';
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

/** Days after which a change is no news to who has never looked. */
const NEWS_DAYS = 14;

/**
 * Changes as one: each piece of work from where it lay first to where it lies now, with what moved it last; without
 * what lies where it lay.
 * @param revisions the newest first
 */
export function movesOf(revisions: readonly LawnRevision[], zoneIds: ReadonlySet<string>): Move[] {
  const moves = new Map<string, Move>();
  for (const move of revisions.toReversed().flatMap((revision) => revision.moves)) {
    const works = move.works.filter((work) => zoneIds.has(zoneOf(needOfWork(work))));
    if (works.length === 0) continue;
    const key = works.join();
    const first = moves.get(key);
    moves.set(key, { ...move, works, from: first ? first.from : move.from });
  }
  return [...moves.values()].filter(
    ({ from, to, products, amount }) => from !== to || products !== undefined || amount === true,
  );
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
  const { data = [] } = useRevisions(lawn.id, { version: lawn.version, today });
  const last = seen[lawn.id];
  const news = data.filter(({ id, day }) =>
    last === undefined ? daysBetween(day, today) <= NEWS_DAYS : id > last,
  );
  const moves = movesOf(news, zoneIds);
  const newest = data[0];
  if (moves.length === 0 || !newest) return null;
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
      <Button kind="plain" label={t('moved.seen')} onPress={() => see(lawn.id, newest.id)} />
    </Card>
  );
}

/** "Prevent crabgrass", "Feed fall". */
const nameOf = (t: TFunction, { kind, works }: Move): string =>
  `${t(`kind.${kind}`)} ${needName(t, needOfWork(works[0] ?? '')).toLowerCase()}`;
