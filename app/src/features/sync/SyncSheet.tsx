import '@/i18n/syncWords';
import type { Json, MergeConflict } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawns } from '@/api/queries';
import { useOutboxStore } from '@/state/sync/outboxStore';
import { isSetAside, type PendingWrite } from '@/state/sync/pendingWrite';
import { discardWrite, retryWrite, sendNow, settleConflict } from '@/api/sync/sync';
import { Button, Card, Chip, percent, Sheet, Words } from '@/ui';

/** A list of customers is hundreds of writes; those behind show when these have gone. */
const MOST_SHOWN = 30;

/** Everything that has not reached the server, oldest first, and what each needs. */
export function SyncSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { t } = useTranslation();
  const { writes, others, line, sending, storage, takenAlong } = useOutboxStore();
  return (
    <Sheet open={open} title={t('syncSheet.title')} onClose={onClose}>
      <Words tone="second">
        {line === 'down'
          ? t('syncSheet.leadDown', { count: takenAlong })
          : line === 'signed-out'
            ? t('syncSheet.leadSignedOut')
            : t('syncSheet.lead')}
      </Words>
      {storage === null ? null : (
        <Words size="note" tone="second">
          {t('syncSheet.storage', { share: percent(storage.usage / storage.quota) })}
        </Words>
      )}
      {writes.slice(0, MOST_SHOWN).map((write) => (
        <Pending key={write.seq} write={write} />
      ))}
      {writes.length > MOST_SHOWN ? (
        <Words tone="second">{t('syncSheet.more', { count: writes.length - MOST_SHOWN })}</Words>
      ) : null}
      {others > 0 ? (
        <Words size="note" tone="second">
          {t('syncSheet.others', { count: others })}
        </Words>
      ) : null}
      <Button
        kind="plain"
        label={t('syncSheet.sendNow')}
        busy={sending ? t('syncSheet.sending') : null}
        onPress={() => void sendNow()}
      />
    </Sheet>
  );
}

function Pending({ write }: { write: PendingWrite }) {
  const { t } = useTranslation();
  const lawns = useLawns();
  const lawn = lawns.data?.find(({ id }) => id === (write.lawnId ?? write.id))?.name;
  const title = [t(`syncSheet.kind.${write.kind}`), lawn].filter(Boolean).join(' · ');
  if (write.state === 'conflict' && write.conflict) {
    return <Conflict write={write} title={title} conflicts={write.conflict.conflicts} />;
  }
  const aside = isSetAside(write);
  const held = aside || write.state === 'refused';
  return (
    <Card tone={held ? 'stop' : 'panel'}>
      <Words weight="semi">{title}</Words>
      {held ? (
        <>
          <Words tone="stop">
            {aside
              ? t('syncSheet.aside', { count: write.failures })
              : t('syncSheet.refused', {
                  why: [write.failure?.path.join(' › '), write.failure?.message]
                    .filter(Boolean)
                    .join(': '),
                })}
          </Words>
          <View className="flex-row gap-2">
            <Button
              kind="equal"
              label={t('common.retry')}
              onPress={() => void retryWrite(write.seq)}
            />
            <Button
              kind="equal"
              label={t('syncSheet.discard')}
              onPress={() => void discardWrite(write.seq)}
            />
          </View>
        </>
      ) : (
        <Words size="note" tone="second">
          {write.tried ? t('syncSheet.tried') : t('syncSheet.notTried')}
        </Words>
      )}
    </Card>
  );
}

/** Two devices changed the same: the technician chooses for each place. */
function Conflict({
  write,
  title,
  conflicts,
}: {
  write: PendingWrite;
  title: string;
  conflicts: readonly MergeConflict[];
}) {
  const { t } = useTranslation();
  const [choices, setChoices] = useState<Record<number, 'mine' | 'theirs'>>({});
  const all = conflicts.map((_, index) => choices[index]);
  return (
    <Card tone="stop" testID="conflict">
      <Words weight="bold">{title}</Words>
      <Words>{t('syncSheet.conflict', { count: conflicts.length })}</Words>
      {conflicts.map(({ path, mine, theirs }, index) => (
        <View key={path.join('/')} className="gap-2">
          <Words size="note" weight="semi" tone="second">
            {placeOf(path, write.body)}
          </Words>
          <View className="flex-row flex-wrap gap-2">
            {(['mine', 'theirs'] as const).map((side) => (
              <Chip
                key={side}
                label={t(`syncSheet.${side}`, {
                  value: shown(side === 'mine' ? mine : theirs, t('syncSheet.removed')),
                })}
                chosen={choices[index] === side}
                onPress={() => setChoices({ ...choices, [index]: side })}
              />
            ))}
          </View>
        </View>
      ))}
      <Button
        label={t('syncSheet.settle')}
        disabled={all.some((choice) => choice === undefined)}
        onPress={() => void settleConflict(write.seq, write.writeId, all as ('mine' | 'theirs')[])}
        testID="settle"
      />
    </Card>
  );
}

/** Path of a conflict with the names of things in place of their ids. */
function placeOf(path: readonly string[], body: Json): string {
  let at: Json | undefined = body;
  const words: string[] = [];
  for (const key of path) {
    if (Array.isArray(at)) {
      at = (at as { id?: string; name?: string; number?: number }[]).find(
        ({ id }) => id === key,
      ) as Json | undefined;
      const thing = at as { name?: string; number?: number; kind?: string } | undefined;
      words.push(String(thing?.name ?? thing?.number ?? thing?.kind ?? '·'));
    } else {
      at = (at as { [key: string]: Json } | undefined)?.[key];
      words.push(key);
    }
  }
  return words.join(' › ');
}

const MOST_LETTERS = 60;

function shown(value: Json | undefined, removed: string): string {
  if (value === undefined) return removed;
  const text = typeof value === 'string' ? value || '–' : JSON.stringify(value);
  return text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS)} …` : text;
}
