import type { GrassSlug } from '@alfombra/core';
import {
  fieldTestResult,
  type FieldTestCard,
  type FieldTestInput,
  type FieldTestResult,
} from '@alfombra/core/walking';
import { useFormState, useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useDraftForm } from '@/state/useDraftForm';
import {
  Button,
  Card,
  Chip,
  Choices,
  number,
  FormNumber,
  type NumberText,
  numberText,
  separate,
  typedNumber,
  Words,
} from '@/ui';
import { draftOf, fieldTestFormSchema, readFieldTest, type FieldTestDraft } from './readFieldTest';

/** The readings of a test and at once what they say. */
export function FieldTestForm({
  card,
  draftKey,
  main,
  before,
  onUse,
  onTakeOut,
}: {
  card: FieldTestCard;
  /** What is looked at; the readings are kept under it while they are typed. */
  draftKey: string;
  /** Grass that the limits depend on. */
  main: GrassSlug;
  before?: FieldTestInput | undefined;
  /** Left out where there is no walk to use it in. */
  onUse?: (input: FieldTestInput, result: FieldTestResult) => void;
  onTakeOut?: () => void;
}) {
  const { t } = useTranslation();
  const { form, done } = useDraftForm({
    key: `field-test:${draftKey}:${card.slug}`,
    source: before,
    make: (source) => draftOf(card, source),
    schema: fieldTestFormSchema(card),
  });
  const tried = useFormState({ control: form.control }).isSubmitted;
  const draft = useWatch({ control: form.control }) as FieldTestDraft;
  const { input, problems } = readFieldTest(card, draft);
  const result = input ? fieldTestResult(input, main) : null;
  const set = (slug: string, value: NumberText | boolean) =>
    form.setValue(slug, value, { shouldValidate: tried });
  const use = form.handleSubmit((read) => {
    const said = fieldTestResult(read, main);
    if (!said) return;
    done();
    onUse?.(read, said);
  });
  const words = (slug: string) => t(`fieldTest.${card.slug}.field.${slug}`);
  if (card.fields.length === 0) return null;
  return (
    <View className="gap-3">
      {card.fields.map((field) => {
        const { slug, kind, unit, min, max, samples } = field;
        const typed = draft[slug];
        const problem = problems[slug];
        const say = (fault: string) =>
          t(`fieldUi.problem.${fault}`, { min: number(min, 1), max: number(max, 1) });
        if (kind === 'yes-no') {
          return (
            <View key={slug}>
              <Choices
                label={words(slug)}
                value={typeof typed === 'boolean' ? (typed ? 'yes' : 'no') : null}
                options={['yes', 'no'] as const}
                nameOf={(option) => t(`walk.${option}`)}
                onChange={(option) => set(slug, option === 'yes')}
                error={tried && problem ? say(problem) : undefined}
              />
            </View>
          );
        }
        const text = typeof typed === 'string' ? typed : '';
        const have = separate(text).length;
        return (
          <View key={slug} className="flex-row items-end gap-2">
            <View className="flex-1">
              <FormNumber
                control={form.control}
                name={slug}
                label={words(slug)}
                series={kind === 'series'}
                {...(unit ? { unit } : {})}
                say={say}
                early={problem && problem !== 'missing' ? say(problem) : undefined}
                hint={
                  kind === 'series'
                    ? `${t('fieldUi.seriesOf', { have, want: samples })} · ${t('fieldUi.series')}`
                    : undefined
                }
                testID={`reading-${slug}`}
              />
            </View>
            {kind === 'count' ? (
              <Chip
                label={t('fieldUi.addOne')}
                chosen={false}
                onPress={() => set(slug, numberText(Math.min(max, (typedNumber(text) ?? 0) + 1)))}
              />
            ) : null}
          </View>
        );
      })}
      {result ? <ResultCard card={card} result={result} /> : null}
      {onUse ? (
        <Button
          label={t('fieldUi.apply')}
          onPress={() => void use()}
          testID="use-field-test"
          wide
        />
      ) : null}
      {before && onTakeOut ? (
        <Button kind="quiet" label={t('fieldUi.takeOut')} onPress={onTakeOut} />
      ) : null}
    </View>
  );
}

function ResultCard({ card, result }: { card: FieldTestCard; result: FieldTestResult }) {
  const { t } = useTranslation();
  return (
    <Card tone="panel" testID="field-test-result">
      {result.figures.map(({ slug, value, unit, digits }) => (
        <View key={slug} className="flex-row gap-3">
          <Words tone="second" className="flex-1">
            {t(`fieldFigure.${slug}`)}
          </Words>
          <Words weight="bold" tabular>
            {`${number(value, digits)}${unit ? ` ${unit}` : ''}`}
          </Words>
        </View>
      ))}
      <Words weight="bold">{t(`fieldTest.${card.slug}.verdict.${result.verdict}`)}</Words>
      {Object.entries(result.signs).map(([sign, answer]) => (
        <Words key={sign} size="note">
          {`${t(`sign.${sign}.label`)}: ${t(`fieldUi.${answer === 'unsure' ? 'open' : answer ? 'yes' : 'no'}`)}`}
        </Words>
      ))}
      <Words size="note" tone="quiet">
        {t('fieldUi.caution')}
      </Words>
    </Card>
  );
}
