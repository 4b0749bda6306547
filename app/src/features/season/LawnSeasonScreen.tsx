import { zoneArea } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Chip, Loading, Screen, Segmented } from '@/ui';
import { SeasonJobs } from './SeasonJobs';
import { SeasonPending } from './SeasonPending';
import { useLawnSeason } from './useLawnSeason';
import { useYear, yearQuestion } from './useYear';
import { YearPanel } from './YearPanel';

const VIEWS = ['steps', 'ground'] as const;

/** The steps of one lawn's year, with the clashes to settle on top; and the ground they stand on. */
export function LawnSeasonScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const { question, view, records, error, retry } = useLawnSeason(lawnId);
  const [picked, setPicked] = useState<string | null | undefined>(undefined);
  const [tab, setTab] = useState<(typeof VIEWS)[number]>('steps');
  const shownZone =
    question?.lawn.zones.find(({ id }) => id === picked) ??
    [...(question?.lawn.zones ?? [])].sort((a, b) => zoneArea(b) - zoneArea(a))[0];
  const year = useYear(
    tab === 'ground' && question && shownZone ? yearQuestion(question, shownZone) : null,
    question?.lawn.version ?? 0,
  );
  const back = `/lawns/${lawnId}`;
  if (!question || !view || !shownZone) {
    return <SeasonPending title={t('season.title')} back={back} error={error} onRetry={retry} />;
  }
  const { lawn } = question;
  const zoneId = picked ?? null;
  const inZone = <Row extends { zoneId: string }>(rows: readonly Row[]) =>
    zoneId === null ? rows : rows.filter((row) => row.zoneId === zoneId);
  const clashes = inZone(view.season.clashes);
  const leftOut = inZone(view.season.leftOut);
  const unmet = inZone(view.season.unmet);
  return (
    <Screen title={t('season.lawnTitle', { name: lawn.name })} back={back}>
      <Segmented
        value={tab}
        options={VIEWS.map((value) => ({ value, label: t(`year.view.${value}`) }))}
        onChange={setTab}
      >
        <View className="flex-row flex-wrap gap-2">
          {tab === 'steps' ? (
            <Chip
              label={t('common.all')}
              chosen={zoneId === null}
              onPress={() => setPicked(null)}
            />
          ) : null}
          {lawn.zones.map((zone) => (
            <Chip
              key={zone.id}
              label={zone.name}
              chosen={zone.id === (tab === 'ground' ? shownZone.id : zoneId)}
              onPress={() => setPicked(zone.id)}
            />
          ))}
        </View>
        {tab === 'ground' ? (
          year.data ? (
            <YearPanel
              year={year.data}
              steps={view.season.steps.filter((step) => step.zoneId === shownZone.id)}
              name={`${lawn.name}-${shownZone!.name}`}
            />
          ) : (
            <Loading />
          )
        ) : (
          <SeasonJobs
            clashes={clashes}
            leftOut={leftOut}
            unmet={unmet}
            lawn={lawn}
            question={question}
            view={view}
            records={records}
            curveOf={shownZone.id}
            zoneIds={new Set(zoneId === null ? lawn.zones.map(({ id }) => id) : [zoneId])}
          />
        )}
      </Segmented>
    </Screen>
  );
}
