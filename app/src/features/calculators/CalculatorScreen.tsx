import { zoneArea } from '@alfombra/core';
import {
  calculate,
  calculatorOf,
  type Calculator,
  type CalculatorAnswer,
  type CalculatorField,
  type Figure,
} from '@alfombra/core/calculating';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawn, useLawns } from '@/api/queries';
import { CautionBlock } from '@/features/mix/CautionBlock';
import { usePreferenceStore } from '@/state/preferenceStore';
import {
  Card,
  Chip,
  Choices,
  Empty,
  number,
  NumberField,
  numbersText,
  type NumberText,
  numberText,
  Screen,
  SelectField,
  typedNumber,
  Words,
} from '@/ui';

/** More options than this go into the phone's own chooser. */
const MOST_CHIPS = 5;

/** One calculation of the trade: what is typed on the left, what it comes to on the right. */
export function CalculatorScreen({ slug }: { slug: string }) {
  const { t } = useTranslation();
  const calculator = calculatorOf(slug);
  const back = '/mix';
  if (!calculator) {
    return (
      <Screen title={t('places.mix')} dye="indigo" back={back}>
        <Empty title={t('calcUi.none')} />
      </Screen>
    );
  }
  return (
    <Screen
      title={t(`calculator.${slug}.title`)}
      lead={t(`calculator.${slug}.lead`)}
      dye="indigo"
      back={back}
    >
      <Sheet key={slug} calculator={calculator} />
    </Screen>
  );
}

function Sheet({ calculator }: { calculator: Calculator }) {
  const { t } = useTranslation();
  const given = useLocalSearchParams<Record<string, string>>();
  const tankGal = usePreferenceStore((state) => state.tankGal);
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      calculator.fields.map(({ slug, usual, kind }) => [
        slug,
        // What another screen sends along, or the technician's own tank, stands in the field.
        slug === 'tank' && calculator.group === 'spray' && given.tank === undefined
          ? tankGal
          : kind === 'choice'
            ? (given[slug] ?? usual)
            : figuresText(given[slug] ?? usual),
      ]),
    ),
  );
  const { answer, problems } = calculate(calculator, typed, (text) =>
    typedNumber(text as NumberText),
  );
  const set = (values: Record<string, string>) =>
    setTyped((before) => ({
      ...before,
      ...Object.fromEntries(Object.entries(values).filter(([key]) => key in before)),
    }));
  return (
    <View className="gap-4 lg:flex-row lg:items-start">
      <View className="gap-4 lg:flex-1">
        {calculator.fields.some(({ slug }) => slug === 'area') ? <FromLawn onPick={set} /> : null}
        <Card>
          {calculator.fields.map((field) => (
            <Input
              key={field.slug}
              field={field}
              value={typed[field.slug] ?? ''}
              problem={problems[field.slug]}
              onChange={(value) => set({ [field.slug]: value })}
            />
          ))}
        </Card>
      </View>
      <View className="gap-4 lg:flex-1">
        {answer ? <Answer answer={answer} /> : null}
        {calculator.care ? <CautionBlock handling={calculator.care} /> : null}
        <Words size="note" tone="quiet">
          {`${t('calcUi.caution')} ${t('calcUi.source', {
            source: calculator.source.ref ?? t(`source.${calculator.source.kind}`),
          })}`}
        </Words>
      </View>
    </View>
  );
}

/** Takes area, soil and slope of a zone instead of typing them. */
function FromLawn({ onPick }: { onPick: (values: Record<string, string>) => void }) {
  const { t } = useTranslation();
  const lawns = useLawns().data ?? [];
  const [lawnId, setLawnId] = useState('');
  const lawn = useLawn(lawnId || 'none').data;
  const [zoneId, setZoneId] = useState('');
  if (lawns.length === 0) return null;
  return (
    <Card tone="panel">
      <SelectField
        label={t('calcUi.fromLawn')}
        value={lawnId}
        options={[
          { value: '', label: t('calcUi.ownArea') },
          ...lawns.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(id) => {
          setLawnId(id);
          setZoneId('');
        }}
      />
      {lawnId !== '' && lawn ? (
        <View className="flex-row flex-wrap gap-2">
          {lawn.zones.map((zone) => (
            <Chip
              key={zone.id}
              label={t('calcUi.zoneArea', { zone: zone.name, area: number(zoneArea(zone)) })}
              chosen={zone.id === zoneId}
              onPress={() => {
                setZoneId(zone.id);
                onPick({
                  area: numberText(zoneArea(zone), 0),
                  ...(zone.site.texture ? { texture: zone.site.texture } : {}),
                  ...(zone.site.slopePct === null ? {} : { slope: numberText(zone.site.slopePct) }),
                });
              }}
            />
          ))}
        </View>
      ) : null}
    </Card>
  );
}

function Input({
  field,
  value,
  problem,
  onChange,
}: {
  field: CalculatorField;
  value: string;
  problem: string | undefined;
  onChange: (value: string) => void;
}) {
  const { t, i18n } = useTranslation();
  const label = t(`calcField.${field.slug}`);
  if (field.kind === 'choice') {
    // A mix has its name on the shelf; units name themselves.
    const nameOf = (option: string) => {
      const key = [`calcOption.${option}`, `seedMix.${option}`].find((one) => i18n.exists(one));
      return key ? t(key) : option;
    };
    return field.options.length <= MOST_CHIPS ? (
      <Choices
        label={label}
        value={value}
        options={field.options}
        nameOf={nameOf}
        onChange={onChange}
      />
    ) : (
      <SelectField
        label={label}
        value={value}
        options={field.options.map((option) => ({ value: option, label: nameOf(option) }))}
        onChange={onChange}
      />
    );
  }
  return (
    <NumberField
      label={label}
      {...(field.unit ? { unit: field.unit } : {})}
      series={field.kind === 'series'}
      multiline={field.kind === 'series'}
      value={value as NumberText}
      onChange={onChange}
      hint={field.kind === 'series' ? t('calcUi.series') : undefined}
      error={
        problem
          ? t(`calcUi.${problem}`, {
              min: number(field.min, 2),
              max: number(field.max, 2),
              least: field.kind === 'series' ? field.least : 1,
            })
          : undefined
      }
      testID={`calc-${field.slug}`}
    />
  );
}

function Answer({ answer }: { answer: CalculatorAnswer }) {
  const { t } = useTranslation();
  const main = answer.figures.filter((entry) => entry.main);
  const rest = answer.figures.filter((entry) => !entry.main);
  return (
    <Card testID="calc-answer">
      {main.map((entry) => (
        <View key={entry.slug}>
          <Words size="note" tone="second">
            {nameOf(t, entry)}
          </Words>
          <Words size="figure" weight="bold" tabular testID={`answer-${entry.slug}`}>
            {valueOf(entry)}
          </Words>
        </View>
      ))}
      {rest.map((entry, index) => (
        <View key={`${entry.slug}-${index}`} className="flex-row gap-3">
          <Words tone="second" className="flex-1">
            {nameOf(t, entry)}
          </Words>
          <Words weight="semi" tabular>
            {valueOf(entry)}
          </Words>
        </View>
      ))}
      {answer.notes.map(({ rule, tone, inputs }) => (
        <Words
          key={rule}
          tone={tone === 'good' ? 'second' : tone}
          weight={tone === 'stop' ? 'bold' : 'semi'}
          role={tone === 'stop' ? 'alert' : undefined}
        >
          {t(`calcNote.${rule}`, inputs)}
        </Words>
      ))}
    </Card>
  );
}

/** Figures as the core and an address write them, as this field shows them. */
const figuresText = (plain: string): NumberText =>
  numbersText(plain.split(/\s+/).filter(Boolean).map(Number));

const valueOf = ({ value, unit, digits }: Figure): string =>
  `${number(value, digits)}${unit ? ` ${unit}` : ''}`;

/** Rows of a table carry their own figure in the name. */
function nameOf(t: ReturnType<typeof useTranslation>['t'], { slug }: Figure): string {
  const swath = /^cv-(.+)$/.exec(slug)?.[1];
  return swath ? t('calcFigure.cv', { swath }) : t(`calcFigure.${slug}`);
}
