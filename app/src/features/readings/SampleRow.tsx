import {
  daysBetween,
  laboratoryDays,
  type LocalDate,
  type SoilSample,
  type SoilSampleBody,
} from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, fullDay, number, Tag, Words } from '@/ui';
import { ReportSheet } from './ReportSheet';

/** What a sample is without the server's own columns. */
export const bodyOfSample = ({ id: _id, version: _version, ...body }: SoilSample): SoilSampleBody =>
  body;

/** One bag: on its way, waiting, or back with its figures. */
export function SampleRow({
  sample,
  zone,
  today,
  onChange,
}: {
  sample: SoilSample;
  zone: string;
  today: LocalDate;
  onChange: (change: Partial<SoilSampleBody>) => void;
}) {
  const { t } = useTranslation();
  const [typing, setTyping] = useState(false);
  const { sentOn, report, laboratory, bagId } = sample;
  const late = sentOn !== null && !report && daysBetween(sentOn, today) > laboratoryDays.overdue;
  return (
    <View className="gap-1 border-t-2 border-line pt-3">
      <View className="flex-row flex-wrap items-center gap-2">
        <Words weight="bold" className="min-w-0 flex-1">{`${bagId} · ${zone}`}</Words>
        {laboratory === 'stand-in' ? <Tag label={t('readings.madeUp')} tone="caution" /> : null}
        {late ? <Tag label={t('readings.late')} tone="stop" /> : null}
      </View>
      {report ? (
        <Words tabular size="note">
          {t('readings.report', {
            date: fullDay(report.reportedOn),
            ph: number(report.ph, 1),
            p: report.phosphorusPpm === null ? '–' : number(report.phosphorusPpm),
            k: report.potassiumPpm === null ? '–' : number(report.potassiumPpm),
            om: report.organicMatterPct === null ? '–' : number(report.organicMatterPct, 1),
          })}
        </Words>
      ) : sentOn ? (
        <Words size="note" tone="second">
          {t('readings.sent', { date: fullDay(sentOn) })}
        </Words>
      ) : (
        <>
          <Button
            kind="plain"
            label={t('readings.send')}
            onPress={() => onChange({ sentOn: today, laboratory: 'own' })}
          />
          <Button
            kind="quiet"
            label={t('readings.sendStandIn')}
            onPress={() => onChange({ sentOn: today, laboratory: 'stand-in' })}
            testID={`send-${bagId}`}
          />
        </>
      )}
      {!report && laboratory === 'own' ? (
        <Button kind="plain" label={t('readings.typeReport')} onPress={() => setTyping(true)} />
      ) : null}
      <ReportSheet
        sample={typing ? sample : null}
        today={today}
        onClose={() => setTyping(false)}
        onKeep={(typed) => {
          setTyping(false);
          onChange({ report: typed, sentOn: sentOn ?? sample.date });
        }}
      />
    </View>
  );
}
