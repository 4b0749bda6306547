import type { Point } from '@alfombra/core';
import { tapeArea, tapeProblems } from '@alfombra/core/measuring';
import { useFormState, useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePreferenceStore } from '@/state/preferenceStore';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, FormChoices, FormNumber, NumberField, Words } from '@/ui';
import {
  emptyTape,
  figureOf,
  goodPace,
  TAPE_FIELDS,
  TAPE_KINDS,
  tapeFormSchema,
  type TapeDraft,
} from './tapeDraft';
import { UnitChoice } from './UnitChoice';
import { usePlanUnits } from './usePlanUnits';

const RULES = ['trapezoid', 'simpson'] as const;

/** Lengths by tape or by paces, in feet or metres, turned into an outline. */
export function TapeForm({
  draftKey,
  paced,
  onOutline,
}: {
  /** Under which the lengths are kept while they are typed. */
  draftKey: string;
  paced: boolean;
  onOutline: (outline: Point[]) => void;
}) {
  const { t } = useTranslation();
  const { pace, setPace } = usePreferenceStore();
  const units = usePlanUnits();
  const own = paced ? pace : null;
  const { form, done } = useDraftForm({
    key: draftKey,
    source: draftKey,
    make: emptyTape,
    schema: tapeFormSchema(units.toFeet, own),
  });
  const { control } = form;
  const tried = useFormState({ control }).isSubmitted;
  const draft = useWatch({ control }) as TapeDraft;
  const figure = figureOf(draft, units.toFeet, own);
  const unit = paced ? t('plan.paces') : units.unit;
  const take = form.handleSubmit((outline) => {
    done();
    onOutline(outline);
  });
  return (
    <View className="gap-3">
      {paced ? (
        <View className="flex-row flex-wrap gap-2">
          <View className="min-w-[130px] flex-1">
            <NumberField
              label={t('plan.myPaces')}
              value={pace.paces}
              onChange={(paces) => setPace({ ...pace, paces })}
              error={tried && !goodPace(own) ? t('plan.problem.above-zero') : undefined}
            />
          </View>
          <View className="min-w-[130px] flex-1">
            <NumberField
              label={t('plan.over')}
              unit="ft"
              value={pace.feet}
              onChange={(feet) => setPace({ ...pace, feet })}
            />
          </View>
        </View>
      ) : (
        <UnitChoice />
      )}
      <FormChoices
        control={control}
        name="kind"
        label={t('plan.figureLabel')}
        options={TAPE_KINDS}
        nameOf={(option: TapeDraft['kind']) => t(`plan.figure.${option}`)}
      />
      {TAPE_FIELDS[draft.kind].map((field) => (
        <FormNumber
          key={field}
          control={control}
          name={`text.${field}`}
          label={t(`plan.length.${field}`)}
          unit={unit}
          testID={`tape-${field}`}
        />
      ))}
      {draft.kind === 'offsets' ? (
        <>
          <FormNumber
            control={control}
            name="text.offsets"
            label={t('plan.length.offsets')}
            series
            hint={t('plan.offsetsHint')}
          />
          <FormChoices
            control={control}
            name="rule"
            label={t('plan.ruleLabel')}
            options={RULES}
            nameOf={(option: TapeDraft['rule']) => t(`plan.rule.${option}`)}
          />
        </>
      ) : null}
      {tapeProblems(figure).length === 0 ? (
        <Words weight="semi">{`${units.area(tapeArea(figure))} ${units.areaUnit}`}</Words>
      ) : null}
      <Button label={t('plan.useShape')} onPress={() => void take()} testID="use-shape" />
    </View>
  );
}
