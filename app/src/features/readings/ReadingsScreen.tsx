import {
  comparePh,
  dailyMeanFromReading,
  judgeSpots,
  laboratoryDays,
  daysBetween,
  mainGrass,
  TURF_WAVE,
  zoneBias,
  type Lawn,
  type LocalDate,
  type ProbeReading,
  type SoilSample,
} from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import {
  useCompany,
  useLawn,
  usePutReading,
  usePutSample,
  useReadings,
  useSamples,
  useWeather,
} from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { saveFile } from '@/features/plan/saveFile';
import { FileButton } from '@/features/property/FileButton';
import { exchange } from '@/features/property/useExchange';
import {
  Button,
  Card,
  Chip,
  Failed,
  Field,
  focusFirstFault,
  fullDay,
  Loading,
  number,
  NumberField,
  numbersText,
  type NumberText,
  numberText,
  Screen,
  Tag,
  Title,
  typedNumber,
  typedNumbers,
  Words,
} from '@/ui';
import { standInProbe } from './standInProbe';

/** Soil temperature, pH spots and soil samples of a lawn. */
export function ReadingsScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const lawn = useLawn(lawnId).data;
  const company = useCompany().data;
  const [zoneId, setZoneId] = useState<string | null>(null);
  const back = `/lawns/${lawnId}/visit`;
  const zone = lawn?.zones.find(({ id }) => id === zoneId) ?? lawn?.zones[0];
  if (!lawn || !company || !zone) {
    return (
      <Screen title={t('readings.title')} back={back}>
        {lawn && company ? <Words>{t('plan.zoneFirst')}</Words> : <Loading />}
      </Screen>
    );
  }
  return (
    <Screen title={t('readings.title')} lead={lawn.name} subject={lawn.name} back={back}>
      <View className="flex-row flex-wrap gap-2">
        {lawn.zones.map((entry) => (
          <Chip
            key={entry.id}
            label={entry.name}
            chosen={entry.id === zone.id}
            onPress={() => setZoneId(entry.id)}
          />
        ))}
      </View>
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-1">
          <SoilTemperature key={zone.id} lawn={lawn} zoneId={zone.id} today={company.today} />
          <PhSpots key={`ph-${zone.id}`} zone={zone} />
        </View>
        <View className="gap-4 lg:flex-1">
          <Samples lawn={lawn} zoneId={zone.id} today={company.today} />
        </View>
      </View>
    </Screen>
  );
}

/** Several spots at one hour, or what the stand-in probe reads. */
function SoilTemperature({
  lawn,
  zoneId,
  today,
}: {
  lawn: Lawn;
  zoneId: string;
  today: LocalDate;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const readings = useReadings(lawn.id).data ?? [];
  const weather = useWeather(lawn.stationId).data;
  const put = usePutReading(lawn.id);
  const [depth, setDepth] = useState<'2' | '4'>('2');
  const [hour, setHour] = useState(() => numberText(9));
  const [text, setText] = useState<NumberText>('');
  const [tried, setTried] = useState(false);
  const values = typedNumbers(text);
  const badValues =
    values.length === 0 ||
    values.length > 12 ||
    values.some((value) => value === null || value < -10 || value > 130);
  const at = typedNumber(hour);
  const badHour = at === null || at < 0 || at > 24;
  const spots = badValues ? [] : judgeSpots(values as number[]);
  const kept = spots.filter(({ outlier }) => !outlier).map(({ valueF }) => valueF);
  const mean = kept.reduce((sum, value) => sum + value, 0) / Math.max(1, kept.length);
  const daily = badHour ? null : dailyMeanFromReading(mean, at, Number(depth), TURF_WAVE);
  const zone = lawn.zones.find(({ id }) => id === zoneId);
  const own = readings.filter((reading) => reading.zoneId === zoneId);
  const doubted =
    zone && weather ? zoneBias(zone.site.factors, weather, own).refused : ([] as string[]);
  const refused = own.filter(({ id }) => doubted.includes(id));
  const probe = () => weather && setText(numbersText(standInProbe(weather)));
  const save = () => {
    setTried(true);
    if (badValues || badHour) return focusFirstFault();
    put.mutate(
      {
        id: uuid(),
        body: {
          lawnId: lawn.id,
          zoneId,
          date: today,
          hour: at,
          depthIn: Number(depth),
          valuesF: kept,
        },
      },
      { onSuccess: () => setText('') },
    );
  };
  return (
    <Card>
      <Title>{t('readings.soil')}</Title>
      <Words size="note" tone="second">
        {t('readings.soilLead')}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {(['2', '4'] as const).map((option) => (
          <Chip
            key={option}
            label={t('readings.depth', { depth: option })}
            chosen={depth === option}
            onPress={() => setDepth(option)}
          />
        ))}
      </View>
      <NumberField
        label={t('readings.hour')}
        hint={t('readings.hourHint')}
        value={hour}
        onChange={setHour}
        error={tried && badHour ? t('readings.badHour') : undefined}
      />
      <NumberField
        label={t('readings.spots')}
        series
        hint={t('readings.spotsHint')}
        unit="°F"
        value={text}
        onChange={setText}
        error={tried && badValues ? t('readings.badSpots') : undefined}
        testID="soil-spots"
      />
      <Button kind="plain" label={t('readings.probe')} onPress={probe} testID="probe" />
      {spots.length > 0 && daily !== null ? (
        <>
          <Words weight="bold" tabular testID="daily-mean">
            {t('readings.mean', { mean: number(mean, 1), daily: number(daily, 1) })}
          </Words>
          {spots.some(({ outlier }) => outlier) ? (
            <Words size="note" tone="caution" weight="semi">
              {t('readings.outlier', {
                spots: spots
                  .filter(({ outlier }) => outlier)
                  .map(({ valueF }) => number(valueF, 1))
                  .join(', '),
              })}
            </Words>
          ) : null}
          {spots.length < 3 ? (
            <Words size="note" tone="second">
              {t('readings.fewSpots')}
            </Words>
          ) : null}
        </>
      ) : null}
      {put.error ? <Failed message={words(put.error)} /> : null}
      <Button
        label={t('readings.keep')}
        onPress={save}
        busy={put.isPending ? t('common.loading') : null}
        testID="keep-reading"
      />
      {refused.length > 0 ? (
        <Words tone="caution" weight="semi" role="alert">
          {t('probeFile.refused', { date: fullDay(refused[refused.length - 1]!.date) })}
        </Words>
      ) : null}
      <ProbeFiles lawn={lawn} readings={readings} />
      {readings
        .filter((reading) => reading.zoneId === zoneId)
        .map((reading) => (
          <Words key={reading.id} size="note" tone="second" tabular>
            {t('readings.was', {
              date: fullDay(reading.date),
              depth: reading.depthIn,
              values: reading.valuesF.map((value) => number(value, 1)).join(' · '),
            })}
          </Words>
        ))}
    </Card>
  );
}

/** Readings in and out as a file. */
function ProbeFiles({ lawn, readings }: { lawn: Lawn; readings: readonly ProbeReading[] }) {
  const { t } = useTranslation();
  const put = usePutReading(lawn.id);
  const [said, setSaid] = useState<string[]>([]);
  const take = async (text: string) => {
    const { parseProbeCsv } = await exchange();
    const { readings: found, errors } = parseProbeCsv(text, lawn.zones);
    setSaid([
      t('probeFile.taken', { count: errors.length > 0 ? 0 : found.length }),
      ...errors.map(({ row, column, message }) =>
        t('import.errorAt', { row, column: column ?? '', message }),
      ),
    ]);
    if (errors.length > 0) return;
    for (const reading of found) {
      put.mutate({ id: uuid(), body: { ...reading, lawnId: lawn.id } });
    }
  };
  return (
    <>
      <FileButton
        label={t('probeFile.import')}
        accept=".csv,text/csv"
        onText={(text) => void take(text)}
      />
      {said.map((line) => (
        <Words key={line} role="status" size="note">
          {line}
        </Words>
      ))}
      <Button
        kind="quiet"
        label={t('probeFile.export')}
        disabled={readings.length === 0}
        onPress={() =>
          void exchange().then(({ writeProbeCsv }) =>
            saveFile(
              `${lawn.name}-soil-temperature.csv`,
              'text/csv',
              writeProbeCsv(readings, lawn.zones),
            ),
          )
        }
      />
    </>
  );
}

/** A pH kit at several spots against the spot where the turf is best. */
function PhSpots({ zone }: { zone: Lawn['zones'][number] }) {
  const { t } = useTranslation();
  const [text, setText] = useState<NumberText>('');
  const values = typedNumbers(text);
  const bad = values.some((value) => value === null || value < 2 || value > 12);
  const compared = bad ? null : comparePh(values as number[], 0, mainGrass(zone));
  return (
    <Card>
      <Title>{t('readings.ph')}</Title>
      <NumberField
        label={t('readings.phSpots')}
        series
        hint={t('readings.phHint')}
        value={text}
        onChange={setText}
        error={text !== '' && bad ? t('readings.badPh') : undefined}
        testID="ph-spots"
      />
      {compared ? (
        <>
          {compared.bestVerdict ? (
            <Tag
              label={t(`readings.phBest.${compared.bestVerdict}`, {
                value: number(compared.best, 1),
              })}
              tone={compared.bestVerdict === 'fine' ? 'good' : 'caution'}
            />
          ) : null}
          {compared.spots.slice(1).map(({ difference, verdict }, index) => (
            <Words key={index} tone={verdict === 'finding' ? 'stop' : 'second'}>
              {t(`readings.phSpot.${verdict}`, {
                number: index + 2,
                difference: number(difference, 1),
              })}
            </Words>
          ))}
          <Words size="note" tone="quiet">
            {t('readings.phCaution')}
          </Words>
        </>
      ) : null}
    </Card>
  );
}

/** Bags of soil: bagged, sent, and what came back. */
function Samples({ lawn, zoneId, today }: { lawn: Lawn; zoneId: string; today: LocalDate }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const samples = useSamples(lawn.id).data ?? [];
  const put = usePutSample(lawn.id);
  const [bagId, setBagId] = useState('');
  const [cores, setCores] = useState(() => numberText(12));
  const [from, setFrom] = useState<'best' | 'poor' | 'whole-zone'>('whole-zone');
  const [tried, setTried] = useState(false);
  const [said, setSaid] = useState<string[]>([]);
  const count = typedNumber(cores);
  const badCores = count === null || count < 1 || count > 60 || !Number.isInteger(count);
  const bag = () => {
    setTried(true);
    if (bagId.trim() === '' || badCores) return focusFirstFault();
    put.mutate(
      {
        id: uuid(),
        body: {
          lawnId: lawn.id,
          zoneId,
          date: today,
          bagId: bagId.trim(),
          cores: count,
          depthIn: 4,
          from,
          sentOn: null,
          report: null,
        },
      },
      {
        onSuccess: () => {
          setBagId('');
          setTried(false);
        },
      },
    );
  };
  const bodyOf = ({ id: _id, version: _version, ...body }: SoilSample) => body;
  const send = (sample: SoilSample) =>
    put.mutate({ id: sample.id, body: { ...bodyOf(sample), sentOn: today } });
  const waiting = samples.filter(({ report }) => !report);
  const take = async (text: string) => {
    const { parseSoilReportCsv } = await exchange();
    const { reports, errors } = parseSoilReportCsv(
      text,
      waiting.map((sample) => sample.bagId),
    );
    setSaid([
      t('readings.imported', { count: reports.length }),
      ...errors.map(({ row, column, message }) =>
        t('import.errorAt', { row, column: column ?? '', message }),
      ),
    ]);
    for (const { bagId: bagOf, report } of reports) {
      const sample = waiting.find((entry) => entry.bagId === bagOf);
      if (sample) put.mutate({ id: sample.id, body: { ...bodyOf(sample), report } });
    }
  };
  const reported = samples.flatMap(({ bagId: bagOf, report }) =>
    report ? [{ bagId: bagOf, report }] : [],
  );
  return (
    <Card>
      <View className="flex-row items-center gap-2">
        <Title className="flex-1">{t('readings.samples')}</Title>
        <Tag label={t('common.standIn')} tone="caution" />
      </View>
      <Words size="note" tone="second">
        {t('readings.samplesLead')}
      </Words>
      <Field
        label={t('readings.bag')}
        value={bagId}
        onChange={setBagId}
        error={tried && bagId.trim() === '' ? t('readings.needsBag') : undefined}
        testID="bag-id"
      />
      <NumberField
        label={t('readings.cores')}
        value={cores}
        onChange={setCores}
        error={tried && badCores ? t('readings.badCores') : undefined}
      />
      <View className="flex-row flex-wrap gap-2">
        {(['whole-zone', 'best', 'poor'] as const).map((option) => (
          <Chip
            key={option}
            label={t(`readings.from.${option}`)}
            chosen={from === option}
            onPress={() => setFrom(option)}
          />
        ))}
      </View>
      {put.error ? <Failed message={words(put.error)} /> : null}
      <Button
        label={t('readings.bagIt')}
        onPress={bag}
        busy={put.isPending ? t('common.loading') : null}
        testID="bag-it"
      />
      {samples.map((sample) => {
        const late =
          sample.sentOn !== null &&
          !sample.report &&
          daysBetween(sample.sentOn, today) > laboratoryDays.overdue;
        return (
          <View key={sample.id} className="gap-1 border-t-2 border-line pt-3">
            <View className="flex-row items-center gap-2">
              <Words weight="bold" className="flex-1">
                {`${sample.bagId} · ${lawn.zones.find(({ id }) => id === sample.zoneId)?.name ?? ''}`}
              </Words>
              {late ? <Tag label={t('readings.late')} tone="stop" /> : null}
            </View>
            {sample.report ? (
              <Words tabular size="note">
                {t('readings.report', {
                  date: fullDay(sample.report.reportedOn),
                  ph: number(sample.report.ph, 1),
                  p: number(sample.report.phosphorusPpm ?? 0),
                  k: number(sample.report.potassiumPpm ?? 0),
                  om: number(sample.report.organicMatterPct ?? 0, 1),
                })}
              </Words>
            ) : sample.sentOn ? (
              <Words size="note" tone="second">
                {t('readings.sent', { date: fullDay(sample.sentOn) })}
              </Words>
            ) : (
              <Button
                kind="plain"
                label={t('readings.send')}
                onPress={() => send(sample)}
                testID={`send-${sample.bagId}`}
              />
            )}
          </View>
        );
      })}
      <FileButton
        label={t('readings.import')}
        accept=".csv,text/csv"
        onText={(text) => void take(text)}
      />
      {said.map((line) => (
        <Words key={line} role="status" size="note">
          {line}
        </Words>
      ))}
      <Button
        kind="plain"
        label={t('readings.export')}
        disabled={reported.length === 0}
        onPress={() =>
          void exchange().then(({ writeSoilReportCsv }) =>
            saveFile(`${lawn.name}-soil.csv`, 'text/csv', writeSoilReportCsv(reported)),
          )
        }
      />
    </Card>
  );
}
