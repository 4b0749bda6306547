import type { ApplicationRecord } from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSession } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { useLawnSeason } from '@/features/season/useLawnSeason';
import { keptFrom, useDraftStore } from '@/state/draftStore';
import { Button, Empty, Failed, Loading, Screen, Words } from '@/ui';
import { Findings } from './Findings';
import { jobAt, jobOfSteps, otherKey, pickKey, recordKey, type Job } from './job';
import type { RecordSource } from './recordDraft';
import { OtherJob } from './OtherJob';
import { RecordForm } from './RecordForm';
import { saidOf } from './zoneNames';
import { ZonesCard } from './ZonesCard';

/** Name of the route that records work outside the season. */
const OTHER = 'other';

/** Writes down what was really done; the checker speaks, and refuses nothing. */
export function RecordScreen({
  lawnId,
  stepId,
  without: left,
}: {
  lawnId: string;
  stepId: string;
  /** Zones of the job that are left out. */
  without?: string | undefined;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const session = useSession().data;
  const { question, view, error, retry } = useLawnSeason(lawnId);
  const router = useRouter();
  const [kept, setKept] = useState<readonly ApplicationRecord[] | null>(null);
  const { without, lines, inside, ...named } = jobAt(view?.season.steps ?? [], stepId, left);
  const key = stepId === OTHER ? otherKey(lawnId) : named.key;
  // The work that was opened, or begun, stays as it is though the season no longer asks for it: once it is kept it does not.
  const [begun, setOpened] = useState<Job | null>(
    () => keptFrom<RecordSource>(recordKey({ key }))?.job ?? null,
  );
  const opened = begun?.key === key ? begun : null;
  const back = `/lawns/${lawnId}${stepId === OTHER ? '' : '/season'}`;
  if (kept) return <Kept records={kept} lawnId={lawnId} />;
  const found = opened || inside.length === 0 ? null : jobOfSteps(inside, key);
  if (found) setOpened(found);
  const job = opened ?? found;
  if (question && view && stepId === OTHER && !job) {
    return (
      <Screen
        title={t('record.otherTitle')}
        lead={question.lawn.name}
        subject={question.lawn.name}
        back={back}
      >
        <OtherJob lawn={question.lawn} onJob={setOpened} />
      </Screen>
    );
  }
  if (!question || !view || !job || !session) {
    return (
      <Screen title={t('record.title')} back={back}>
        {error ? (
          <Failed message={words(error)} onRetry={retry} />
        ) : view && session ? (
          <Empty title={t('season.empty')} />
        ) : (
          <Loading />
        )}
      </Screen>
    );
  }
  return (
    <RecordForm
      key={key}
      zones={
        <ZonesCard
          lawn={question.lawn}
          lines={lines}
          without={without}
          onChange={(next) => router.setParams({ without: next.join() })}
        />
      }
      question={question}
      view={view}
      job={job}
      applicator={session}
      onKept={(records) => {
        if (stepId === OTHER) useDraftStore.getState().drop(pickKey(lawnId));
        setKept(records);
      }}
      onDiscarded={() => setOpened(null)}
    />
  );
}

function Kept({ records, lawnId }: { records: readonly ApplicationRecord[]; lawnId: string }) {
  const { t } = useTranslation();
  const router = useRouter();
  const findings = saidOf(records.map((record) => record.findings));
  return (
    <Screen
      title={t('record.saved')}
      footer={
        <Button
          label={t('record.toLawn')}
          onPress={() => router.replace(`/lawns/${lawnId}`)}
          testID="to-lawn"
          wide
        />
      }
    >
      <Words size="lead" testID="record-kept">
        {t(findings.length === 0 ? 'record.savedClean' : 'record.savedFlagged')}
      </Words>
      <Findings findings={findings} />
    </Screen>
  );
}
