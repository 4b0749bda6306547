import type { Lawn, LocalDate, ReportBody, Visit, VisitReport } from '@alfombra/core';
import { useState } from 'react';
import { useFieldArray, useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { usePhotos, usePutReport } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import {
  Button,
  Card,
  Failed,
  FormChoices,
  FormField,
  FormPicker,
  fullDay,
  Screen,
  Title,
  Words,
} from '@/ui';
import { questionWords } from './questionWords';
import { assumptionsOf, GRADES, reportDraft, reportFormSchema } from './reportDraft';
import { ReportLinks } from './ReportLinks';

/** The report of a visit, put together from what was found, then shared by a private link. */
export function ComposeReport({
  lawn,
  visit,
  visits,
  reports,
  today,
  language: preferred,
  back,
}: {
  lawn: Lawn;
  visit: Visit | null;
  visits: readonly Visit[];
  reports: readonly VisitReport[];
  today: LocalDate;
  language: 'en' | 'es';
  back: string;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const put = usePutReport(lawn.id);
  const photos = usePhotos(lawn.id).data ?? [];
  const day = visit?.date ?? today;
  // What was found when the report was begun; a line that is put right stays as it was put.
  const [source] = useState(() =>
    reportDraft({ lawn, visits, visit, today, language: preferred, t }),
  );
  const { form, unsaved, done, discard } = useDraftForm({
    key: `visit-report:${visit?.id ?? lawn.id}`,
    source,
    make: (begun) => begun,
    schema: reportFormSchema(today),
  });
  const { control } = form;
  const findings = useFieldArray({ control, name: 'findings', keyName: 'key' });
  const language = useWatch({ control, name: 'language' });
  const assumptions = assumptionsOf(lawn, t, language);
  const open = lawn.questions.filter(({ answer }) => !answer);
  const share = form.handleSubmit((read) => {
    const body: ReportBody = {
      ...read,
      lawnId: lawn.id,
      date: day,
      visitId: visit?.id ?? null,
      findings: read.findings.filter(({ words: text }) => text !== ''),
      assumptions,
      questionIds: open.map(({ id }) => id),
      photoIds: photos.filter(({ date }) => date === day).map(({ id }) => id),
      revokedOn: null,
    };
    put.mutate({ id: uuid(), body }, { onSuccess: done });
  });
  return (
    <Screen
      title={t('share.title')}
      subject={lawn.name}
      lead={`${lawn.name} · ${fullDay(day)}`}
      back={back}
      footer={
        <>
          {put.error ? <Failed message={words(put.error)} /> : null}
          {put.isSuccess ? (
            <Words role="status" weight="semi" tone="good">
              {t('share.made')}
            </Words>
          ) : (
            <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
          )}
          <Button
            kind={put.isSuccess ? 'plain' : 'main'}
            label={t(put.isSuccess ? 'share.makeAgain' : 'share.make')}
            onPress={() => void share()}
            busy={put.isPending ? t('common.loading') : null}
            testID="make-report"
            wide
          />
        </>
      }
    >
      <ReportLinks reports={reports} today={today} lawnId={lawn.id} />
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-[3]">
          <Card>
            <Title>{t('report.findings')}</Title>
            {findings.fields.map(({ key }, index) => (
              <View key={key} className="gap-2 border-b-2 border-line pb-3">
                <FormChoices
                  control={control}
                  name={`findings.${index}.grade`}
                  label={t('share.gradeLabel')}
                  options={GRADES}
                  nameOf={(grade: (typeof GRADES)[number]) => t(`share.grade.${grade}`)}
                />
                <FormField
                  control={control}
                  name={`findings.${index}.words`}
                  label={t('share.inWords')}
                  multiline
                />
                <Button
                  kind="quiet"
                  label={t('share.leaveOut')}
                  onPress={() => findings.remove(index)}
                />
              </View>
            ))}
            <Button
              kind="plain"
              label={t('share.addFinding')}
              onPress={() => findings.append({ id: uuid(), grade: 'easy', words: '' })}
              testID="add-finding"
            />
          </Card>
          <Card>
            <FormField control={control} name="note" label={t('visit.found')} multiline />
            <FormField control={control} name="promised" label={t('visit.promised')} multiline />
          </Card>
        </View>
        <View className="gap-4 lg:flex-[2]">
          <Card>
            <Title>{t('share.how')}</Title>
            <FormChoices
              control={control}
              name="language"
              label={t('property.languageLabel')}
              options={['en', 'es'] as const}
              nameOf={(option: 'en' | 'es') => t(`property.language.${option}`)}
            />
            <FormPicker
              control={control}
              name="expiresOn"
              type="date"
              label={t('share.expires')}
              min={today}
            />
          </Card>
          <Card>
            <Title>{t('report.assumptions')}</Title>
            {assumptions.length === 0 ? (
              <Words tone="second">{t('share.noAssumptions')}</Words>
            ) : null}
            {assumptions.map((text) => (
              <Words key={text}>{`– ${text}`}</Words>
            ))}
          </Card>
          <Card>
            <Title>{t('report.questions')}</Title>
            {open.length === 0 ? <Words tone="second">{t('visit.noQuestions')}</Words> : null}
            {open.map((question) => (
              <Words
                key={question.id}
              >{`– ${questionWords(t, question.subject, lawn.zones)}`}</Words>
            ))}
          </Card>
        </View>
      </View>
    </Screen>
  );
}
