import { answerChoices, areaInterval, sharedReportSchema, type SharedReport } from '@alfombra/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { Image, Linking, ScrollView, View } from 'react-native';
import { z } from 'zod';
import { request } from '@/api/request';
import { useFailureWords } from '@/api/useFailureWords';
import { PlanPicture } from '@/features/plan/drawing/PlanPicture';
import { i18next } from '@/i18n';
import { localeFor } from '@/i18n/language';
import { useDraftForm } from '@/state/useDraftForm';
import {
  Button,
  Card,
  Chip,
  Failed,
  Field,
  Loading,
  number,
  Screen,
  Selvedge,
  Tag,
  Title,
  useArrival,
  Words,
} from '@/ui';
import { questionWords } from './questionWords';

const answerSchema = z.object({
  changes: z.array(
    z.object({
      fact: z.string(),
      zoneId: z.string().nullable(),
      after: z.string(),
    }),
  ),
});

/** The report as the customer sees it, in their language; their answers come back from here. */
export function SharedReportScreen({ token }: { token: string }) {
  const { t } = useTranslation();
  const report = useQuery({
    queryKey: ['shared', token],
    queryFn: () => request(sharedReportSchema, 'GET', `/api/shared/${token}`),
    retry: false,
    persister: undefined,
  });
  if (report.isPending) return <Loading />;
  if (!report.data) {
    return (
      <Screen title={t('report.gone')}>
        <Words tone="second">{t('report.goneLead')}</Words>
      </Screen>
    );
  }
  return <Page token={token} report={report.data} refresh={() => void report.refetch()} />;
}

const answersFormSchema = z.object({
  values: z.record(z.string(), z.string()),
  notes: z.record(z.string(), z.string()),
});
type Answers = z.infer<typeof answersFormSchema>;

function Page({
  token,
  report,
  refresh,
}: {
  token: string;
  report: SharedReport;
  refresh: () => void;
}) {
  const t = i18next.getFixedT(report.language);
  const words = useFailureWords();
  const heading = useArrival([t('report.title'), report.lawn.name], true);
  useEffect(() => {
    // A page of its own, in the customer's language whatever the device's is.
    document.documentElement.lang = report.language;
  }, [report.language]);
  const planWords = useMemo(
    () => ({
      area: (ft2: number) => `${number(ft2)} ft²`,
      feature: (kind: string) => t(`report.feature.${kind}`),
      length: (ft: number) => `${number(ft)} ft`,
    }),
    [t],
  );
  const asked = useMemo(
    () =>
      report.questions.flatMap(({ subject }) =>
        subject.kind === 'edge' ? [{ zoneId: subject.zoneId, edge: subject.edge }] : [],
      ),
    [report.questions],
  );
  const { form, done, discard } = useDraftForm({
    key: `answers:${token}`,
    source: token,
    make: (): Answers => ({ values: {}, notes: {} }),
    schema: answersFormSchema,
  });
  const { values, notes } = useWatch({ control: form.control }) as Answers;
  const setValue = (id: string, value: string) =>
    form.setValue('values', { ...values, [id]: value });
  const setNote = (id: string, note: string) => form.setValue('notes', { ...notes, [id]: note });
  const answers = Object.entries(values)
    .filter(([, value]) => value.trim() !== '')
    .map(([questionId, value]) => ({ questionId, value, note: notes[questionId] ?? '' }));
  const send = useMutation({
    mutationFn: () =>
      request(answerSchema, 'POST', `/api/shared/${token}/answers`, { body: { answers } }),
    onSuccess: () => {
      done();
      discard();
      refresh();
    },
  });
  const day = (date: string) =>
    new Date(`${date}T12:00:00`).toLocaleDateString(
      localeFor(report.language, navigator.languages),
      { dateStyle: 'long' },
    );
  const open = report.questions.some(({ answer }) => !answer);
  const zoneName = (id: string | null) =>
    report.lawn.zones.find((zone) => zone.id === id)?.name ?? '';
  const said = (value: string) =>
    t(`report.choice.${value === 'true' ? 'yes' : value === 'false' ? 'no' : value}`, {
      defaultValue: value,
    });
  return (
    <ScrollView className="flex-1 bg-ground" contentContainerClassName="items-center">
      <View className="w-full">
        <Selvedge />
      </View>
      <View
        role="main"

        className="w-full max-w-[720px] gap-4 p-4"
        testID="shared-report"
      >
        <Title ref={heading} level={1} tabIndex={-1} className="outline-none">
          {t('report.title')}
        </Title>
        <Words tone="second">
          {[
            t('report.of', { lawn: report.lawn.name, date: day(report.date) }),
            report.company,
            report.technician ? t('report.by', { technician: report.technician }) : null,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Words>
        {report.lawn.zones.length > 0 ? (
          <Card>
            <Title>{t('report.plan')}</Title>
            <PlanPicture
              content={report.lawn}
              words={planWords}
              label={t('report.plan')}
              asked={asked}
              height={280}
            />
            {report.lawn.zones.map((zone) => {
              const { areaFt2, low, high } = areaInterval(zone);
              return (
                <Words key={zone.id}>
                  {t('report.area', {
                    zone: zone.name,
                    area: number(areaFt2),
                    low: number(low),
                    high: number(high),
                  })}
                </Words>
              );
            })}
            <Words size="note" tone="second">
              {t('report.planAssumed')}
            </Words>
          </Card>
        ) : null}
        <Card>
          <Title>{t('report.findings')}</Title>
          {report.findings.length === 0 ? <Words>{t('report.noFindings')}</Words> : null}
          {report.findings.map(({ id, grade, words: text }) => (
            <View key={id} className="gap-1">
              <Tag
                label={t(`report.grade.${grade}`)}
                tone={
                  grade === 'good' || grade === 'easy'
                    ? 'good'
                    : grade === 'hard'
                      ? 'caution'
                      : 'stop'
                }
              />
              <Words>{text}</Words>
            </View>
          ))}
        </Card>
        {(['note', 'promised'] as const)
          .filter((part) => report[part] !== '')
          .map((part) => (
            <Card key={part}>
              <Title>{t(part === 'note' ? 'report.inOurWords' : 'report.promised')}</Title>
              <Words>{report[part]}</Words>
            </Card>
          ))}
        {report.assumptions.length > 0 ? (
          <Card>
            <Title>{t('report.assumptions')}</Title>
            <Words tone="second">{t('report.assumptionsLead')}</Words>
            {report.assumptions.map((text) => (
              <Words key={text}>{`– ${text}`}</Words>
            ))}
          </Card>
        ) : null}
        {report.questions.length > 0 ? (
          <Card>
            <Title>{t('report.questions')}</Title>
            {report.questions.map((question) => {
              const choices = answerChoices(question.subject);
              return (
                <View key={question.id} className="gap-2 border-b-2 border-line pb-3">
                  <Words weight="semi">
                    {questionWords(t, question.subject, report.lawn.zones)}
                  </Words>
                  {question.answer ? (
                    <Words tone="good">
                      {t('report.answered', { answer: said(question.answer.value) })}
                    </Words>
                  ) : (
                    <>
                      {choices.length > 0 ? (
                        <View className="flex-row flex-wrap gap-2">
                          {choices.map((choice) => (
                            <Chip
                              key={choice}
                              label={t(`report.choice.${choice}`)}
                              chosen={values[question.id] === choice}
                              onPress={() => setValue(question.id, choice)}
                            />
                          ))}
                        </View>
                      ) : (
                        <Field
                          label={t('report.own')}
                          value={values[question.id] ?? ''}
                          onChange={(value) => setValue(question.id, value)}
                          multiline
                        />
                      )}
                      {choices.length > 0 ? (
                        <Field
                          label={t('report.note')}
                          value={notes[question.id] ?? ''}
                          onChange={(value) => setNote(question.id, value)}
                        />
                      ) : null}
                    </>
                  )}
                </View>
              );
            })}
            {send.error ? <Failed message={words(send.error)} /> : null}
            {open ? (
              <Button
                label={t('report.send')}
                disabled={answers.length === 0}
                onPress={() => send.mutate()}
                testID="send-answers"
              />
            ) : null}
          </Card>
        ) : null}
        {send.data ? (
          <Card tone="panel" testID="what-changed">
            <Words weight="bold" tone="good" role="status">
              {t('report.thanks')}
            </Words>
            {send.data.changes.length === 0 ? (
              <Words>{t('report.changedNothing')}</Words>
            ) : (
              <>
                <Words weight="semi">{t('report.changed')}</Words>
                {send.data.changes.map(({ fact, zoneId, after }) => (
                  <Words key={`${fact}${zoneId}`}>
                    {t(`report.change.${fact}`, { zone: zoneName(zoneId), after: said(after) })}
                  </Words>
                ))}
              </>
            )}
          </Card>
        ) : null}
        {report.photos.length > 0 ? (
          <Card>
            <Title>{t('report.photos')}</Title>
            {report.photos.map((photo) => (
              <View key={photo.id} className="gap-1">
                <Image
                  source={{ uri: `/api/shared/${token}/photos/${photo.id}` }}
                  accessibilityLabel={photo.note}
                  style={{ width: '100%', height: 220, borderRadius: 12 }}
                  resizeMode="cover"
                />
                <Words size="note">
                  {[photo.note, photo.standIn ? t('report.standIn') : null]
                    .filter(Boolean)
                    .join(' · ')}
                </Words>
              </View>
            ))}
          </Card>
        ) : null}
        <Words size="note" tone="second">
          {t('report.caution')}
        </Words>
        <View className="flex-row gap-2">
          <Button
            kind="plain"
            label={t('report.pdf')}
            onPress={() => void Linking.openURL(`/api/shared/${token}/pdf`)}
            testID="report-pdf"
          />
          <Button kind="plain" label={t('report.print')} onPress={() => window.print()} />
        </View>
        <Words size="note" tone="quiet">
          {t('report.until', { date: day(report.expiresOn) })}
        </Words>
      </View>
    </ScrollView>
  );
}
