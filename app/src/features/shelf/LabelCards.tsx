import { grasses } from '@alfombra/core';
import type { ReactNode } from 'react';
import { useController, useWatch, type Control } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import {
  Button,
  Card,
  Chip,
  FormChoices,
  FormField,
  FormNumber,
  FormYesNo,
  Title,
  Words,
} from '@/ui';
import type { LabelDraft, LabelFigure } from './readLabel';

const SIGNALS = ['none', 'caution', 'warning', 'danger'] as const;
const UNITS = ['fl-oz', 'oz', 'lb', 'million'] as const;
const DESIRED = grasses.filter(({ roles }) => roles.includes('desired')).map(({ slug }) => slug);

interface OfLabel {
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- whatever its schema makes of the fields
  control: Control<LabelDraft, any, any>;
}

/** Figures of the label, two to a line. */
function Figures({
  control,
  of,
}: OfLabel & { of: readonly { name: LabelFigure; unit?: string | undefined }[] }) {
  const { t } = useTranslation();
  return (
    <View className="flex-row flex-wrap gap-3">
      {of.map(({ name, unit }) => (
        <View key={name} className="min-w-[130px] flex-1">
          <FormNumber
            control={control}
            name={`figures.${name}`}
            label={t(`shelf.field.${name}`)}
            unit={unit}
            testID={`label-${name}`}
          />
        </View>
      ))}
    </View>
  );
}

/** What the label is called and what is in it. */
export function NameCard({ control, children }: OfLabel & { children: ReactNode }) {
  const { t } = useTranslation();
  return (
    <Card>
      {children}
      <FormField control={control} name="name" label={t('shelf.field.name')} testID="label-name" />
      <FormField control={control} name="registration" label={t('shelf.field.registration')} />
      <FormChoices
        control={control}
        name="signalWord"
        label={t('shelf.field.signalWord')}
        options={SIGNALS}
        nameOf={(option: (typeof SIGNALS)[number]) => t(`shelf.signal.${option}`)}
      />
      <FormField
        control={control}
        name="actives"
        label={t('shelf.field.actives')}
        hint={t('shelf.activesHint')}
        multiline
      />
    </Card>
  );
}

/** What a label is of: fields that its kind has not are not asked. */
export type LabelKind = 'herbicide' | 'treatment' | 'fertilizer' | 'seed' | '';

export function RatesCard({ control, kind }: OfLabel & { kind: LabelKind }) {
  const { t } = useTranslation();
  const unit = `${t(`unit.${useWatch({ control, name: 'unit' })}`)}/A`;
  return (
    <Card>
      <Title>{t('shelf.rates')}</Title>
      <FormChoices
        control={control}
        name="unit"
        label={t('shelf.field.unit')}
        options={UNITS}
        nameOf={(option: (typeof UNITS)[number]) => t(`unit.${option}`)}
      />
      <Figures
        control={control}
        of={[
          { name: 'lowPerAcre', unit },
          { name: 'highPerAcre', unit },
        ]}
      />
      {kind === 'seed' ? (
        <Figures
          control={control}
          of={[
            { name: 'purityPct', unit: '%' },
            { name: 'germinationPct', unit: '%' },
          ]}
        />
      ) : (
        <>
          <Figures control={control} of={[{ name: 'maxPerYear', unit }]} />
          <Figures
            control={control}
            of={[
              { name: 'maxApplications' },
              { name: 'minIntervalDays', unit: t('shelf.dayUnit') },
            ]}
          />
        </>
      )}
    </Card>
  );
}

/** What it feeds: the grade of a fertilizer, or what a weed or insect product carries beside. */
export function FeedCard({ control, kind }: OfLabel & { kind: LabelKind }) {
  const { t } = useTranslation();
  const dry = useWatch({ control, name: 'unit' });
  if (kind === 'seed' || (dry !== 'lb' && dry !== 'oz')) return null;
  return (
    <Card>
      <Title>{t('shelf.feeds')}</Title>
      {kind === 'fertilizer' ? null : (
        <>
          <Words size="note" tone="quiet">
            {t('shelf.feedsHint')}
          </Words>
          <FormYesNo
            control={control}
            name="granular"
            label={t('shelf.field.granular')}
            nameOf={(option) => t(`shelf.spread.${option}`)}
          />
        </>
      )}
      <Figures
        control={control}
        of={[
          { name: 'nPct', unit: '%' },
          { name: 'p2o5Pct', unit: '%' },
        ]}
      />
      <Figures
        control={control}
        of={[
          { name: 'k2oPct', unit: '%' },
          { name: 'slowPct', unit: '%' },
        ]}
      />
    </Card>
  );
}

/** Where it may be used. */
export function WhereCard({ control }: OfLabel) {
  const { t } = useTranslation();
  const turf = useController({ control, name: 'turf' }).field;
  return (
    <Card>
      <Title>{t('shelf.where')}</Title>
      <FormYesNo
        control={control}
        name="homeLawns"
        label={t('shelf.field.homeLawns')}
        nameOf={(option) => t(`shelf.home.${option}`)}
      />
      <Words size="note" weight="semi" tone="second">
        {t('shelf.field.turf')}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {DESIRED.map((slug) => (
          <Chip
            key={slug}
            label={t(`grass.${slug}`)}
            chosen={turf.value.includes(slug)}
            onPress={() =>
              turf.onChange(
                turf.value.includes(slug)
                  ? turf.value.filter((own) => own !== slug)
                  : [...turf.value, slug],
              )
            }
          />
        ))}
      </View>
      <Words size="note" tone="quiet">
        {t('shelf.turfHint')}
      </Words>
      <FormField control={control} name="siteBans" label={t('shelf.field.siteBans')} multiline />
    </Card>
  );
}

/** In what weather, and what has to wait for it. */
export function WhenCard({ control }: OfLabel) {
  const { t } = useTranslation();
  const [hours, weeks] = [t('shelf.hourUnit'), t('shelf.weekUnit')];
  return (
    <Card>
      <Title>{t('shelf.when')}</Title>
      <Figures
        control={control}
        of={[
          { name: 'airMinF', unit: '°F' },
          { name: 'airMaxF', unit: '°F' },
        ]}
      />
      <Figures
        control={control}
        of={[
          { name: 'waterInIn', unit: 'in' },
          { name: 'rainfastHours', unit: hours },
        ]}
      />
      <Figures control={control} of={[{ name: 'reentryHours', unit: hours }]} />
      <Figures
        control={control}
        of={[
          { name: 'seedAfterWeeks', unit: weeks },
          { name: 'seedBeforeWeeks', unit: weeks },
        ]}
      />
    </Card>
  );
}

/** What is in store, and the way off the shelf. */
export function StoreCard({ control, onRemove }: OfLabel & { onRemove: (() => void) | undefined }) {
  const { t } = useTranslation();
  const unit = t(`unit.${useWatch({ control, name: 'unit' })}`);
  return (
    <Card>
      <Title>{t('shelf.store')}</Title>
      <Figures
        control={control}
        of={[
          { name: 'packageAmount', unit },
          { name: 'priceUsd', unit: '$' },
        ]}
      />
      <Figures control={control} of={[{ name: 'packages' }]} />
      <FormYesNo
        control={control}
        name="inUse"
        label={t('shelf.field.inUse')}
        nameOf={(option) => t(`shelf.use.${option}`)}
      />
      {onRemove ? <Button kind="quiet" label={t('shelf.remove')} onPress={onRemove} /> : null}
    </Card>
  );
}
