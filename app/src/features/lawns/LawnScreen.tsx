import { samplesOut, zoneArea, type Zone } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { SeasonPending } from '@/features/season/SeasonPending';
import { useLawnSeason } from '@/features/season/useLawnSeason';
import { DayCard } from '@/features/season/DayCard';
import { RiskCard } from '@/features/season/RiskCard';
import { useProducts } from '@/features/shelf/useProducts';
import { StripReader } from '@/features/season/StripReader';
import { LaboratoryResults } from '@/features/walk/LaboratoryResults';
import { SeasonStrip } from '@/features/season/SeasonStrip';
import { threadsIn } from '@/features/season/threadName';
import { useYear, yearQuestion } from '@/features/season/useYear';
import { useWalkStore } from '@/state/walkStore';
import {
  Card,
  Chip,
  daySpan,
  Empty,
  LinkButton,
  number,
  Provenance,
  Screen,
  shortDay,
  Tag,
  Title,
  useWide,
  Words,
} from '@/ui';
import { ArriveCard } from './ArriveCard';
import { LawnPicture } from '@/features/plan/drawing/LawnPicture';
import { HistoryCard, historyOf, workWords } from './HistoryCard';
import { LawnDoors } from './LawnDoors';
import { StandRows } from './StandRows';

const CROSSING_SHOWN = 'crabgrass-germinates';

/** The zone that is picked, or else the largest; `null` where none is measured. */
function shownZone(zones: readonly Zone[], picked: string | null): Zone | null {
  const largest = [...zones].sort((a, b) => zoneArea(b) - zoneArea(a))[0];
  return zones.find(({ id }) => id === picked) ?? largest ?? null;
}

/** One lawn: its plan to scale, the stand of each zone, and the strip of its season. */
export function LawnScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const wide = useWide();
  const shelf = useProducts();
  const { question, view, records, visits, error, retry } = useLawnSeason(lawnId);
  const walk = useWalkStore(({ walks }) => walks[lawnId]);
  const [picked, setPicked] = useState<string | null>(null);
  const [day, setDay] = useState<number | null>(null);
  const shown = shownZone(question?.lawn.zones ?? [], picked);
  const year = useYear(
    question && view && shown ? yearQuestion(question, shown) : null,
    question?.lawn.version ?? 0,
  ).data;
  const back = wide ? undefined : '/lawns';
  if (question && question.lawn.zones.length === 0) {
    return (
      <Screen title={question.lawn.name} lead={question.lawn.customer} back={back}>
        <ArriveCard lawn={question.lawn} visits={visits} done={null} />
        <Empty title={t('lawn.unmeasured')} lead={t('lawn.unmeasuredLead')} />
        <LinkButton
          label={t('visit.plan')}
          href={`/lawns/${lawnId}/plan`}
          testID="measure-first"
          wide
        />
      </Screen>
    );
  }
  if (!question || !view) {
    return <SeasonPending title={t('lawns.title')} back={back} error={error} onRetry={retry} />;
  }
  const { lawn, weather } = question;
  const zone = shown!;
  const steps = view.season.steps.filter(({ zoneId }) => zoneId === zone.id);
  const read = year && day !== null ? year.days[Math.min(day, year.days.length - 1)] : undefined;
  const soil = view.soil[zone.id]!;
  const now = soil.meanF[soil.measuredDays - 1] ?? null;
  const crossing = soil.crossings[CROSSING_SHOWN];
  const clashes = view.season.clashes.filter(({ choice }) => choice === null).length;
  const today = weather.days[weather.days.length - 1]!;
  const history = historyOf(visits, records);
  const last = history.find((entry) => entry.kind === 'work');
  const lastDone = last ? workWords(t, lawn, last.work, shelf) : null;
  const stand = (
    <Card>
      <Title>{`${t('lawn.stand')} · ${zone.name}`}</Title>
      <StandRows zone={zone} />
      <LinkButton
        kind="plain"
        label={t('rateCard.open')}
        href={`/lawns/${lawnId}/rates?zone=${zone.id}`}
      />
    </Card>
  );
  return (
    <Screen
      title={lawn.name}
      lead={`${lawn.customer} · ${t('common.ft2', { value: number(lawn.zones.reduce((sum, z) => sum + zoneArea(z), 0)) })}`}
      back={back}
      footer={
        <View className="flex-row gap-2">
          <View className="flex-1">
            <LinkButton
              kind="plain"
              label={t('lawn.season')}
              href={`/lawns/${lawnId}/season`}
              testID="to-season"
            />
          </View>
          <View className="flex-1">
            <LinkButton
              kind="plain"
              label={walk ? t('lawn.continueWalk') : t('lawn.walk')}
              href={`/lawns/${lawnId}/walk`}
              testID="to-walk"
            />
          </View>
        </View>
      }
    >
      <ArriveCard lawn={lawn} visits={visits} done={lastDone} />
      <View className="gap-4 lg:flex-row">
        <View className="lg:flex-1">
          <LawnPicture
            lawn={lawn}
            zoneId={zone.id}
            height={wide ? 270 : 210}
            onPress={(press) => press.zone && setPicked(press.zone.id)}
          />
        </View>
        {wide ? <View className="flex-1">{stand}</View> : null}
      </View>
      <LawnDoors lawnId={lawnId} />
      <View className="flex-row flex-wrap gap-2">
        {lawn.zones.map((entry) => (
          <Chip
            key={entry.id}
            label={entry.name}
            chosen={entry.id === zone.id}
            onPress={() => setPicked(entry.id)}
          />
        ))}
        {lawn.zones.some(({ edges }) => edges.includes('assumed')) ? (
          <Words size="note" tone="quiet" className="self-center">
            {t('lawn.assumed')}
          </Words>
        ) : null}
      </View>
      <Card>
        <View className="flex-row items-start justify-between gap-3">
          <Provenance
            title={t('strip.sourceTitle')}
            lines={[
              t('strip.sourceFormula', { response: number(soil.response * 100) }),
              t('strip.sourceSite', { offset: number(soil.offsetF, 1) }),
              soil.readings > 0
                ? t('strip.sourceProbe', { count: soil.readings, bias: number(soil.biasF, 1) })
                : t('strip.sourceNoProbe'),
              t('strip.sourceBand'),
              t('strip.changes'),
            ]}
            source="memory"
            note={t('strip.sourceRef')}
          >
            <Words size="note" tone="second">
              {t('lawn.soilTitle')}
            </Words>
            <Words size="figure" display testID="soil-now">
              {now === null ? '–' : `${number(now, 1)} °F`}
            </Words>
          </Provenance>
          <View className="shrink items-end">
            <Words size="note" tone="second" className="text-right">
              {t('lawn.crossTitle', { threshold: crossing?.thresholdF ?? 55 })}
            </Words>
            {crossing ? (
              crossing.measured ? (
                <Words weight="bold" tone="cool" className="text-right">
                  {t('lawn.measuredOn', { date: shortDay(crossing.date) })}
                </Words>
              ) : (
                <>
                  <Words size="lead" weight="bold" tone="cool" className="text-right">
                    {daySpan(crossing.early, crossing.late)}
                  </Words>
                  <Words size="note" tone="second" className="text-right">
                    {t('lawn.median', { date: shortDay(crossing.date) })}
                  </Words>
                </>
              )
            ) : (
              <Words tone="second">{t('lawn.notThisYear')}</Words>
            )}
          </View>
        </View>
        {weather.station.standIn ? (
          <View className="flex-row">
            <Tag label={t('lawn.standInWeather')} tone="caution" />
          </View>
        ) : null}
        <View className="relative">
          <SeasonStrip soil={soil} threads={threadsIn(view.threads, new Set([zone.id]))} />
          {year ? (
            <StripReader
              year={year}
              risks={view.risk}
              day={day ?? year.measuredDays - 1}
              onDay={setDay}
            />
          ) : null}
        </View>
        {read ? (
          <DayCard
            read={read}
            open={steps.filter(
              ({ window }) => window.opens <= read.date && read.date <= window.closes,
            )}
          />
        ) : (
          <Words size="note" tone="second">
            {t('lawn.dragStrip')}
          </Words>
        )}
        <Words size="note" tone="quiet">
          {t('lawn.weather', { high: number(today.tmaxF), low: number(today.tminF) })}
        </Words>
      </Card>
      {samplesOut(visits).length > 0 ? <LaboratoryResults lawnId={lawnId} visits={visits} /> : null}
      <RiskCard risks={view.risk} />
      {clashes > 0 ? (
        <LinkButton
          kind="equal"
          label={t('lawn.clash', { count: clashes })}
          href={`/lawns/${lawnId}/season`}
        />
      ) : null}
      {wide ? null : stand}
      <LinkButton
        kind="quiet"
        label={t('lawn.recordOther')}
        href={`/lawns/${lawnId}/record/other`}
        testID="record-other"
      />
      <HistoryCard lawn={lawn} history={history} />
    </Screen>
  );
}
