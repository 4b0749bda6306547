import type { Lawn, QuestionSubject, Visit } from '@alfombra/core';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { z } from 'zod';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { questionWords } from '@/features/report/questionWords';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Card, Chip, Failed, FormField, SelectField, Title, Words } from '@/ui';

const SUBJECTS = ['edge', 'irrigation', 'dog', 'children', 'mows', 'waters', 'other'] as const;

const questionFormSchema = z.object({
  kind: z.enum(SUBJECTS),
  zoneId: z.string(),
  text: z.string().max(300, 'property.tooLong'),
});

/** What only the customer can tell, collected on the way. */
export function QuestionsCard({ lawn, today }: { lawn: Lawn; today: Visit['date'] }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const { form, done } = useDraftForm({
    key: `question:${lawn.id}`,
    source: lawn.id,
    make: () => ({
      kind: 'irrigation' as (typeof SUBJECTS)[number],
      zoneId: lawn.zones[0]?.id ?? '',
      text: '',
    }),
    schema: questionFormSchema,
  });
  const { control, setValue } = form;
  const [kind, zoneId, text] = useWatch({ control, name: ['kind', 'zoneId', 'text'] });
  const zone = lawn.zones.find(({ id }) => id === zoneId) ?? lawn.zones[0];
  const ask = (subjects: readonly QuestionSubject[]) =>
    putLawn.mutate(
      {
        ...lawn,
        questions: [
          ...lawn.questions,
          ...subjects.map((subject) => ({ id: uuid(), subject, askedOn: today, answer: null })),
        ],
      },
      {
        onSuccess: () => {
          done();
          setValue('text', '');
        },
      },
    );
  const asked = (subject: QuestionSubject) =>
    lawn.questions.some(
      (question) =>
        !question.answer && JSON.stringify(question.subject) === JSON.stringify(subject),
    );
  const subjects: QuestionSubject[] =
    kind === 'edge'
      ? (zone?.edges ?? []).flatMap((state, edge) =>
          state === 'assumed' && zone ? [{ kind: 'edge' as const, zoneId: zone.id, edge }] : [],
        )
      : kind === 'irrigation'
        ? zone
          ? [{ kind, zoneId: zone.id }]
          : []
        : kind === 'other'
          ? text.trim() === ''
            ? []
            : [{ kind, text: text.trim() }]
          : [{ kind }];
  const fresh = subjects.filter((subject) => !asked(subject));
  return (
    <Card>
      <Title>{t('visit.questions')}</Title>
      {lawn.questions.length === 0 ? <Words tone="second">{t('visit.noQuestions')}</Words> : null}
      {lawn.questions.map((question) => (
        <View key={question.id} className="gap-1 border-b-2 border-line pb-2">
          <Words weight="semi">{questionWords(t, question.subject, lawn.zones)}</Words>
          <Words size="note" tone={question.answer ? 'good' : 'second'}>
            {question.answer
              ? `${t(`report.choice.${question.answer.value}`, { defaultValue: question.answer.value })} ${question.answer.note}`
              : t('visit.open')}
          </Words>
        </View>
      ))}
      <View className="flex-row flex-wrap gap-2">
        {SUBJECTS.map((subject) => (
          <Chip
            key={subject}
            label={t(`visit.subject.${subject}`)}
            chosen={kind === subject}
            onPress={() => setValue('kind', subject)}
          />
        ))}
      </View>
      {(kind === 'edge' || kind === 'irrigation') && lawn.zones.length > 1 ? (
        <SelectField
          label={t('common.zone')}
          value={zone?.id ?? ''}
          options={lawn.zones.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(id) => setValue('zoneId', id)}
        />
      ) : null}
      {kind === 'other' ? (
        <FormField control={control} name="text" label={t('visit.ask')} testID="question-text" />
      ) : null}
      {kind === 'edge' && subjects.length === 0 ? (
        <Words size="note" tone="second">
          {t('visit.noAssumed')}
        </Words>
      ) : null}
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      <Button
        kind="plain"
        label={t('visit.note', { count: Math.max(1, fresh.length) })}
        disabled={fresh.length === 0}
        onPress={() => ask(fresh)}
        testID="ask"
      />
    </Card>
  );
}
