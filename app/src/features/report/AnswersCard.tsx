import { answerChoices, type SharedReport } from '@alfombra/core';
import { useMutation } from '@tanstack/react-query';
import { useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import { request } from '@/api/request';
import { useFailureWords } from '@/api/useFailureWords';
import { i18next } from '@/i18n';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Card, Chip, Failed, Field, Title, Words } from '@/ui';
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

const answersFormSchema = z.object({
  values: z.record(z.string(), z.string()),
  notes: z.record(z.string(), z.string()),
});
type Answers = z.infer<typeof answersFormSchema>;

/** What only the customer can tell: answered here, kept while it is typed, and what it changed. */
export function AnswersCard({
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
  const open = report.questions.some(({ answer }) => !answer);
  const zoneName = (id: string | null) =>
    report.lawn.zones.find((zone) => zone.id === id)?.name ?? '';
  const said = (value: string) =>
    t(`report.choice.${value === 'true' ? 'yes' : value === 'false' ? 'no' : value}`, {
      defaultValue: value,
    });
  if (report.questions.length === 0) return null;
  return (
    <>
      <Card>
        <Title>{t('report.questions')}</Title>
        {report.questions.map((question) => {
          const choices = answerChoices(question.subject);
          return (
            <View key={question.id} className="gap-2 border-b-2 border-line pb-3">
              <Words weight="semi">{questionWords(t, question.subject, report.lawn.zones)}</Words>
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
    </>
  );
}
