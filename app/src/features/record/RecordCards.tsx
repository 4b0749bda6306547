import { useController, type Control } from 'react-hook-form';
import type { Company } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { materialName } from '@/features/season/productWords';
import { useProducts } from '@/features/shelf/useProducts';
import {
  Card,
  Failed,
  FormChoices,
  FormField,
  FormNumber,
  FormPicker,
  FormSelect,
  number,
  SelectField,
  Title,
  Words,
} from '@/ui';
import type { Job } from './job';
import {
  AMOUNT_DIGITS,
  SKIES,
  STRANGERS,
  UNKNOWN_WIND,
  WINDS,
  type RecordDraft,
} from './recordDraft';

interface OfRecord {
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- whatever its schema makes of the fields
  control: Control<RecordDraft, any, any>;
}

/** Fields that stand side by side. */
function Pair({ children }: { children: readonly React.ReactNode[] }) {
  return (
    <View className="flex-row flex-wrap gap-3">
      {children.map((child, index) => (
        <View key={index} className="min-w-[120px] flex-1">
          {child}
        </View>
      ))}
    </View>
  );
}

/** Ground and product. */
export function AmountsCard({ control, job }: OfRecord & { job: Job }) {
  const { t } = useTranslation();
  const shelf = useProducts();
  return (
    <Card>
      <Title>{t('record.what')}</Title>
      <FormNumber
        control={control}
        name="area"
        label={t('record.area')}
        unit="ft²"
        testID="record-area"
      />
      {job.materials.map((material, index) => {
        const unit = t(`unit.${material.unit}`);
        return (
          <FormNumber
            key={material.slug}
            control={control}
            name={`amounts.${index}`}
            label={`${materialName(t, material, shelf)}: ${t('record.used').toLowerCase()}`}
            unit={unit}
            hint={t('record.planned', { value: number(material.amount, AMOUNT_DIGITS), unit })}
            testID={`amount-${index}`}
          />
        );
      })}
      {job.spray ? (
        <FormNumber
          control={control}
          name="carrier"
          label={t('record.water')}
          unit={t('mix.gal')}
        />
      ) : null}
    </Card>
  );
}

export function WhenCard({ control, today }: OfRecord & { today: string }) {
  const { t } = useTranslation();
  return (
    <Card>
      <FormPicker control={control} name="date" type="date" label={t('record.date')} max={today} />
      <Pair>
        <FormPicker control={control} name="start" type="time" label={t('record.start')} />
        <FormPicker control={control} name="end" type="time" label={t('record.end')} />
      </Pair>
    </Card>
  );
}

export function WeatherCard({ control, spray }: OfRecord & { spray: boolean }) {
  const { t } = useTranslation();
  return (
    <Card>
      <Title>{t('record.weather')}</Title>
      <Pair>
        <FormNumber
          control={control}
          name="air"
          label={t('record.air')}
          unit="°F"
          testID="record-air"
        />
        <FormNumber
          control={control}
          name="wind"
          label={t('record.wind')}
          unit="mph"
          testID="record-wind"
        />
      </Pair>
      <Pair>
        <FormSelect
          control={control}
          name="windFrom"
          label={t('record.windFrom')}
          options={[
            ...(spray ? [{ value: '', label: t('kerb.windFromUnseen') }] : []),
            ...WINDS.map((value) => ({ value, label: t(`record.winds.${value}`) })),
            ...(spray ? [] : [{ value: UNKNOWN_WIND, label: t(`record.winds.${UNKNOWN_WIND}`) }]),
          ]}
        />
        <FormSelect
          control={control}
          name="sky"
          label={t('record.sky')}
          options={SKIES.map((value) => ({ value, label: t(`record.skies.${value}`) }))}
        />
      </Pair>
    </Card>
  );
}

/** A product that spares nothing is meant, or it is not kept. */
export function KillCard({ control }: OfRecord) {
  const { t } = useTranslation();
  return (
    <Card tone="stop">
      <Title>{t('record.killTitle')}</Title>
      <Words>{t('record.killLead')}</Words>
      <FormChoices
        control={control}
        name="kill"
        label={t('record.kill')}
        options={['yes'] as const}
        nameOf={() => t('record.killMeant')}
      />
    </Card>
  );
}

/** How a spray was walked, and what bloomed. */
export function PaceCard({ control }: OfRecord) {
  const { t } = useTranslation();
  return (
    <Card>
      <Title>{t('record.walkTitle')}</Title>
      <Pair>
        <FormNumber
          control={control}
          name="calibrated"
          label={t('record.calibrated')}
          unit="mph"
          testID="record-calibrated"
        />
        <FormNumber
          control={control}
          name="pace"
          label={t('record.pace')}
          unit="mph"
          testID="record-pace"
        />
      </Pair>
      <FormChoices
        control={control}
        name="bloom"
        label={t('record.bloom')}
        options={['no', 'yes'] as const}
        nameOf={(option: 'no' | 'yes') => t(`record.bloomIs.${option}`)}
      />
    </Card>
  );
}

export function WhoCard({ control, members }: OfRecord & { members: Company['members'] }) {
  const { t } = useTranslation();
  const { field, fieldState } = useController({ control, name: 'who' });
  const member = members.find(({ id }) => id === field.value);
  return (
    <Card>
      <SelectField
        label={t('record.applicator')}
        value={field.value}
        options={[
          ...members.map(({ id, name }) => ({ value: id, label: name })),
          ...STRANGERS.map((kind) => ({ value: kind, label: t(`record.stranger.${kind}`) })),
        ]}
        onChange={field.onChange}
      />
      {member?.licence ? (
        <Words tone="second">{t('record.licenceIs', { licence: member.licence })}</Words>
      ) : null}
      {STRANGERS.some((kind) => kind === field.value) ? (
        <FormField
          control={control}
          name="stranger"
          label={`${t('record.strangerName')} (${t('common.optional')})`}
        />
      ) : null}
      {fieldState.error ? <Failed message={t('record.unlicensed')} /> : null}
      <FormField
        control={control}
        name="note"
        label={`${t('record.note')} (${t('common.optional')})`}
        multiline
      />
    </Card>
  );
}
