import { pacesToFeet, type Point } from '@alfombra/core';
import { tapeArea, tapeOutline, tapeProblems, type TapeFigure } from '@alfombra/core/measuring';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePreferenceStore } from '@/state/preferenceStore';
import { Button, Chip, NumberField, type NumberText, separate, typedNumber, Words } from '@/ui';
import { UnitChoice } from './UnitChoice';
import { usePlanUnits } from './usePlanUnits';

const FIELDS = {
  rectangle: ['length', 'width'],
  triangle: ['a', 'b', 'c'],
  trapezoid: ['long', 'short', 'height'],
  circle: ['radius'],
  segment: ['chord', 'depth'],
  offsets: ['step'],
} as const satisfies Record<TapeFigure['kind'], readonly string[]>;
const KINDS = Object.keys(FIELDS) as TapeFigure['kind'][];

/** Lengths by tape or by paces, in feet or metres, turned into an outline. */
export function TapeForm({
  paced,
  onOutline,
}: {
  paced: boolean;
  onOutline: (outline: Point[]) => void;
}) {
  const { t } = useTranslation();
  const { pace, setPace } = usePreferenceStore();
  const units = usePlanUnits();
  const [kind, setKind] = useState<TapeFigure['kind']>('rectangle');
  const [text, setText] = useState<Record<string, NumberText>>({});
  const [rule, setRule] = useState<'trapezoid' | 'simpson'>('trapezoid');
  const [tried, setTried] = useState(false);
  const own = { paces: typedNumber(pace.paces) ?? 0, feet: typedNumber(pace.feet) ?? 0 };
  const badPace = paced && !(own.paces > 0 && own.feet > 0);
  const feet = (value: NumberText | undefined): number => {
    const typed = typedNumber(value ?? '');
    if (typed === null) return Number.NaN;
    if (paced) return badPace ? Number.NaN : pacesToFeet(typed, own);
    return units.toFeet(typed);
  };
  const figure = {
    kind,
    ...Object.fromEntries(FIELDS[kind].map((field) => [field, feet(text[field])])),
    ...(kind === 'offsets'
      ? {
          rule,
          offsets: separate(text.offsets ?? '').map(feet),
        }
      : {}),
  } as TapeFigure;
  const problems = tapeProblems(figure);
  const errorAt = (field: string) => {
    const problem = problems.find((entry) => entry.field === field);
    return tried && problem ? t(`plan.problem.${problem.problem}`) : undefined;
  };
  const unit = paced ? t('plan.paces') : units.unit;
  return (
    <View className="gap-3">
      {paced ? (
        <View className="flex-row gap-2">
          <View className="flex-1">
            <NumberField
              label={t('plan.myPaces')}
              value={pace.paces}
              onChange={(paces) => setPace({ ...pace, paces })}
              error={tried && badPace ? t('plan.problem.above-zero') : undefined}
            />
          </View>
          <View className="flex-1">
            <NumberField
              label={t('plan.over')}
              unit="ft"
              value={pace.feet}
              onChange={(value) => setPace({ ...pace, feet: value })}
            />
          </View>
        </View>
      ) : (
        <UnitChoice />
      )}
      <View className="flex-row flex-wrap gap-2">
        {KINDS.map((option) => (
          <Chip
            key={option}
            label={t(`plan.figure.${option}`)}
            chosen={kind === option}
            onPress={() => setKind(option)}
          />
        ))}
      </View>
      {FIELDS[kind].map((field) => (
        <NumberField
          key={field}
          label={t(`plan.length.${field}`)}
          unit={unit}
          value={text[field] ?? ''}
          onChange={(value) => setText({ ...text, [field]: value })}
          error={errorAt(field)}
          testID={`tape-${field}`}
        />
      ))}
      {kind === 'offsets' ? (
        <>
          <NumberField
            label={t('plan.length.offsets')}
            series
            hint={t('plan.offsetsHint')}
            value={text.offsets ?? ''}
            onChange={(value) => setText({ ...text, offsets: value })}
            error={errorAt('offsets')}
          />
          <View className="flex-row gap-2">
            {(['trapezoid', 'simpson'] as const).map((option) => (
              <Chip
                key={option}
                label={t(`plan.rule.${option}`)}
                chosen={rule === option}
                onPress={() => setRule(option)}
              />
            ))}
          </View>
        </>
      ) : null}
      {problems.length === 0 ? (
        <Words weight="semi">{`${units.area(tapeArea(figure))} ${units.areaUnit}`}</Words>
      ) : null}
      <Button
        label={t('plan.useShape')}
        onPress={() => {
          setTried(true);
          if (problems.length === 0 && !badPace) onOutline(tapeOutline(figure));
        }}
        testID="use-shape"
      />
    </View>
  );
}
