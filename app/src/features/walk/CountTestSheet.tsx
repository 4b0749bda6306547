import { countTests, type CountTestInput, type StandShare } from '@alfombra/core';
import { fieldTestCard, countTestVerdict } from '@alfombra/core/walking';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { z } from 'zod';
import { FieldTestSteps } from '@/features/fieldTests/FieldTestSteps';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import {
  Button,
  Card,
  Choices,
  figure,
  figureOrNone,
  FormNumber,
  FormSelect,
  number,
  numberText,
  Sheet,
  Tag,
  Words,
} from '@/ui';

/** The form of a test; boxes left empty are samples not taken. */
const countFormSchema = (slug: CountTestInput['test']) =>
  z
    .object({
      sampler: figure('test.badSampler', { above: 0 }),
      counts: z
        .array(figureOrNone('test.badCount', { from: 0, whole: true }))
        .refine((counts) => counts.some((count) => count !== null), {
          path: [0],
          error: 'test.needsCount',
        }),
      subject: z.string(),
      square: z.boolean(),
    })
    .transform(({ sampler, counts, subject, square }): CountTestInput => ({
      test: slug,
      sampler,
      counts: counts.filter((count) => count !== null),
      subject,
      ...(square ? { square: true } : {}),
    }));
type Draft = z.input<ReturnType<typeof countFormSchema>>;

/** A field test by counting: sampler, counts, and at once what they mean per square foot. */
export function CountTestSheet({
  slug,
  draftKey,
  before,
  stand,
  onUse,
  onRemove,
  onClose,
}: {
  slug: CountTestInput['test'];
  /** What is looked at; the counts are kept under it while they are typed. */
  draftKey: string;
  /** The result that is in use, if there is one. */
  before: CountTestInput | undefined;
  stand: readonly StandShare[];
  onUse: (test: CountTestInput) => void;
  onRemove: () => void;
  onClose: () => void;
}) {
  const { t } = useTranslation();
  const test = countTests.find((entry) => entry.slug === slug)!;
  const card = fieldTestCard(slug);
  const schema = countFormSchema(slug);
  const { form, unsaved, done, discard } = useDraftForm({
    key: `count-test:${draftKey}:${slug}`,
    source: before,
    make: (source): Draft => ({
      sampler: numberText(source?.sampler ?? test.defaultSampler),
      counts:
        source?.counts.map((count) => numberText(count)) ??
        Array.from({ length: test.fullSample }, () => '' as const),
      subject: source?.subject ?? (test.subjects[0] as string),
      square: source?.square ?? false,
    }),
    schema,
  });
  const { control, setValue } = form;
  const draft = useWatch({ control }) as Draft;
  const read = schema.safeParse(draft);
  const verdict = read.success ? countTestVerdict(read.data, stand) : null;
  const use = form.handleSubmit((input) => {
    done();
    onUse(input);
  });
  return (
    <Sheet open title={t(`test.${slug}`)} onClose={onClose}>
      {card ? <FieldTestSteps card={card} /> : null}
      {slug === 'grub-lift' ? (
        <Choices
          label={t('test.cutWith')}
          value={draft.square ? 'square' : 'cutter'}
          options={['cutter', 'square'] as const}
          nameOf={(option) => t(`test.cut.${option}`)}
          onChange={(option) => {
            setValue('square', option === 'square');
            setValue('sampler', numberText(option === 'square' ? 12 : test.defaultSampler));
          }}
        />
      ) : null}
      {test.subjects.length > 1 ? (
        <FormSelect
          control={control}
          name="subject"
          label={t('test.subject')}
          options={test.subjects.map((subject) => ({
            value: subject,
            label: t(`test.subjects.${subject}`),
          }))}
        />
      ) : null}
      <FormNumber
        control={control}
        name="sampler"
        label={t(
          draft.square ? 'test.side' : test.sampler === 'diameter' ? 'test.diameter' : 'test.area',
        )}
        unit={test.sampler === 'diameter' ? 'in' : 'ft²'}
        testID="sampler"
      />
      <Words weight="semi">{t('test.counts')}</Words>
      <View className="flex-row flex-wrap gap-3">
        {draft.counts.map((_, index) => (
          <View key={index} className="w-[104px]">
            <FormNumber
              control={control}
              name={`counts.${index}`}
              label={t('test.sample', { number: index + 1 })}
              testID={`count-${index + 1}`}
            />
          </View>
        ))}
      </View>
      <Button
        kind="plain"
        label={t('test.addSample')}
        onPress={() => setValue('counts', [...draft.counts, ''])}
      />
      {verdict ? (
        <Card tone={verdict.verdict === 'treat' ? 'stop' : 'panel'} testID="test-verdict">
          <View className="flex-row items-end gap-2">
            <Words size="figure" display>
              {number(verdict.perFt2, 1)}
            </Words>
            <Words className="pb-1">{t('test.perFt2')}</Words>
          </View>
          <Words size="note" tone="second">
            {t('test.factor', { factor: number(verdict.factor, 2) })}
          </Words>
          <Words size="note" tone="second">
            {t('test.range', {
              low: number(verdict.perFt2Range[0], 1),
              high: number(verdict.perFt2Range[1], 1),
            })}
          </Words>
          <Words size="note" tone="second">
            {t('test.threshold', {
              low: number(verdict.thresholdPerFt2[0], 1),
              high: number(verdict.thresholdPerFt2[1], 1),
            })}
          </Words>
          <Words weight="bold">{t(`test.verdict.${verdict.verdict}`)}</Words>
          <Tag label={t(`test.answer.${verdict.answer}`)} />
          <Words size="note" tone="second">
            {t('test.source')}
          </Words>
        </Card>
      ) : null}
      <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
      <Button label={t('test.use')} onPress={() => void use()} testID="use-test" wide />
      {before ? (
        <Button
          kind="quiet"
          label={t('test.remove')}
          onPress={() => {
            done();
            onRemove();
          }}
        />
      ) : null}
    </Sheet>
  );
}
