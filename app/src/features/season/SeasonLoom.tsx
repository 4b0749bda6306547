import { jobsOf, wholeJob, type LocalDate } from '@alfombra/core';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Words } from '@/ui';
import type { SeasonQuestion, SeasonView, SoilView } from '@/workers/seasonView';
import { SeasonStrip } from './SeasonStrip';
import { threadsIn } from './threadName';
import { TrialCard } from './TrialCard';
import { useDayWords, useTrialOf } from './useTrial';

/** The year's curve with its threads, on which a job is tried on another day; the jobs below it stay as they are meanwhile. */
export function SeasonLoom({
  question,
  soil,
  view,
  zoneIds,
  picked,
  onPick,
}: {
  question: SeasonQuestion;
  soil: SoilView;
  view: SeasonView;
  zoneIds: ReadonlySet<string>;
  /** The job that is open. */
  picked: string | null;
  onPick: (jobId: string) => void;
}) {
  const { t } = useTranslation();
  const [trial, setTrial] = useState<{ jobId: string; date: LocalDate } | null>(null);
  const { lawn } = question;
  const { today } = question.company;
  const season = { question, session: view.session };
  const { said: days, error: unsaid } = useDayWords(season, trial?.jobId ?? null);
  const { laid, busy, error: unlaid } = useTrialOf(season, trial);
  const tried = trial ? jobsOf(view.season.steps).find(({ id }) => id === trial.jobId) : undefined;
  const shown = [...zoneIds].join();
  // What is tried stays on the line on which it was taken up.
  const threads = useMemo(() => {
    const lines = new Map(view.threads.map(({ id }, index) => [id, index]));
    const at = (id: string) => lines.get(id) ?? lines.size;
    return threadsIn(
      [...(laid?.threads ?? view.threads)].sort((a, b) => at(a.id) - at(b.id)),
      new Set(shown.split(',')),
    );
  }, [laid, view.threads, shown]);
  return (
    <>
      <View>
        <SeasonStrip
          soil={soil}
          threads={threads}
          hand={{
            picked,
            trial: trial && {
              ...trial,
              exceeds: days?.[trial.date]?.some(({ severity }) => severity === 'exceeds') === true,
            },
            today,
            onPick,
            onTry: (jobId, date) => setTrial({ jobId, date }),
          }}
        />
        <Words size="note" tone="quiet">
          {t('threads.lead')}
        </Words>
      </View>
      {trial && tried ? (
        <TrialCard
          step={wholeJob(tried.lines)}
          date={trial.date}
          words={days}
          laid={laid}
          busy={busy}
          failed={unsaid ?? unlaid}
          lawn={lawn}
          today={today}
          onDone={() => setTrial(null)}
        />
      ) : null}
    </>
  );
}
