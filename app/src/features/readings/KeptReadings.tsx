import type { Lawn, Reading } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useAllReadings, usePutReading } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { Button, Failed, fullDay, number, Words } from '@/ui';

/** What was kept of one kind in a zone; each can be taken back, and that again. */
export function KeptReadings({
  lawn,
  zoneId,
  kind,
}: {
  lawn: Lawn;
  zoneId: string;
  kind: 'ph' | 'temperature';
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const put = usePutReading(lawn.id);
  const own = (useAllReadings(lawn.id).data ?? []).filter(
    (reading) => reading.zoneId === zoneId && (reading.kind ?? 'temperature') === kind,
  );
  const turn = ({ id, version: _version, ...body }: Reading) =>
    put.mutate({ id, body: { ...body, takenBack: !body.takenBack } });
  const said = (reading: Reading) =>
    reading.kind === 'ph'
      ? t('readings.wasPh', {
          date: fullDay(reading.date),
          values: reading.spots.map((value) => number(value, 1)).join(' · '),
          water: t(`readings.water.${reading.water}`),
        })
      : t('readings.was', {
          date: fullDay(reading.date),
          depth: reading.depthIn,
          values: reading.valuesF.map((value) => number(value, 1)).join(' · '),
        });
  return (
    <>
      {put.error ? <Failed message={words(put.error)} /> : null}
      {own.map((reading) => (
        <View key={reading.id} className="flex-row flex-wrap items-center gap-2">
          <Words
            size="note"
            tone={reading.takenBack ? 'quiet' : 'second'}
            tabular
            className={`min-w-0 flex-1 ${reading.takenBack ? 'line-through' : ''}`}
          >
            {said(reading)}
          </Words>
          <Button
            kind="quiet"
            label={t(reading.takenBack ? 'readings.putBack' : 'readings.takeBack')}
            onPress={() => turn(reading)}
          />
        </View>
      ))}
    </>
  );
}
