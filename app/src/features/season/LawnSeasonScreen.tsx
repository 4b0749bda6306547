import {
  jobsOf,
  wholeJob,
  zoneArea,
  type ApplicationRecord,
  type Clash,
  type Lawn,
  type LookStep,
  type Season,
  type WorkJob,
} from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Chip, Empty, Loading, Screen, Segmented } from '@/ui';
import { namesOfZones, saidOf } from '@/features/record/zoneNames';
import { ChoiceSheet } from './ChoiceSheet';
import { ClashCard } from './ClashCard';
import { DecidedCard } from './DecidedCard';
import { DecideSheet } from './DecideSheet';
import { DoneLately } from './DoneLately';
import { FindOutCard } from './FindOutCard';
import { HeatCard } from './HeatCard';
import { LookCard } from './LookCard';
import { NotPlanned } from './NotPlanned';
import { SeenCard } from './SeenCard';
import { SeasonPending } from './SeasonPending';
import type { SeasonQuestion, SeasonView } from '@/workers/seasonView';
import { areaDoubt } from './productWords';
import { StepCard } from './StepCard';
import { useLawnSeason } from './useLawnSeason';
import { useYear, yearQuestion } from './useYear';
import { YearPanel } from './YearPanel';

/** Clashes that are the same question in several zones, together. */
function sameClashes(clashes: readonly Clash[]): Clash[][] {
  const groups = new Map<string, Clash[]>();
  for (const clash of clashes) {
    const products = clash.prevent.products.map(({ herbicide }) => herbicide).join();
    const key = [clash.prevent.group, clash.seed.species, clash.choice, products].join('|');
    groups.set(key, [...(groups.get(key) ?? []), clash]);
  }
  return [...groups.values()];
}

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
  if (!question || !view) {
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
              chosen={zone.id === (tab === 'ground' ? shownZone!.id : zoneId)}
              onPress={() => setPicked(zone.id)}
            />
          ))}
        </View>
        {tab === 'ground' ? (
          year.data ? (
            <YearPanel
              year={year.data}
              steps={view.season.steps.filter((step) => step.zoneId === shownZone!.id)}
              name={`${lawn.name}-${shownZone!.name}`}
            />
          ) : (
            <Loading />
          )
        ) : (
          <StepsOf
            clashes={clashes}
            leftOut={leftOut}
            unmet={unmet}
            lawn={lawn}
            question={question}
            judged={view.judged}
            season={view.season}
            records={records}
            zoneIds={new Set(zoneId === null ? lawn.zones.map(({ id }) => id) : [zoneId])}
          />
        )}
      </Segmented>
    </Screen>
  );
}

function StepsOf({
  clashes,
  leftOut,
  unmet,
  lawn,
  question,
  judged,
  season,
  records,
  zoneIds,
}: { [Part in 'clashes' | 'leftOut' | 'unmet']: readonly Season[Part][number][] } & {
  lawn: Lawn;
  question: SeasonQuestion;
  judged: SeasonView['judged'];
  season: Season;
  records: readonly ApplicationRecord[];
  zoneIds: ReadonlySet<string>;
}) {
  const { t } = useTranslation();
  const zoneName = (id: string) => lawn.zones.find((zone) => zone.id === id)?.name ?? '';
  const steps = season.steps.filter((step) => zoneIds.has(step.zoneId));
  // A job is shown whole, with all its zones, wherever one of them is.
  const jobs = jobsOf(season.steps).filter(({ lines }) =>
    lines.some((line) => zoneIds.has(line.zoneId)),
  );
  const rows = [...steps.filter((step) => step.kind === 'look-again'), ...jobs].sort((a, b) =>
    dayOf(a) < dayOf(b) ? -1 : 1,
  );
  return (
    <>
      {sameClashes(clashes).map((group) => (
        <ClashCard key={group[0]!.id} clashes={group} lawn={lawn} />
      ))}
      <HeatCard lawn={lawn} weather={question.weather} />
      <DecidedCard
        lawn={lawn}
        steps={steps}
        unheld={season.unheld}
        zoneIds={zoneIds}
        today={question.company.today}
      />
      <FindOutCard
        lawn={lawn}
        work={season.byHand.filter(({ zoneId }) => zoneIds.has(zoneId))}
        today={question.company.today}
      />
      <DoneLately
        lawn={lawn}
        company={question.company}
        weather={question.weather}
        records={records.filter(({ zoneId }) => zoneIds.has(zoneId))}
      />
      <SeenCard lawn={lawn} season={season} zoneIds={zoneIds} today={question.company.today} />
      {steps.length === 0 && clashes.length === 0 ? (
        <Empty title={t('season.empty')} lead={t('season.emptyLead')} />
      ) : null}
      {rows.map((row) =>
        'lines' in row ? (
          <JobRow
            key={row.id}
            job={row}
            question={question}
            judged={judged}
            needs={season.needs}
            steps={season.steps}
          />
        ) : (
          <LookCard
            key={row.id}
            step={row}
            lawn={lawn}
            records={question.records}
            zoneName={zoneName(row.zoneId)}
            today={question.company.today}
          />
        ),
      )}
      <NotPlanned lawn={lawn} unmet={unmet} leftOut={leftOut} />
    </>
  );
}

const dayOf = (row: LookStep | WorkJob): string =>
  ('lines' in row ? row.lines[0]! : row).window.best;

/** A job over its zones. */
function JobRow({
  job: { id, lines },
  question,
  judged,
  needs,
  steps,
}: {
  job: WorkJob;
  question: SeasonQuestion;
  judged: SeasonView['judged'];
  needs: Season['needs'];
  steps: Season['steps'];
}) {
  const { lawn, company } = question;
  const step = wholeJob(lines);
  const zones = lawn.zones.filter((zone) => lines.some(({ zoneId }) => zoneId === zone.id));
  return (
    <StepCard
      step={step}
      lawnId={lawn.id}
      zoneName={namesOfZones(lawn, lines)}
      {...((step.kind === 'control' && !step.kill) || step.kind === 'protect'
        ? { choices: <ChoiceSheet question={question} stepId={id} steps={steps} /> }
        : {})}
      decide={<DecideSheet step={step} needs={needs} lawn={lawn} today={company.today} />}
      judged={saidOf(lines.map((line) => judged[line.id] ?? []))}
      doubt={areaDoubt(zones)}
    />
  );
}
