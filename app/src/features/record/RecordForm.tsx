import { rainAfter, type ApplicationRecord, type LocalDate, type User } from '@alfombra/core';
import { judgeRecord, momentOf } from '@alfombra/core/judging';
import { useState, type ReactNode } from 'react';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v5 as uuidOf, v7 as uuid } from 'uuid';
import { usePutRecords } from '@/api/putRecord';
import { useSamples } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { keptFrom } from '@/state/draftStore';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Failed, Screen, Title, typedNumber } from '@/ui';
import type { SeasonQuestion, SeasonView } from '@/workers/seasonView';
import { clockOf, kerbNoteOf, openedAt, useKerbStore } from '@/state/kerbStore';
import { EffectCard } from './EffectCard';
import { Findings } from './Findings';
import { killsTurf, recordKey, type Job } from './job';
import { namesOfZones, saidOf } from './zoneNames';
import { AmountsCard, KillCard, PaceCard, WeatherCard, WhenCard, WhoCard } from './RecordCards';
import {
  doubtsOf,
  judgedDraft,
  recordDraft,
  recordFormSchema,
  recordsOf,
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
  zones,
}: {
  question: SeasonQuestion;
  view: SeasonView;
  job: Job;
  applicator: User;
  onKept: (records: readonly ApplicationRecord[]) => void;
  onDiscarded: () => void;
  /** Zones of the job to take out or in again. */
  zones?: ReactNode;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const { lawn, company, weather } = question;
  const putRecords = usePutRecords(lawn, company);
  const key = recordKey(job);
  // A record that is half typed is of what it was begun with, whatever the plan says by now.
  const [source] = useState((): RecordSource => {
    const begun = keptFrom<RecordSource>(key);
    if (begun) return begun;
    const today = weather.days[weather.days.length - 1];
    const { note, opened } = useKerbStore.getState();
    const at = Date.now();
    const kerb = kerbNoteOf(note, lawn.id, at);
    const start = openedAt(opened, job.key, at);
    return {
      recordId: uuid(),
      job,
      lawnId: lawn.id,
      today: company.today,
      applicatorId: applicator.id,
      airF: today?.tmaxF ?? 70,
      windMph: typedNumber(kerb.wind) ?? today?.windMph ?? 5,
      windFrom: kerb.windFrom,
      // Work begins when its card is opened, and ends when it is written down.
      start,
      end: start === '' ? '' : clockOf(at),
      bloom: kerb.seen.bloom ?? null,
    };
  });
  // What it is judged by is of today, however long ago it was begun: the last day allowed, who has a license.
  const now = {
    ...source,
    today: company.today,
    members: company.members,
    momentOn: (date: LocalDate, zoneId: string) => momentOf(date, weather, view.soil[zoneId]),
  };
  const { form, unsaved, done, discard } = useDraftForm({
    key,
    source,
    make: recordDraft,
    schema: recordFormSchema(now),
  });
  const { control } = form;
  const judged = judgedDraft(useWatch({ control }) as ReturnType<typeof recordDraft>, now);
  const preview = useVerdict(judged, question);
  const day = judged[0]?.judged.date;
  const rainIn = day ? rainAfter(weather.days, day) : null;
  const doubts = doubtsOf(judged, job, rainIn);
  const save = form.handleSubmit((read) =>
    putRecords.mutate(
      // An answer to what is asked no more is none.
      recordsOf(
        doubts.length > 0 ? read : { ...read, effect: undefined },
        now,
        source.recordId,
      ).map((body, index) => ({
        // Saving again after a fault writes the same records.
        id:
          index === 0 ? source.recordId : uuidOf(`${body.zoneId} ${body.stepId}`, source.recordId),
        body,
      })),
      {
        onSuccess: (records) => {
          done();
          onKept(records);
        },
      },
    ),
  );
  return (
    <Screen
      title={t('record.title')}
      subject={lawn.name}
      lead={`${lawn.name} · ${namesOfZones(lawn, job.lines)}`}
      back={`/lawns/${lawn.id}/season`}
      footer={
        <>
          {putRecords.error ? (
            <Failed message={`${words(putRecords.error)} ${t('common.kept')}`} />
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
            busy={putRecords.isPending ? t('common.loading') : null}
            testID="keep-record"
            wide
          />
        </>
      }
    >
      {zones}
      <AmountsCard control={control} job={job} />
      <EffectCard control={control} doubts={doubts} rainIn={rainIn} />
      {killsTurf(job) ? <KillCard control={control} /> : null}
      <WhenCard control={control} today={company.today} />
      <WeatherCard control={control} spray={job.spray} />
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

/** What the checker will say of the work as it stands, in each of its zones. */
function useVerdict(judged: ReturnType<typeof judgedDraft>, question: SeasonQuestion) {
  const { lawn, company, records } = question;
  const samples = useSamples(lawn.id).data ?? [];
  return saidOf(
    judged.map(({ line: { zoneId }, judged: one }) =>
      judgeRecord({ ...one, id: zoneId, zoneId }, lawn, records, company.policy, samples),
    ),
  );
}
