import type { SoilReport, SoilSample } from '@alfombra/core';
import { soilReportSchema } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, FormNumber, FormPicker, FormSelect, Sheet, Words } from '@/ui';
import { emptyReport, reportFormSchema, reportOf } from './readingDraft';

const LEVELS = [
  'phosphorusPpm',
  'potassiumPpm',
  'magnesiumPpm',
  'calciumPpm',
  'sulfurPpm',
  'organicMatterPct',
  'salinityDsM',
] as const;
const UNIT: Partial<Record<(typeof LEVELS)[number], string>> = {
  organicMatterPct: '%',
  salinityDsM: 'dS/m',
};
const { extractant, bufferMethod } = soilReportSchema.shape;

/** The laboratory's paper, typed in. */
export function ReportSheet({
  sample,
  today,
  onClose,
  onKeep,
}: {
  sample: SoilSample | null;
  today: string;
  onClose: () => void;
  onKeep: (report: SoilReport) => void;
}) {
  const { t } = useTranslation();
  return (
    <Sheet
      open={sample !== null}
      title={t('readings.reportOf', { bag: sample?.bagId ?? '' })}
      onClose={onClose}
    >
      {sample ? <Form key={sample.id} sample={sample} today={today} onKeep={onKeep} /> : null}
    </Sheet>
  );
}

function Form({
  sample,
  today,
  onKeep,
}: {
  sample: SoilSample;
  today: string;
  onKeep: (report: SoilReport) => void;
}) {
  const { t } = useTranslation();
  const { form, unsaved, done, discard } = useDraftForm({
    key: `report-of:${sample.id}`,
    source: sample.id,
    make: emptyReport,
    schema: reportFormSchema(today),
  });
  const { control } = form;
  const keep = form.handleSubmit((read) => {
    done();
    onKeep(reportOf(read));
  });
  return (
    <>
      <Words tone="second">{t('readings.reportLead')}</Words>
      <FormPicker
        control={control}
        name="reportedOn"
        type="date"
        label={t('readings.reportedOn')}
        max={today}
      />
      <FormNumber control={control} name="ph" label={t('readings.level.ph')} />
      <FormNumber control={control} name="bufferPh" label={t('readings.level.bufferPh')} />
      <FormSelect
        control={control}
        name="bufferMethod"
        label={t('readings.bufferMethod')}
        options={[
          { value: '' as const, label: '–' },
          ...bufferMethod.unwrap().options.map((value) => ({
            value,
            label: t(`readings.buffer.${value}`),
          })),
        ]}
      />
      <FormSelect
        control={control}
        name="extractant"
        label={t('readings.extractant')}
        options={extractant.options.map((value) => ({
          value,
          label: t(`readings.extractants.${value}`),
        }))}
      />
      <View className="flex-row flex-wrap gap-3">
        {LEVELS.map((level) => (
          <View key={level} className="min-w-[140px] flex-1">
            <FormNumber
              control={control}
              name={level}
              label={t(`readings.level.${level}`)}
              unit={UNIT[level] ?? 'ppm'}
            />
          </View>
        ))}
      </View>
      <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
      <Button label={t('readings.keepReport')} onPress={() => void keep()} wide />
    </>
  );
}
