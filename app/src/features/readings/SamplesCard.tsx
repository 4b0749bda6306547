import { type Lawn, type LocalDate, type SoilSample } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { v7 as uuid } from 'uuid';
import { usePutSample, useSamples } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { saveFile } from '@/features/plan/saveFile';
import { FileButton } from '@/features/property/FileButton';
import { exchange } from '@/features/property/useExchange';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Card, Failed, FormChoices, FormField, FormNumber, Title, Words } from '@/ui';
import { bagFormSchema, emptyBag } from './readingDraft';
import { bodyOfSample, SampleRow } from './SampleRow';

const FROM = ['whole-zone', 'best', 'poor'] as const;

/** Bags of soil: bagged, sent, and what came back. */
export function SamplesCard({
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
  const samples = useSamples(lawn.id).data ?? [];
  const put = usePutSample(lawn.id);
  const { form, unsaved, done, discard } = useDraftForm({
    key: `bag:${zoneId}`,
    source: zoneId,
    make: emptyBag,
    schema: bagFormSchema,
  });
  const { control, reset } = form;
  const bag = form.handleSubmit(({ bagId, cores, from }) =>
    put.mutate(
      {
        id: uuid(),
        body: {
          lawnId: lawn.id,
          zoneId,
          date: today,
          bagId,
          cores,
          depthIn: 4,
          from,
          sentOn: null,
          laboratory: 'own',
          report: null,
        },
      },
      {
        onSuccess: () => {
          done();
          reset(emptyBag());
        },
      },
    ),
  );
  return (
    <Card>
      <Title>{t('readings.samples')}</Title>
      <Words size="note" tone="second">
        {t('readings.samplesLead')}
      </Words>
      <FormField control={control} name="bagId" label={t('readings.bag')} testID="bag-id" />
      <FormNumber control={control} name="cores" label={t('readings.cores')} />
      <FormChoices
        control={control}
        name="from"
        label={t('readings.fromLabel')}
        options={FROM}
        nameOf={(option: (typeof FROM)[number]) => t(`readings.from.${option}`)}
      />
      {put.error ? <Failed message={words(put.error)} /> : null}
      <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
      <Button
        label={t('readings.bagIt')}
        onPress={() => void bag()}
        busy={put.isPending ? t('common.loading') : null}
        testID="bag-it"
      />
      {samples.map((sample) => (
        <SampleRow
          key={sample.id}
          sample={sample}
          zone={lawn.zones.find(({ id }) => id === sample.zoneId)?.name ?? ''}
          today={today}
          onChange={(change) =>
            put.mutate({ id: sample.id, body: { ...bodyOfSample(sample), ...change } })
          }
        />
      ))}
      <ReportFiles lawn={lawn} samples={samples} />
    </Card>
  );
}

/** Reports of the laboratory in and out as a file. */
function ReportFiles({ lawn, samples }: { lawn: Lawn; samples: readonly SoilSample[] }) {
  const { t } = useTranslation();
  const put = usePutSample(lawn.id);
  const [said, setSaid] = useState<string[]>([]);
  const waiting = samples.filter(({ report }) => !report);
  const reported = samples.flatMap(({ bagId, report }) => (report ? [{ bagId, report }] : []));
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
    for (const { bagId, report } of reports) {
      const sample = waiting.find((entry) => entry.bagId === bagId);
      if (sample) put.mutate({ id: sample.id, body: { ...bodyOfSample(sample), report } });
    }
  };
  return (
    <>
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
    </>
  );
}
