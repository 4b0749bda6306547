import { weatherImportResultSchema, type WeatherImportResult } from '@alfombra/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { LONG_PATIENCE_MS, request } from '@/api/request';
import { useFailureWords } from '@/api/useFailureWords';
import { FileButton } from '@/features/property/FileButton';
import { Button, Card, Failed, fullDay, Title, Words } from '@/ui';

/** Errors shown of a file. */
const MOST_ERRORS = 8;

/** Takes in a station's own weather: shows what is in the file first, keeps it on a second tap. */
export function WeatherImport({ stationId }: { stationId: string }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const client = useQueryClient();
  const [text, setText] = useState<string | null>(null);
  const send = useMutation({
    mutationFn: ({ csv, keep }: { csv: string; keep: boolean }): Promise<WeatherImportResult> =>
      request(weatherImportResultSchema, 'POST', `/api/stations/${stationId}/weather-csv`, {
        body: { csv, keep },
        patienceMs: LONG_PATIENCE_MS,
      }),
    onSuccess: async ({ kept }) => {
      if (!kept) return;
      setText(null);
      await client.invalidateQueries();
    },
  });
  const result = send.data;
  return (
    <Card>
      <Title>{t('weatherFile.title')}</Title>
      <Words tone="second">{t('weatherFile.lead')}</Words>
      <FileButton
        label={t('weatherFile.choose')}
        accept=".csv,text/csv"
        onText={(csv) => {
          setText(csv);
          send.mutate({ csv, keep: false });
        }}
      />
      {send.error ? <Failed message={words(send.error)} /> : null}
      {result ? (
        <Words role="status" weight="semi">
          {result.days > 0 && result.from && result.to
            ? t(result.kept ? 'weatherFile.kept' : 'weatherFile.found', {
                count: result.days,
                from: fullDay(result.from),
                to: fullDay(result.to),
              })
            : t('weatherFile.nothing')}
        </Words>
      ) : null}
      {result && result.gaps > 0 ? (
        <Words size="note" tone="caution">
          {t('weatherFile.gaps', { count: result.gaps })}
        </Words>
      ) : null}
      {(result?.errors ?? []).slice(0, MOST_ERRORS).map((error) => (
        <Words key={`${error.row}-${error.column}-${error.message}`} size="note" tone="stop">
          {t('import.errorAt', {
            row: error.row,
            column: error.column ?? '',
            message: error.message,
          })}
        </Words>
      ))}
      {text && result && !result.kept && result.errors.length === 0 && result.days > 0 ? (
        <Button
          label={t('weatherFile.keep')}
          onPress={() => send.mutate({ csv: text, keep: true })}
          busy={send.isPending ? t('common.loading') : null}
        />
      ) : null}
    </Card>
  );
}
