import {
  isDue,
  jobsOf,
  wholeJob,
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
import { Empty, Title, useWide, Words } from '@/ui';
import { namesOfZones, saidOf } from '@/features/record/zoneNames';
import type { SeasonQuestion, SeasonView } from '@/workers/seasonView';
import { ChoiceSheet } from './ChoiceSheet';
import { ClashCard } from './ClashCard';
import { DecidedCard } from './DecidedCard';
import { DecideSheet } from './DecideSheet';
import { DoneLately } from './DoneLately';
import { DoneLines } from './DoneLines';
import { FindOutCard } from './FindOutCard';
import { HeatCard } from './HeatCard';
import { JobLine, lineId, LookLine } from './JobLine';
import { LookCard } from './LookCard';
import { MovedCard } from './MovedCard';
import { NotPlanned } from './NotPlanned';
import { areaDoubt } from './productWords';
import { SeasonLoom } from './SeasonLoom';
import { SeenCard } from './SeenCard';
import { StepCard } from './StepCard';

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

/** The jobs of one lawn's year under its curve and threads: what is asked, what was done, what comes, what is offered. */
export function SeasonJobs({
  clashes,
  leftOut,
  unmet,
  lawn,
  question,
  view,
  records,
  zoneIds,
  curveOf,
}: { [Part in 'clashes' | 'leftOut' | 'unmet']: readonly Season[Part][number][] } & {
  lawn: Lawn;
  question: SeasonQuestion;
  view: SeasonView;
  records: readonly ApplicationRecord[];
  zoneIds: ReadonlySet<string>;
  /** Zone whose soil is drawn. */
  curveOf: string;
}) {
  const { t } = useTranslation();
  const wide = useWide();
  const [opened, setOpened] = useState<string | null>(null);
  const { season } = view;
  const { today } = question.company;
  const zoneName = (id: string) => lawn.zones.find((zone) => zone.id === id)?.name ?? '';
  const steps = season.steps.filter((step) => zoneIds.has(step.zoneId));
  // A job is shown whole, with all its zones, wherever one of them is.
  const jobs = jobsOf(season.steps).filter(({ lines }) =>
    lines.some((line) => zoneIds.has(line.zoneId)),
  );
  const looks = steps.filter((step) => step.kind === 'look-again');
  const asked = looks.filter(({ window }) => window.opens <= today);
  const rows = [
    ...looks.filter(({ window }) => window.opens > today),
    ...jobs.filter(({ lines }) => !lines[0]!.offer),
  ].sort((a, b) => (dayOf(a) < dayOf(b) ? -1 : 1));
  const offers = jobs.filter(({ lines }) => lines[0]!.offer);
  const firstDue = rows.find((row) => 'lines' in row && isDue(row.lines[0]!))?.id;
  // Beside its list one job is always open.
  const openId = opened ?? (wide ? (rows[0]?.id ?? offers[0]?.id ?? null) : null);
  const openRow = [...rows, ...offers].find(({ id }) => id === openId);
  const press = (id: string) => setOpened(id === openId && !wide ? null : id);
  const body = (row: LookStep | WorkJob, head: boolean) =>
    'lines' in row ? (
      <OpenJob job={row} question={question} view={view} head={head} />
    ) : (
      <LookCard
        step={row}
        lawn={lawn}
        records={question.records}
        zoneName={zoneName(row.zoneId)}
        today={today}
      />
    );
  const line = (row: LookStep | WorkJob) => {
    const under = row.id === openId && !wide ? { children: body(row, false) } : {};
    return 'lines' in row ? (
      <JobLine
        key={row.id}
        step={wholeJob(row.lines)}
        today={today}
        lawnId={lawn.id}
        zoneName={namesOfZones(lawn, row.lines)}
        main={row.id === firstDue}
        open={row.id === openId}
        onPress={() => press(row.id)}
        {...under}
      />
    ) : (
      <LookLine
        key={row.id}
        step={row}
        today={today}
        zoneName={zoneName(row.zoneId)}
        open={row.id === openId}
        onPress={() => press(row.id)}
        {...under}
      />
    );
  };
  const soil = view.soil[curveOf];
  return (
    <>
      {sameClashes(clashes).map((group) => (
        <ClashCard key={group[0]!.id} clashes={group} lawn={lawn} />
      ))}
      {asked.map((look) => (
        <View key={look.id}>{body(look, true)}</View>
      ))}
      <HeatCard lawn={lawn} weather={question.weather} />
      {soil && steps.length > 0 ? (
        <SeasonLoom
          question={question}
          soil={soil}
          view={view}
          zoneIds={zoneIds}
          picked={openId}
          onPick={(id) => {
            setOpened(id);
            requestAnimationFrame(() =>
              document.getElementById(lineId(id))?.scrollIntoView({ block: 'start' }),
            );
          }}
        />
      ) : null}
      <MovedCard lawn={lawn} steps={season.steps} zoneIds={zoneIds} today={today} />
      <DecidedCard
        lawn={lawn}
        jobs={jobs.map(({ lines }) => wholeJob(lines))}
        unheld={season.unheld}
        zoneIds={zoneIds}
        today={today}
      />
      <FindOutCard
        lawn={lawn}
        work={season.byHand.filter(({ zoneId }) => zoneIds.has(zoneId))}
        zoneIds={zoneIds}
        today={today}
      />
      <DoneLately
        lawn={lawn}
        company={question.company}
        weather={question.weather}
        records={records.filter(({ zoneId }) => zoneIds.has(zoneId))}
      />
      <SeenCard lawn={lawn} season={season} zoneIds={zoneIds} today={today} />
      {steps.length === 0 && clashes.length === 0 ? (
        <Empty title={t('season.empty')} lead={t('season.emptyLead')} />
      ) : null}
      <View className="lg:flex-row lg:items-start lg:gap-6">
        <View className="lg:flex-1">
          <DoneLines
            lawn={lawn}
            records={records.filter(({ zoneId }) => zoneIds.has(zoneId))}
            threads={view.threads}
            today={today}
          />
          {rows.map(line)}
          {offers.length > 0 ? (
            <View className="gap-1 pt-6">
              <Title>{t('agreement.offerTitle')}</Title>
              <Words size="note" tone="second">
                {t('agreement.offerLead')}
              </Words>
            </View>
          ) : null}
          {offers.map(line)}
        </View>
        {wide && openRow ? (
          <View className="lg:sticky lg:top-0 lg:max-h-[calc(100vh-100px)] lg:flex-1 lg:self-start lg:overflow-y-auto">
            {body(openRow, true)}
          </View>
        ) : null}
      </View>
      <NotPlanned lawn={lawn} unmet={unmet} leftOut={leftOut} />
    </>
  );
}

const dayOf = (row: LookStep | WorkJob): string =>
  ('lines' in row ? row.lines[0]! : row).window.best;

/** A job over its zones, opened. */
function OpenJob({
  job: { id, lines },
  question,
  view: { season, judged, session },
  head,
}: {
  job: WorkJob;
  question: SeasonQuestion;
  view: SeasonView;
  head: boolean;
}) {
  const { lawn, company } = question;
  const step = wholeJob(lines);
  const zones = lawn.zones.filter((zone) => lines.some(({ zoneId }) => zoneId === zone.id));
  return (
    <StepCard
      step={step}
      today={company.today}
      lawnId={lawn.id}
      zoneName={namesOfZones(lawn, lines)}
      head={head}
      {...((step.kind === 'control' && !step.kill) || step.kind === 'protect'
        ? {
            choices: (
              <ChoiceSheet
                question={question}
                stepId={id}
                steps={season.steps}
                zoneName={lines.length > 1 ? namesOfZones(lawn, lines.slice(0, 1)) : null}
              />
            ),
          }
        : {})}
      decide={
        <DecideSheet step={step} needs={season.needs} question={question} session={session} />
      }
      judged={saidOf(lines.map((line) => judged[line.id] ?? []))}
      doubt={areaDoubt(zones)}
    />
  );
}
