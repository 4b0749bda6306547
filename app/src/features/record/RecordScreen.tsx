import { applicationsOf, causesOf, type ApplicationRecord, type Step } from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSession } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { useLawnSeason } from '@/features/season/useLawnSeason';
import { keptFrom, useDraftStore } from '@/state/draftStore';
import { Button, Empty, Failed, Loading, Screen, Words } from '@/ui';
import { Findings } from './Findings';
import { otherKey, pickKey, recordKey, type Job } from './job';
import type { RecordSource } from './recordDraft';
import { OtherJob } from './OtherJob';
import { RecordForm } from './RecordForm';

function jobOf(step: Step): Job | null {
  const application = applicationsOf(step)[0];
  if (!application) return null;
  const protect = step.kind === 'protect' ? step : null;
  const weeds = step.kind === 'prevent' || step.kind === 'control' ? step : null;
  const carrier = (weeds ?? protect)?.carrierGalPer1000 ?? null;
  return {
    key: step.id,
    stepId: step.id,
    zoneId: step.zoneId,
    areaFt2: step.areaFt2,
    materials: application.materials,
    targets: weeds ? weeds.control.map(({ weed }) => weed) : protect ? causesOf(protect) : [],
    spray: carrier !== null,
    carrierGal: carrier === null ? null : (step.areaFt2 / 1000) * carrier,
  };
}

/** Name of the route that records work outside the season. */
const OTHER = 'other';

/** Writes down what was really done; the checker speaks, and refuses nothing. */
export function RecordScreen({ lawnId, stepId }: { lawnId: string; stepId: string }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const session = useSession().data;
  const { question, view, error, retry } = useLawnSeason(lawnId);
  const [kept, setKept] = useState<ApplicationRecord | null>(null);
  const key = stepId === OTHER ? otherKey(lawnId) : stepId;
  // The work that was opened, or begun, stays as it is though the season no longer asks for it: once it is kept it does not.
  const [opened, setOpened] = useState<Job | null>(
    () => keptFrom<RecordSource>(recordKey({ key }))?.job ?? null,
  );
  const back = `/lawns/${lawnId}${stepId === OTHER ? '' : '/season'}`;
  if (kept) return <Kept record={kept} lawnId={lawnId} />;
  const step = opened ? undefined : view?.season.steps.find(({ id }) => id === stepId);
  const found = step ? jobOf(step) : null;
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
      question={question}
      view={view}
      job={job}
      applicator={session}
      onKept={(record) => {
        if (stepId === OTHER) useDraftStore.getState().drop(pickKey(lawnId));
        setKept(record);
      }}
      onDiscarded={() => setOpened(null)}
    />
  );
}

function Kept({ record, lawnId }: { record: ApplicationRecord; lawnId: string }) {
  const { t } = useTranslation();
  const router = useRouter();
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
        {t(record.findings.length === 0 ? 'record.savedClean' : 'record.savedFlagged')}
      </Words>
      <Findings findings={record.findings} />
    </Screen>
  );
}
