import { answerChoices, type Lawn, type QuestionSubject, type Visit } from '@alfombra/core';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { z } from 'zod';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { questionWords } from '@/features/report/questionWords';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Card, Chip, Failed, FormField, Title, Words } from '@/ui';
import { subjectsOf, SUBJECTS, toggledQuestions } from './questions';

const questionFormSchema = z.object({
  text: z.string().trim().min(1, 'visit.ask').max(300, 'property.tooLong'),
});

/** What only the customer can tell, collected on the way: a tap notes a question, another takes it back. */
export function QuestionsCard({ lawn, today }: { lawn: Lawn; today: Visit['date'] }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const { form, done, discard } = useDraftForm({
    key: `question:${lawn.id}`,
    source: lawn.id,
    make: () => ({ text: '' }),
    schema: questionFormSchema,
  });
  const { control } = form;
  const text = useWatch({ control, name: 'text' });
  const put = (questions: Lawn['questions'], onSuccess?: () => void) =>
    putLawn.mutate({ ...lawn, questions }, onSuccess ? { onSuccess } : {});
  const open = lawn.questions.filter(({ answer }) => !answer);
  const isAsked = (subjects: readonly QuestionSubject[]) =>
    subjects.length > 0 &&
    subjects.every((subject) =>
      open.some((question) => JSON.stringify(question.subject) === JSON.stringify(subject)),
    );
  const ask = form.handleSubmit((read) =>
    put(toggledQuestions(lawn.questions, [{ kind: 'other', text: read.text }], today, uuid), () => {
      done();
      discard();
    }),
  );
  return (
    <Card>
      <Title>{t('visit.questions')}</Title>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label={t('visit.questions')}>
        {SUBJECTS.map((kind) => {
          const subjects = subjectsOf(kind, lawn);
          return subjects.length === 0 ? null : (
            <Chip
              key={kind}
              label={t(`visit.subject.${kind}`)}
              chosen={isAsked(subjects)}
              onPress={() => put(toggledQuestions(lawn.questions, subjects, today, uuid))}
            />
          );
        })}
      </View>
      {lawn.questions.length === 0 ? <Words tone="second">{t('visit.noQuestions')}</Words> : null}
      {lawn.questions.map((question) => (
        <View key={question.id} className="gap-1 border-b-2 border-line pb-2">
          <Words weight="semi">{questionWords(t, question.subject, lawn.zones)}</Words>
          <Words size="note" tone={question.answer ? 'good' : 'second'}>
            {question.answer
              ? [
                  answerChoices(question.subject).length > 0
                    ? t(`report.choice.${question.answer.value}`)
                    : question.answer.value,
                  question.answer.note,
                ]
                  .filter(Boolean)
                  .join(' · ')
              : t('visit.open')}
          </Words>
          {question.subject.kind === 'other' && !question.answer ? (
            <Button
              kind="quiet"
              label={t('plan.takeAway')}
              onPress={() => put(toggledQuestions(lawn.questions, [question.subject], today, uuid))}
            />
          ) : null}
        </View>
      ))}
      <FormField control={control} name="text" label={t('visit.ask')} testID="question-text" />
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      <Button
        kind="plain"
        label={t('visit.note')}
        disabled={text.trim() === ''}
        onPress={() => void ask()}
        testID="ask"
      />
    </Card>
  );
}
