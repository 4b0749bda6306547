import { countTests, type CountTestInput, type StandShare } from '@alfombra/core';
import { fieldTestCard, countTestVerdict } from '@alfombra/core/walking';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { FieldTestSteps } from '@/features/fieldTests/FieldTestSteps';
import {
  Button,
  Card,
  Choices,
  number,
  NumberField,
  type NumberText,
  numberText,
  SelectField,
  Sheet,
  Tag,
  typedNumber,
  Words,
} from '@/ui';

interface Draft {
  sampler: NumberText;
  counts: NumberText[];
  subject: string;
  square: boolean;
}

/** What has been typed, as a test; `null` where a field is not good. */
function read(slug: CountTestInput['test'], draft: Draft): CountTestInput | null {
  const sampler = typedNumber(draft.sampler);
  const counts = draft.counts.map(typedNumber);
  const good = counts.every((c) => c !== null && Number.isInteger(c) && c >= 0);
  if (sampler === null || sampler <= 0 || !good || counts.length === 0) return null;
  return {
    test: slug,
    sampler,
    counts: counts as number[],
    subject: draft.subject,
    ...(draft.square ? { square: true } : {}),
  };
}

const badCount = (text: NumberText): boolean => {
  if (text === '') return false;
  const value = typedNumber(text);
  return value === null || !Number.isInteger(value) || value < 0;
};

/** A field test by counting: sampler, counts, and at once what they mean per square foot. */
export function CountTestSheet({
  slug,
  before,
  stand,
  onUse,
  onRemove,
  onClose,
}: {
  slug: CountTestInput['test'];
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
  const [draft, setDraft] = useState<Draft>({
    sampler: numberText(before?.sampler ?? test.defaultSampler),
    counts:
      before?.counts.map((count) => numberText(count)) ??
      Array.from({ length: test.fullSample }, () => '' as const),
    subject: before?.subject ?? (test.subjects[0] as string),
    square: before?.square ?? false,
  });
  const typed: Draft = { ...draft, counts: draft.counts.filter((count) => count.trim() !== '') };
  const input = read(slug, typed);
  const verdict = input ? countTestVerdict(input, stand) : null;
  const badSampler = (typedNumber(draft.sampler) ?? 0) <= 0;
  const setCount = (index: number, text: NumberText) =>
    setDraft({ ...draft, counts: draft.counts.map((c, i) => (i === index ? text : c)) });
  return (
    <Sheet open title={t(`test.${slug}`)} onClose={onClose}>
      {card ? <FieldTestSteps card={card} /> : null}
      {slug === 'grub-lift' ? (
        <Choices
          label={t('test.cutWith')}
          value={draft.square ? 'square' : 'cutter'}
          options={['cutter', 'square'] as const}
          nameOf={(option) => t(`test.cut.${option}`)}
          onChange={(option) =>
            setDraft({
              ...draft,
              square: option === 'square',
              sampler: numberText(option === 'square' ? 12 : test.defaultSampler),
            })
          }
        />
      ) : null}
      {test.subjects.length > 1 ? (
        <SelectField
          label={t('test.subject')}
          value={draft.subject}
          options={test.subjects.map((subject) => ({
            value: subject,
            label: t(`test.subjects.${subject}`),
          }))}
          onChange={(subject) => setDraft({ ...draft, subject })}
        />
      ) : null}
      <NumberField
        label={t(
          draft.square ? 'test.side' : test.sampler === 'diameter' ? 'test.diameter' : 'test.area',
        )}
        unit={test.sampler === 'diameter' ? 'in' : 'ft²'}
        value={draft.sampler}
        onChange={(sampler) => setDraft({ ...draft, sampler })}
        error={badSampler ? t('test.badSampler') : undefined}
        testID="sampler"
      />
      <Words weight="semi">{t('test.counts')}</Words>
      <View className="flex-row flex-wrap gap-3">
        {draft.counts.map((count, index) => (
          <View key={index} className="w-[104px]">
            <NumberField
              label={t('test.sample', { number: index + 1 })}
              value={count}
              onChange={(text) => setCount(index, text)}
              error={badCount(count) ? t('test.badCount') : undefined}
              testID={`count-${index + 1}`}
            />
          </View>
        ))}
      </View>
      <Button
        kind="plain"
        label={t('test.addSample')}
        onPress={() => setDraft({ ...draft, counts: [...draft.counts, ''] })}
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
      <Button
        label={t('test.use')}
        disabled={input === null}
        onPress={() => input && onUse(input)}
        testID="use-test"
        wide
      />
      {before ? <Button kind="quiet" label={t('test.remove')} onPress={onRemove} /> : null}
    </Sheet>
  );
}
