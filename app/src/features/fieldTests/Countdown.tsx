import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button, Words } from '@/ui';

const clock = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;

/** A clock for a wait within a test; it goes on counting by the clock, whatever the tab does. */
export function Countdown({ seconds }: { seconds: number }) {
  const { t } = useTranslation();
  const [endsAt, setEndsAt] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const running = endsAt !== null && now < endsAt;
  useEffect(() => {
    if (!running) return;
    const tick = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(tick);
  }, [running]);
  const done = endsAt !== null && !running;
  useEffect(() => {
    if (done) navigator.vibrate?.([300, 150, 300]);
  }, [done]);
  if (running) {
    return (
      <Button
        kind="plain"
        label={`${clock(Math.ceil((endsAt - now) / 1000))} · ${t('fieldUi.stop')}`}
        onPress={() => setEndsAt(null)}
      />
    );
  }
  return (
    <>
      <Button
        kind="plain"
        label={t('fieldUi.start', { time: clock(seconds) })}
        onPress={() => {
          const at = Date.now();
          setNow(at);
          setEndsAt(at + seconds * 1000);
        }}
      />
      {done ? (
        <Words weight="bold" tone="good" role="status">
          {t('fieldUi.done')}
        </Words>
      ) : null}
    </>
  );
}
