import type { Lawn, LocalDate, WorkStep } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { Findings } from '@/features/record/Findings';
import { Button, Card, Failed, shortDay, Title, Words } from '@/ui';
import type { DayWords } from '@/workers/askSeason';
import type { Trial } from '@/workers/seasonSession';
import { withDay } from './decisions';
import { stepName } from './stepName';

/** A job that is tried on another day: what the judge says of it, what else moves, and whether it stays there. */
export function TrialCard({
  step,
  date,
  words: said,
  laid,
  busy,
  failed,
  lawn,
  today,
  onDone,
}: {
  step: WorkStep;
  date: LocalDate;
  /** By day; of a day that is not there nobody has said anything. */
  words: DayWords | undefined;
  laid: Trial | null;
  busy: boolean;
  /** Why nobody could say. */
  failed: Error | null;
  lawn: Lawn;
  today: LocalDate;
  onDone: () => void;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const { opens, closes } = step.window;
  const findings = said?.[date];
  const keep = () => {
    const decisions = withDay(lawn.decisions, today, step, date);
    putLawn.mutate({ ...lawn, decisions }, { onSuccess: onDone });
  };
  return (
    <Card tone="caution" testID="trial">
      <Title>{stepName(t, step)}</Title>
      <Words weight="semi" tabular>
        {t('threads.instead', { from: shortDay(step.window.best), to: shortDay(date) })}
      </Words>
      <View aria-live="polite" className="gap-2">
        {date < opens || date > closes ? (
          <Words weight="semi" tone="stop">
            {t('threads.outside', { from: shortDay(opens), to: shortDay(closes) })}
          </Words>
        ) : null}
        {failed ? (
          <Failed message={failed.message} />
        ) : findings === undefined ? (
          <Words tone="second">{t(said ? 'threads.tooFar' : 'threads.asking')}</Words>
        ) : findings.length === 0 ? (
          <Words tone="second">{t('threads.nothingAgainst')}</Words>
        ) : (
          <Findings findings={findings} />
        )}
        {failed ? null : busy || !laid ? (
          <Words tone="second">{t('threads.laying')}</Words>
        ) : laid.moved.length === 0 ? (
          <Words tone="second">{t('threads.nothingMoves')}</Words>
        ) : (
          laid.moved.map(({ step: other, from, to }) => (
            <Words key={other.id} tabular>
              {`${stepName(t, other)}: ${
                from === null
                  ? t('threads.comes', { to: shortDay(to!) })
                  : to === null
                    ? t('threads.goes', { from: shortDay(from) })
                    : t('threads.fromTo', { from: shortDay(from), to: shortDay(to) })
              }`}
            </Words>
          ))
        )}
      </View>
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      <View className="max-w-[480px] flex-row gap-2">
        <View className="flex-1">
          <Button label={t('threads.keep')} onPress={keep} wide />
        </View>
        <View className="flex-1">
          <Button kind="plain" label={t('threads.back')} onPress={onDone} wide />
        </View>
      </View>
    </Card>
  );
}
