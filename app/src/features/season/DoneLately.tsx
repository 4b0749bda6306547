import {
  daysBetween,
  doneWork,
  isWashedOff,
  rainAfter,
  type ApplicationRecord,
  type Company,
  type Lawn,
  type WeatherBundle,
  WASHED_OFF,
} from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePutRecords } from '@/api/putRecord';
import { useFailureWords } from '@/api/useFailureWords';
import { namesOfZones } from '@/features/record/zoneNames';
import { Button, Card, Failed, fullDay, number, Title, Words } from '@/ui';

/** Days for which work stands here; what rain did to it is known by then. */
const SHOWN_DAYS = 7;

/** What was put down of late, and whether rain took it: then it is work that is still to be done. */
export function DoneLately({
  lawn,
  company,
  weather,
  records,
}: {
  lawn: Lawn;
  company: Company;
  weather: Pick<WeatherBundle, 'days'>;
  records: readonly ApplicationRecord[];
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putRecords = usePutRecords(lawn, company);
  const sprays = records.filter(
    ({ date, materials }) =>
      date <= company.today &&
      daysBetween(date, company.today) <= SHOWN_DAYS &&
      materials.some(({ kind }) => kind === 'herbicide' || kind === 'treatment'),
  );
  if (sprays.length === 0) return null;
  const say = (done: readonly ApplicationRecord[], effect: number | undefined) =>
    putRecords.mutate(
      done.map(({ id, version: _version, findings: _findings, effect: _effect, ...body }) => ({
        id,
        body: effect === undefined ? body : { ...body, effect },
      })),
    );
  return (
    <Card tone="panel">
      <Title>{t('doneLately.title')}</Title>
      {putRecords.error ? <Failed message={words(putRecords.error)} /> : null}
      {doneWork(sprays).map((done) => {
        const record = done[0]!;
        const washed = done.every(isWashedOff);
        const rainIn = rainAfter(weather.days, record.date);
        return (
          <View key={record.id} className="flex-row flex-wrap items-center gap-3">
            <View className="min-w-0 flex-1">
              <Words weight="semi">
                {record.materials.map(({ kind, slug }) => t(`${kind}.${slug}`)).join(', ')}
              </Words>
              <Words tone="second">{`${namesOfZones(lawn, done)} · ${fullDay(record.date)}`}</Words>
              {washed ? (
                <Words tone="caution">{t('doneLately.washed')}</Words>
              ) : rainIn !== null ? (
                <Words tone="caution">{t('doneLately.rain', { inches: number(rainIn, 2) })}</Words>
              ) : null}
            </View>
            <Button
              kind="plain"
              label={washed ? t('decided.takeBack') : t('doneLately.ask')}
              onPress={() => say(done, washed ? undefined : WASHED_OFF)}
              busy={putRecords.isPending ? t('common.loading') : null}
            />
          </View>
        );
      })}
    </Card>
  );
}
