import CloudOff from 'lucide-react-native/icons/cloud-off';
import CloudUpload from 'lucide-react-native/icons/cloud-upload';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { lazy, Suspense, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable } from 'react-native';
import { useDoubtedDay } from '@/api/workingDay';
import { useOutboxStore } from '@/state/sync/outboxStore';
import { isSetAside } from '@/state/sync/pendingWrite';
import { nearlyFull } from '@/state/sync/storageRoom';
import { longDay, Words } from '@/ui';

/** Its sheet comes when it is opened: the strip stands on every page. */
const SyncSheet = lazy(async () => ({ default: (await import('./SyncSheet')).SyncSheet }));

/** A line at the top while something waits, needs a choice, or the device is nearly full. */
export function SyncStrip() {
  const { t } = useTranslation();
  const { writes, line, sending, storage } = useOutboxStore();
  const [open, setOpen] = useState(false);
  const held = writes.filter((write) => write.state !== 'waiting' || isSetAside(write)).length;
  const waiting = writes.length - held;
  const full = storage !== null && nearlyFull(storage);
  const doubted = useDoubtedDay();
  if (writes.length === 0 && line !== 'down' && !full && !doubted) return null;
  const urgent = held > 0 || full || doubted !== null;
  const Icon = urgent ? TriangleAlert : line === 'down' ? CloudOff : CloudUpload;
  const words = [
    held > 0 ? t('sync.held', { count: held }) : null,
    waiting > 0 ? t('sync.waiting', { count: waiting }) : null,
    line === 'down' ? t('sync.noLine') : sending && waiting > 0 ? t('sync.sending') : null,
    full ? t('sync.full') : null,
    doubted ? t('sync.doubted', { day: longDay(doubted) }) : null,
  ].filter(Boolean);
  return (
    <>
      <Pressable
        role="button"
        onPress={() => setOpen(true)}
        testID="sync-strip"
        className={`min-h-[48px] flex-row items-center gap-2 px-4 ${urgent ? 'bg-stop-tint' : 'bg-caution-tint'}`}
      >
        <Icon size={20} color="var(--ink)" />
        <Words size="note" weight="semi" className="flex-1" role="status">
          {words.join(' · ')}
        </Words>
      </Pressable>
      {open ? (
        <Suspense>
          <SyncSheet open onClose={() => setOpen(false)} />
        </Suspense>
      ) : null}
    </>
  );
}
