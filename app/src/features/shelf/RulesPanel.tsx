import { policySchema, type Company } from '@alfombra/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { z } from 'zod';
import { useFailureWords } from '@/api/useFailureWords';
import { useUnsaved } from '@/state/unsavedStore';
import { SeasonsProgress } from '@/features/season/SeasonsProgress';
import {
  Button,
  Card,
  Choices,
  Failed,
  FormField,
  FormNumber,
  type NumberText,
  numberText,
  Title,
  typedNumber,
  Words,
} from '@/ui';
import type { useShelf } from './useShelf';

type Ordinance = Company['policy']['ordinance'];
const FIELDS = ['from', 'to', 'once', 'year'] as const;
const isDay = (text: string) => /^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/.test(text.trim());
/** No limit, or one above nothing. */
const limit = z
  .custom<NumberText>()
  .refine((text) => text.trim() === '' || (typedNumber(text) ?? 0) > 0, 'rulesUi.error.positive');
const formSchema = z
  .object({ from: z.string(), to: z.string(), once: limit, year: limit })
  .superRefine(({ from, to }, context) => {
    if (from.trim() === '' && to.trim() === '') return;
    for (const [path, day] of Object.entries({ from, to })) {
      if (!isDay(day))
        context.addIssue({ code: 'custom', path: [path], message: 'rulesUi.error.day' });
    }
  });
type Draft = z.infer<typeof formSchema>;

const draftOf = ({ blackout, mostNitrogen, mostNitrogenYear }: Ordinance): Draft => ({
  from: blackout?.[0] ?? '',
  to: blackout?.[1] ?? '',
  once: numberText(mostNitrogen),
  year: numberText(mostNitrogenYear),
});

/** What the place has ruled, and who does the work: the plan keeps to it and the checker judges by it. */
export function RulesPanel({ shelf }: { shelf: ReturnType<typeof useShelf> }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const { ordinance, certified } = shelf.policy;
  const { control, handleSubmit, formState, reset } = useForm<Draft>({
    defaultValues: draftOf(ordinance),
    resolver: zodResolver(formSchema),
  });
  useUnsaved(formState.isDirty);
  const [kept, setKept] = useState(false);
  const change = (part: Partial<Company['policy']>) => shelf.change(part, () => setKept(true));
  const save = handleSubmit((draft) => {
    const next = policySchema.shape.ordinance.parse({
      ...ordinance,
      blackout: draft.from.trim() === '' ? null : [draft.from.trim(), draft.to.trim()],
      mostNitrogen: typedNumber(draft.once),
      mostNitrogenYear: typedNumber(draft.year),
    });
    change({ ordinance: next });
    reset(draft);
  });
  const fixed = !shelf.mayChange;
  return (
    <>
      {shelf.error ? <Failed message={words(shelf.error)} /> : null}
      {fixed ? <Words tone="second">{t('rulesUi.ownerOnly')}</Words> : null}
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="lg:flex-1">
          <Card>
            <Title>{t('rulesUi.fertilizer')}</Title>
            <Words tone="second">{t('rulesUi.lead')}</Words>
            {fixed ? (
              FIELDS.map((key) => (
                <Words
                  key={key}
                >{`${t(`rulesUi.${key}`)}: ${draftOf(ordinance)[key] || t('rulesUi.none')}`}</Words>
              ))
            ) : (
              <>
                <FormField
                  control={control}
                  name="from"
                  label={t('rulesUi.from')}
                  hint={t('rulesUi.dayHint')}
                  testID="rules-from"
                />
                <FormField control={control} name="to" label={t('rulesUi.to')} testID="rules-to" />
                <FormNumber
                  control={control}
                  name="once"
                  label={t('rulesUi.once')}
                  unit={t('rulesUi.unit')}
                  testID="rules-once"
                />
                <FormNumber
                  control={control}
                  name="year"
                  label={t('rulesUi.year')}
                  unit={t('rulesUi.unit')}
                  testID="rules-year"
                />
                <Button
                  label={t('rulesUi.save')}
                  onPress={() => void save()}
                  disabled={shelf.busy}
                  testID="rules-save"
                />
              </>
            )}
            {fixed ? (
              <Words>
                {`${t('rulesUi.phosphorus')}: ${t(ordinance.phosphorusNeedsReason ? 'rulesUi.p.reason' : 'rulesUi.p.free')}`}
              </Words>
            ) : (
              <Choices
                label={t('rulesUi.phosphorus')}
                value={ordinance.phosphorusNeedsReason ? 'reason' : 'free'}
                options={['free', 'reason'] as const}
                nameOf={(option) => t(`rulesUi.p.${option}`)}
                onChange={(option) =>
                  change({
                    ordinance: { ...ordinance, phosphorusNeedsReason: option === 'reason' },
                  })
                }
              />
            )}
            {kept ? (
              <Words role="status" tone="good" weight="semi" testID="rules-kept">
                {t('rulesUi.kept')}
              </Words>
            ) : null}
            {kept ? <SeasonsProgress /> : null}
          </Card>
        </View>
        <View className="lg:flex-1">
          <Card>
            <Title>{t('rulesUi.licence')}</Title>
            <Words tone="second">{t('rulesUi.licenceLead')}</Words>
            {fixed ? (
              <Words>{t(certified ? 'rulesUi.who.certified' : 'rulesUi.who.other')}</Words>
            ) : (
              <Choices
                label={t('rulesUi.whoDoes')}
                value={certified ? 'certified' : 'other'}
                options={['certified', 'other'] as const}
                nameOf={(option) => t(`rulesUi.who.${option}`)}
                onChange={(option) => change({ certified: option === 'certified' })}
              />
            )}
          </Card>
        </View>
      </View>
      <Words size="note" tone="quiet">
        {t('rulesUi.caution')}
      </Words>
    </>
  );
}
