import type { LawnSummary, Region } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawns, useWeather } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { stationOf } from '@/features/property/stationOf';
import {
  Chip,
  Empty,
  Failed,
  KnotGlyph,
  ListRow,
  Loading,
  Screen,
  Segmented,
  shortDay,
  Tag,
  Title,
  VirtualList,
  Words,
} from '@/ui';
import { SeasonsProgress } from './SeasonsProgress';
import { useYear } from './useYear';
import { WeatherImport } from './WeatherImport';
import { YearPanel } from './YearPanel';
import { referenceZone } from '@/workers/yearView';

const VIEWS = ['steps', 'ground'] as const;

/** All lawns: what is open and comes next; and the ground of the service area. */
export function CompanySeasonScreen() {
  const { t } = useTranslation();
  const [view, setView] = useState<(typeof VIEWS)[number]>('steps');
  return (
    <Screen title={t('season.title')} lead={t('season.company')}>
      <Segmented
        value={view}
        options={VIEWS.map((value) => ({ value, label: t(`year.view.${value}`) }))}
        onChange={setView}
      >
        {view === 'steps' ? <StepsOfAll /> : <GroundOfArea />}
      </Segmented>
    </Screen>
  );
}

/** Soil, water and growth of an open sunny lawn at each station that the company's lawns go by. */
function GroundOfArea() {
  const { t } = useTranslation();
  const lawns = useLawns();
  const regions = [...new Set((lawns.data ?? []).map(({ region }) => region))].sort();
  const [picked, setPicked] = useState<Region | null>(null);
  const region = picked ?? regions[0] ?? null;
  const weather = useWeather(region ? stationOf[region] : undefined).data;
  const year = useYear(
    region && weather
      ? { zone: referenceZone(region), region, upkeep: 'standard', readings: [], weather }
      : null,
    region ?? '',
  );
  if (!region) return <Empty title={t('season.empty')} lead={t('season.emptyLead')} />;
  return (
    <>
      <View className="flex-row flex-wrap items-center gap-2">
        {regions.map((entry) => (
          <Chip
            key={entry}
            label={t(`year.region.${entry}`)}
            chosen={entry === region}
            onPress={() => setPicked(entry)}
          />
        ))}
        {weather?.station.standIn ? <Tag label={t('common.standIn')} tone="caution" /> : null}
      </View>
      <Words tone="second">{t('year.reference', { station: weather?.station.name ?? '' })}</Words>
      {year.data ? <YearPanel year={year.data} steps={[]} name={region} /> : <Loading />}
      <WeatherImport stationId={stationOf[region]} />
    </>
  );
}

/** About what a line of work takes in the list. */
const ROW_PX = 70;

/** A piece of work of one lawn, by the day it closes or opens. */
interface Work {
  key: string;
  lawn: LawnSummary;
  kind: LawnSummary['due'][number]['kind'];
  zone: string | null;
  day: string;
  when: 'today.closesSoon' | 'season.upcoming';
}

const drawWork = (work: Work) => <WorkRow {...work} />;

function WorkRow({ lawn, kind, zone, day, when }: Work) {
  const { t } = useTranslation();
  return (
    <ListRow
      title={lawn.name}
      lines={[[t(`kind.${kind}`), zone].filter(Boolean).join(' · ')]}
      href={`/lawns/${lawn.id}/season`}
      aside={
        <View className="flex-row items-center gap-2">
          <Tag label={t(when, { date: shortDay(day) })} />
          <KnotGlyph kind={kind} />
        </View>
      }
    />
  );
}

/** What is open by the day it closes, then what comes next. */
function StepsOfAll() {
  const { t } = useTranslation();
  const words = useFailureWords();
  const lawns = useLawns();
  const open = (lawns.data ?? [])
    .flatMap((lawn) =>
      lawn.due.map(({ stepId, kind, zone, closes }): Work => ({
        key: stepId,
        lawn,
        kind,
        zone,
        day: closes,
        when: 'today.closesSoon',
      })),
    )
    .sort((a, b) => (a.day < b.day ? -1 : 1));
  const next = (lawns.data ?? [])
    .flatMap((lawn): Work[] =>
      lawn.next
        ? [
            {
              key: lawn.id,
              lawn,
              kind: lawn.next.kind,
              zone: null,
              day: lawn.next.opens,
              when: 'season.upcoming',
            },
          ]
        : [],
    )
    .sort((a, b) => (a.day < b.day ? -1 : 1));
  return (
    <>
      {lawns.error && !lawns.data ? (
        <Failed message={words(lawns.error)} onRetry={() => void lawns.refetch()} />
      ) : !lawns.data ? (
        <>
          <Loading />
          <SeasonsProgress />
        </>
      ) : open.length + next.length === 0 ? (
        <Empty title={t('season.empty')} lead={t('season.emptyLead')} />
      ) : (
        <>
          <Title>{t('today.due')}</Title>
          <VirtualList items={open} keyOf={({ key }) => key} estimate={ROW_PX}>
            {drawWork}
          </VirtualList>
          <Title>{t('season.next')}</Title>
          <VirtualList items={next} keyOf={({ key }) => key} estimate={ROW_PX}>
            {drawWork}
          </VirtualList>
        </>
      )}
    </>
  );
}
