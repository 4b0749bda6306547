import type { ApplicationRecord, LocalDate, User } from '@alfombra/core';
import { judgeRecord, momentOf } from '@alfombra/core/judging';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { usePutRecord } from '@/api/putRecord';
import { useSamples } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { keptFrom } from '@/state/draftStore';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Failed, Screen, Title } from '@/ui';
import type { SeasonQuestion, SeasonView } from '@/workers/seasonView';
import { Findings } from './Findings';
import { killsTurf, recordKey, type Job } from './job';
import { AmountsCard, KillCard, PaceCard, WeatherCard, WhenCard, WhoCard } from './RecordCards';
import {
  judgedDraft,
  recordDraft,
  recordFormSchema,
  recordOf,
  type Judged,
  type RecordSource,
} from './recordDraft';

/** What was really put down, by whom and in what weather; filled in as planned. */
export function RecordForm({
  question,
  view,
  job,
  applicator,
  onKept,
  onDiscarded,
}: {
  question: SeasonQuestion;
  view: SeasonView;
  job: Job;
  applicator: User;
  onKept: (record: ApplicationRecord) => void;
  onDiscarded: () => void;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const { lawn, company, weather } = question;
  const zone = lawn.zones.find(({ id }) => id === job.zoneId);
  const putRecord = usePutRecord(lawn, company);
  const key = recordKey(job);
  // A record that is half typed is of what it was begun with, whatever the plan says by now.
  const [source] = useState((): RecordSource => {
    const begun = keptFrom<RecordSource>(key);
    if (begun) return begun;
    const today = weather.days[weather.days.length - 1];
    return {
      recordId: uuid(),
      job,
      lawnId: lawn.id,
      today: company.today,
      applicatorId: applicator.id,
      airF: today?.tmaxF ?? 70,
      windMph: today?.windMph ?? 5,
    };
  });
  // What it is judged by is of today, however long ago it was begun: the last day allowed, who has a license.
  const now = {
    ...source,
    today: company.today,
    members: company.members,
    momentOn: (date: LocalDate) => momentOf(date, weather, view.soil[job.zoneId]),
  };
  const { form, unsaved, done, discard } = useDraftForm({
    key,
    source,
    make: recordDraft,
    schema: recordFormSchema(now),
  });
  const { control } = form;
  const judged = judgedDraft(useWatch({ control }) as ReturnType<typeof recordDraft>, now);
  const preview = useVerdict(judged, question, job, source.recordId);
  const save = form.handleSubmit((read) =>
    putRecord.mutate(
      { id: source.recordId, body: recordOf(read, now) },
      {
        onSuccess: (record) => {
          done();
          onKept(record);
        },
      },
    ),
  );
  return (
    <Screen
      title={t('record.title')}
      subject={lawn.name}
      lead={`${lawn.name} · ${zone?.name ?? ''}`}
      back={`/lawns/${lawn.id}/season`}
      footer={
        <>
          {putRecord.error ? (
            <Failed message={`${words(putRecord.error)} ${t('common.kept')}`} />
          ) : null}
          <DraftNote
            unsaved={unsaved}
            form={form}
            onDiscard={() => {
              discard();
              onDiscarded();
            }}
          />
          <Button
            label={t('record.save')}
            onPress={() => void save()}
            busy={putRecord.isPending ? t('common.loading') : null}
            testID="keep-record"
            wide
          />
        </>
      }
    >
      <AmountsCard control={control} job={job} />
      {killsTurf(job) ? <KillCard control={control} /> : null}
      <WhenCard control={control} today={company.today} />
      <WeatherCard control={control} />
      {job.spray ? <PaceCard control={control} /> : null}
      <WhoCard control={control} members={company.members} />
      {preview.length > 0 ? (
        <View className="gap-2">
          <Title>{t('record.preview')}</Title>
          <Findings findings={preview} />
        </View>
      ) : null}
    </Screen>
  );
}

/** What the checker will say of the record as it stands. */
function useVerdict(judged: Judged | null, question: SeasonQuestion, job: Job, recordId: string) {
  const { lawn, company, records } = question;
  const samples = useSamples(lawn.id).data ?? [];
  if (!judged) return [];
  return judgeRecord(
    { ...judged, id: recordId, zoneId: job.zoneId },
    lawn,
    records,
    company.policy,
    samples,
  );
}
