import {
  dailyMeanFromReading,
  siteFactors,
  TURF_WAVE,
  zoneBias,
  type Lawn,
  type LocalDate,
  type Zone,
} from '@alfombra/core';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { usePutReading, useReadings, useWeather } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import {
  Button,
  Card,
  Chip,
  Failed,
  FormChoices,
  FormNumber,
  fullDay,
  number,
  numberText,
  Title,
  typedNumber,
  Words,
} from '@/ui';
import { KeptReadings } from './KeptReadings';
import { ProbeFiles } from './ProbeFiles';
import {
  emptySpots,
  readSpots,
  temperatureFormSchema,
  type TemperatureDraft,
} from './readingDraft';
import { SpotFields } from './SpotFields';
import { standInProbe } from './standInProbe';

/** Several spots at one hour, or what the stand-in probe reads. */
export function TemperatureCard({
  lawn,
  zone,
  today,
}: {
  lawn: Lawn;
  zone: Zone;
  today: LocalDate;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const readings = useReadings(lawn.id).data ?? [];
  const weather = useWeather(lawn.stationId).data;
  const put = usePutReading(lawn.id);
  const [source] = useState(() => ({ hour: new Date().getHours() }));
  const { form, unsaved, done, discard } = useDraftForm({
    key: `temperature:${zone.id}`,
    source,
    make: ({ hour }): TemperatureDraft => ({
      depth: '2',
      hour: numberText(hour),
      spots: emptySpots(),
      trusted: [],
    }),
    schema: temperatureFormSchema,
  });
  const { control, setValue, reset } = form;
  const draft = useWatch({ control }) as TemperatureDraft;
  const spots = readSpots(draft);
  const kept = spots.filter(({ counts }) => counts).map(({ valueF }) => valueF);
  const mean = kept.reduce((sum, value) => sum + value, 0) / Math.max(1, kept.length);
  const hour = typedNumber(draft.hour);
  const daily =
    hour !== null && hour >= 0 && hour <= 24
      ? dailyMeanFromReading(mean, hour, Number(draft.depth), TURF_WAVE)
      : null;
  const own = readings.filter((reading) => reading.zoneId === zone.id);
  const doubted = weather ? zoneBias(siteFactors(zone), weather, own).refused : [];
  const refused = own.filter(({ id }) => doubted.includes(id)).at(-1);
  const save = form.handleSubmit((read) =>
    put.mutate(
      {
        id: uuid(),
        body: {
          lawnId: lawn.id,
          zoneId: zone.id,
          date: today,
          hour: read.hour,
          depthIn: Number(read.depth),
          valuesF: kept,
          takenBack: false,
        },
      },
      {
        onSuccess: () => {
          done();
          reset({ ...draft, spots: emptySpots(), trusted: [] });
        },
      },
    ),
  );
  const probe = () =>
    weather &&
    setValue(
      'spots',
      standInProbe(weather).map((value) => numberText(value)),
    );
  return (
    <Card>
      <Title>{t('readings.soil')}</Title>
      <Words size="note" tone="second">
        {t('readings.soilLead')}
      </Words>
      <FormChoices
        control={control}
        name="depth"
        label={t('readings.depthLabel')}
        options={['2', '4'] as const}
        nameOf={(depth: '2' | '4') => t('readings.depth', { depth })}
      />
      <FormNumber
        control={control}
        name="hour"
        label={t('readings.hour')}
        hint={t('readings.hourHint')}
      />
      <SpotFields
        control={control}
        label={(spot) => t('readings.spot', { number: spot })}
        unit="°F"
      />
      {spots
        .filter(({ odd }) => odd)
        .map(({ field, valueF, counts }) => (
          <Card key={field} tone="caution">
            <Words weight="semi">
              {t('readings.odd', {
                value: number(valueF, 1),
                others: spots
                  .filter(({ odd }) => !odd)
                  .map((spot) => number(spot.valueF, 1))
                  .join(', '),
              })}
            </Words>
            <View className="flex-row flex-wrap gap-2">
              <Chip
                label={t('readings.leaveOut')}
                chosen={!counts}
                onPress={() =>
                  setValue(
                    'trusted',
                    draft.trusted.filter((other) => other !== field),
                  )
                }
              />
              <Chip
                label={t('readings.isRight')}
                chosen={counts}
                onPress={() => setValue('trusted', [...draft.trusted, field])}
              />
            </View>
          </Card>
        ))}
      <Button kind="plain" label={t('readings.probe')} onPress={probe} testID="probe" />
      {kept.length > 0 && daily !== null ? (
        <Words weight="bold" tabular testID="daily-mean">
          {t('readings.mean', { mean: number(mean, 1), daily: number(daily, 1) })}
        </Words>
      ) : null}
      {kept.length > 0 && kept.length < 3 ? (
        <Words size="note" tone="second">
          {t('readings.fewSpots')}
        </Words>
      ) : null}
      {put.error ? <Failed message={words(put.error)} /> : null}
      <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
      <Button
        label={t('readings.keep')}
        onPress={() => void save()}
        busy={put.isPending ? t('common.loading') : null}
        testID="keep-reading"
      />
      {refused ? (
        <Words tone="caution" weight="semi" role="alert">
          {t('probeFile.refused', { date: fullDay(refused.date) })}
        </Words>
      ) : null}
      <ProbeFiles lawn={lawn} readings={readings} />
      <KeptReadings lawn={lawn} zoneId={zone.id} kind="temperature" />
    </Card>
  );
}
