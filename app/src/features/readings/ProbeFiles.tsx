import { type Lawn, type ProbeReading } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { v7 as uuid } from 'uuid';
import { usePutReading } from '@/api/queries';
import { saveFile } from '@/features/plan/saveFile';
import { FileButton } from '@/features/property/FileButton';
import { exchange } from '@/features/property/useExchange';
import { Button, Words } from '@/ui';

/** Readings in and out as a file. */
export function ProbeFiles({ lawn, readings }: { lawn: Lawn; readings: readonly ProbeReading[] }) {
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
      put.mutate({ id: uuid(), body: { ...reading, lawnId: lawn.id, takenBack: false } });
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
