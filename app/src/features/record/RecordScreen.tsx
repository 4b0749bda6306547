import { applicationsOf, zoneArea, type ApplicationRecord, type Step } from '@alfombra/core';
import { checkApplication, lowPhosphorus } from '@alfombra/core/judging';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePutRecord } from '@/api/putRecord';
import { useSamples, useSession } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { materialName } from '@/features/season/productWords';
import type { SeasonQuestion } from '@/workers/seasonView';
import { useLawnSeason } from '@/features/season/useLawnSeason';
import { useRecordStore, type RecordDraft } from '@/state/recordStore';
import {
  Button,
  Card,
  Choices,
  Empty,
  Failed,
  Field,
  focusFirstFault,
  Loading,
  number,
  NumberField,
  numberText,
  PickerField,
  Screen,
  SelectField,
  Title,
  Words,
} from '@/ui';
import { Findings } from './Findings';
import type { Job } from './job';
import { OtherJob } from './OtherJob';
import { readRecord } from './readRecord';

const WINDS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'calm'] as const;
const SKIES = ['clear', 'part-cloudy', 'overcast', 'rain'] as const;
const AMOUNT_DIGITS = 3;

function jobOf(step: Step): Job | null {
  const application = applicationsOf(step)[0];
  if (!application) return null;
  const protect = step.kind === 'protect' ? step : null;
  const weeds = step.kind === 'prevent' || step.kind === 'control' ? step : null;
  const carrier = (weeds ?? protect)?.carrierGalPer1000 ?? null;
  return {
    key: step.id,
    stepId: step.id,
    zoneId: step.zoneId,
    areaFt2: step.areaFt2,
    materials: application.materials,
    targets: weeds ? weeds.control.map(({ weed }) => weed) : protect ? [protect.cause] : [],
    spray: carrier !== null,
    carrierGal: carrier === null ? null : (step.areaFt2 / 1000) * carrier,
  };
}

/** Name of the route that records work outside the season. */
const OTHER = 'other';

/** Writes down what was really done; the checker speaks, and refuses nothing. */
export function RecordScreen({ lawnId, stepId }: { lawnId: string; stepId: string }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const { question, view, error, retry } = useLawnSeason(lawnId);
  const [kept, setKept] = useState<ApplicationRecord | null>(null);
  const [other, setOther] = useState<Job | null>(null);
  const back = `/lawns/${lawnId}${stepId === OTHER ? '' : '/season'}`;
  if (kept) return <Kept record={kept} lawnId={lawnId} />;
  const step = view?.season.steps.find(({ id }) => id === stepId);
  const job = stepId === OTHER ? other : step ? jobOf(step) : null;
  if (question && view && stepId === OTHER && !job) {
    return (
      <Screen
        title={t('record.otherTitle')}
        lead={question.lawn.name}
        subject={question.lawn.name}
        back={back}
      >
        <OtherJob lawn={question.lawn} onJob={setOther} />
      </Screen>
    );
  }
  if (!question || !view || !job) {
    return (
      <Screen title={t('record.title')} back={back}>
        {error ? (
          <Failed message={words(error)} onRetry={retry} />
        ) : view ? (
          <Empty title={t('season.empty')} />
        ) : (
          <Loading />
        )}
      </Screen>
    );
  }
  return <Form question={question} job={job} onKept={setKept} />;
}

function Form({
  question,
  job,
  onKept,
}: {
  question: SeasonQuestion;
  job: Job;
  onKept: (record: ApplicationRecord) => void;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const session = useSession();
  const { lawn, company, weather } = question;
  const zone = lawn.zones.find(({ id }) => id === job.zoneId)!;
  const { spray } = job;
  const { drafts, open, change, finish } = useRecordStore();
  const draft = drafts[job.key];
  const putRecord = usePutRecord(lawn, company);
  const samples = useSamples(lawn.id).data ?? [];
  const [tried, setTried] = useState(false);
  const today = weather.days[weather.days.length - 1]!;

  useEffect(() => {
    if (draft || !session.data) return;
    open(job.key, {
      area: numberText(job.areaFt2, 0),
      amounts: job.materials.map(({ amount }) => numberText(amount, AMOUNT_DIGITS)),
      carrier: numberText(job.carrierGal, 2),
      date: company.today,
      start: '',
      end: '',
      air: numberText(today.tmaxF, 0),
      wind: numberText(today.windMph ?? 5, 0),
      windFrom: 'W',
      sky: 'part-cloudy',
      applicator: session.data.name,
      licence: session.data.licence,
      note: '',
      calibrated: '',
      pace: '',
      bloom: '',
    });
  }, [draft, session.data, open, job, company.today, today]);

  if (!draft) {
    return (
      <Screen title={t('record.title')}>
        <Loading />
      </Screen>
    );
  }
  const set = (part: Partial<RecordDraft>) => change(job.key, part);
  const read = readRecord(draft, {
    lawnId: lawn.id,
    zoneId: zone.id,
    stepId: job.stepId,
    today: company.today,
    materials: job.materials,
    targets: job.targets,
    spray,
  });
  const error = (field: keyof typeof read.errors) => {
    const key = read.errors[field];
    return key && (tried || draft[field] !== '') ? t(key) : undefined;
  };
  const { judged } = read;
  const lowP = lowPhosphorus(samples, zone.id, company.today);
  const preview = judged
    ? checkApplication(
        { ...judged, id: draft.recordId, zoneId: zone.id },
        {
          stand: zone.stand,
          desired: zone.desired,
          zoneFt2: zoneArea(zone),
          others: question.records.filter(({ zoneId }) => zoneId === zone.id),
          airHighF: judged.airF,
          windMph: judged.windMph,
          irrigated: zone.site.irrigated === true,
          certified: company.policy.certified,
          confirmedLabels: company.policy.confirmedLabels,
          ordinance: company.policy.ordinance,
          labels: company.policy.labels,
          ...(lowP === undefined ? {} : { lowPhosphorus: lowP }),
          ...(judged.bloom === null ? {} : { bloom: judged.bloom }),
          ...(judged.paceMph === null ? {} : { paceMph: judged.paceMph }),
          ...(judged.calibratedMph === null ? {} : { calibratedMph: judged.calibratedMph }),
        },
      )
    : [];
  const save = () => {
    setTried(true);
    if (!read.body) return focusFirstFault();
    putRecord.mutate(
      { id: draft.recordId, body: read.body },
      {
        onSuccess: (record) => {
          finish(job.key);
          onKept(record);
        },
      },
    );
  };
  return (
    <Screen
      title={t('record.title')}
      subject={lawn.name}
      lead={`${lawn.name} · ${zone.name}`}
      back={`/lawns/${lawn.id}/season`}
      footer={
        <>
          {putRecord.error ? (
            <Failed message={`${words(putRecord.error)} ${t('common.kept')}`} />
          ) : null}
          <Button
            label={t('record.save')}
            onPress={save}
            busy={putRecord.isPending ? t('common.loading') : null}
            testID="keep-record"
            wide
          />
        </>
      }
    >
      <Card>
        <Title>{t('record.what')}</Title>
        <NumberField
          label={t('record.area')}
          unit="ft²"
          value={draft.area}
          onChange={(area) => set({ area })}
          error={error('area')}
          testID="record-area"
        />
        {job.materials.map((material, index) => {
          const unit = t(`unit.${material.unit}`);
          return (
            <NumberField
              key={material.slug}
              label={`${materialName(t, material)}: ${t('record.used').toLowerCase()}`}
              unit={unit}
              value={draft.amounts[index] ?? ''}
              onChange={(text) =>
                set({ amounts: draft.amounts.map((a, i) => (i === index ? text : a)) })
              }
              hint={t('record.planned', {
                value: number(material.amount, AMOUNT_DIGITS),
                unit,
              })}
              error={
                read.badAmounts[index] && (tried || (draft.amounts[index] ?? '') !== '')
                  ? t('record.number')
                  : undefined
              }
              testID={`amount-${index}`}
            />
          );
        })}
        {spray ? (
          <NumberField
            label={t('record.water')}
            unit={t('mix.gal')}
            value={draft.carrier}
            onChange={(carrier) => set({ carrier })}
            error={error('carrier')}
          />
        ) : null}
      </Card>
      <Card>
        <PickerField
          type="date"
          label={t('record.date')}
          value={draft.date}
          max={company.today}
          onChange={(date) => set({ date })}
          error={error('date')}
        />
        <View className="flex-row gap-3">
          <View className="flex-1">
            <PickerField
              type="time"
              label={t('record.start')}
              value={draft.start}
              onChange={(start) => set({ start })}
              error={error('start')}
            />
          </View>
          <View className="flex-1">
            <PickerField
              type="time"
              label={t('record.end')}
              value={draft.end}
              onChange={(end) => set({ end })}
              error={error('end')}
            />
          </View>
        </View>
      </Card>
      <Card>
        <Title>{t('record.weather')}</Title>
        <View className="flex-row gap-3">
          <View className="flex-1">
            <NumberField
              label={t('record.air')}
              unit="°F"
              value={draft.air}
              onChange={(air) => set({ air })}
              error={error('air')}
              testID="record-air"
            />
          </View>
          <View className="flex-1">
            <NumberField
              label={t('record.wind')}
              unit="mph"
              value={draft.wind}
              onChange={(wind) => set({ wind })}
              error={error('wind')}
              testID="record-wind"
            />
          </View>
        </View>
        <View className="flex-row gap-3">
          <View className="flex-1">
            <SelectField
              label={t('record.windFrom')}
              value={draft.windFrom}
              options={WINDS.map((value) => ({ value, label: value }))}
              onChange={(windFrom) => set({ windFrom })}
            />
          </View>
          <View className="flex-1">
            <SelectField
              label={t('record.sky')}
              value={draft.sky}
              options={SKIES.map((value) => ({ value, label: t(`record.skies.${value}`) }))}
              onChange={(sky) => set({ sky })}
            />
          </View>
        </View>
      </Card>
      {spray ? (
        <Card>
          <Title>{t('record.walkTitle')}</Title>
          <View className="flex-row gap-3">
            <View className="flex-1">
              <NumberField
                label={t('record.calibrated')}
                unit="mph"
                value={draft.calibrated}
                onChange={(calibrated) => set({ calibrated })}
                error={error('calibrated')}
                testID="record-calibrated"
              />
            </View>
            <View className="flex-1">
              <NumberField
                label={t('record.pace')}
                unit="mph"
                value={draft.pace}
                onChange={(pace) => set({ pace })}
                error={error('pace')}
                testID="record-pace"
              />
            </View>
          </View>
          <Choices
            label={t('record.bloom')}
            value={draft.bloom === '' ? null : draft.bloom}
            options={['no', 'yes'] as const}
            nameOf={(option) => t(`record.bloomIs.${option}`)}
            onChange={(bloom) => set({ bloom })}
          />
        </Card>
      ) : null}
      <Card>
        <Field
          label={t('record.applicator')}
          value={draft.applicator}
          onChange={(applicator) => set({ applicator })}
          error={error('applicator')}
        />
        <Field
          label={t('record.licence')}
          value={draft.licence}
          onChange={(licence) => set({ licence })}
          error={error('licence')}
          testID="record-licence"
        />
        <Field
          label={`${t('record.note')} (${t('common.optional')})`}
          value={draft.note}
          onChange={(note) => set({ note })}
          multiline
        />
      </Card>
      {preview.length > 0 ? (
        <View className="gap-2">
          <Title>{t('record.preview')}</Title>
          <Findings findings={preview} />
        </View>
      ) : null}
    </Screen>
  );
}

function Kept({ record, lawnId }: { record: ApplicationRecord; lawnId: string }) {
  const { t } = useTranslation();
  const router = useRouter();
  return (
    <Screen
      title={t('record.saved')}
      footer={
        <Button
          label={t('record.toLawn')}
          onPress={() => router.replace(`/lawns/${lawnId}`)}
          testID="to-lawn"
          wide
        />
      }
    >
      <Words size="lead" testID="record-kept">
        {t(record.findings.length === 0 ? 'record.savedClean' : 'record.savedFlagged')}
      </Words>
      <Findings findings={record.findings} />
    </Screen>
  );
}
