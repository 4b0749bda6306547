import {
  desiredCover,
  drawnWeeds,
  findingsOf,
  assumedGrass,
  mainGrass,
  type Decision,
  type VisitBody,
  zoneArea,
} from '@alfombra/core';
import {
  decideOptions,
  growingWeeksLeft,
  answeredSigns,
  UNKNOWN_CAUSE,
} from '@alfombra/core/walking';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usePutVisit, useSession } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { pointCountOf } from '@/features/zone/pointCountStore';
import type { SeasonQuestion, SeasonView } from '@/workers/seasonView';
import { SeasonPending } from '@/features/season/SeasonPending';
import { useLawnSeason } from '@/features/season/useLawnSeason';
import { useWalkStore, type WalkDraft, type WeedDraft } from '@/state/walkStore';
import { Button, Empty, Failed, LinkButton, number, numberText, Screen, Words } from '@/ui';
import { CauseChoices } from './CauseChoices';
import { OptionsCard } from './OptionsCard';
import { readWeeds } from './readWeeds';
import { useWalkDiagnosis } from './useWalkDiagnosis';
import { WeedRows } from './WeedRows';

/** What the technician makes of it, and what grows in the zone; then the walk is kept. */
export function DecideScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const { question, view, error, retry } = useLawnSeason(lawnId);
  const walk = useWalkStore(({ walks }) => walks[lawnId]);
  const back = `/lawns/${lawnId}/walk`;
  if (!question || !view) {
    return <SeasonPending title={t('decide.title')} back={back} error={error} onRetry={retry} />;
  }
  if (!walk) {
    return (
      <Screen title={t('decide.title')} back={`/lawns/${lawnId}`}>
        <Empty title={t('walk.chooseZone')} />
        <LinkButton label={t('lawn.walk')} href={back} />
      </Screen>
    );
  }
  return <Decide question={question} view={view} walk={walk} />;
}

function Decide({
  question,
  view,
  walk,
}: {
  question: SeasonQuestion;
  view: SeasonView;
  walk: WalkDraft;
}) {
  const { t } = useTranslation();
  const router = useRouter();
  const words = useFailureWords();
  const session = useSession();
  const { lawn, company } = question;
  const zone = lawn.zones.find(({ id }) => id === walk.zoneId)!;
  const { diagnosis, input } = useWalkDiagnosis(question, view, zone, walk);
  const soil = view.soil[zone.id];
  const patch = lawn.patches.find(({ id }) => id === walk.patchId) ?? null;
  const store = useWalkStore();
  const putVisit = usePutVisit(lawn.id);
  const [tried, setTried] = useState(false);

  // What is known of the zone's weeds is where the technician starts from.
  useEffect(() => {
    if (walk.weeds !== null) return;
    // The drawn ones are on the plan, and stay there.
    const known = findingsOf(question.visits, { ...lawn, weedPatches: [] }).find(
      ({ zoneId }) => zoneId === zone.id,
    );
    store.change(lawn.id, {
      weeds: (known?.weeds ?? []).map(({ cover, ...finding }) => ({
        ...finding,
        cover: numberText(cover * 100, 1),
      })),
    });
  }, [walk.weeds, question.visits, zone.id, lawn, store]);
  const drawn = useMemo(() => drawnWeeds(lawn, zone.id), [lawn, zone.id]);

  const drafts = walk.weeds ?? [];
  const read = readWeeds(drafts);
  const main = assumedGrass(zone, lawn.region);
  const grassPct = zone.stand.reduce((sum, { cover }) => sum + cover, 0) * 100;
  const drawnPct = drawn.weeds.reduce((sum, { cover }) => sum + cover, 0) * 100;
  const tooMuch = read.totalPct + drawnPct + grassPct > 100.5;
  const decide = (decision: Decision) => store.change(lawn.id, { decision });
  const setWeeds = (weeds: WeedDraft[]) => store.change(lawn.id, { weeds });
  const leading = diagnosis.posterior
    .filter(({ cause }) => cause !== UNKNOWN_CAUSE)
    .slice(0, 3)
    .map(({ cause, p }) => ({ cause, p }));
  const decision = walk.decision;
  const day = decision && decision.kind !== 'cause' ? decision.lookAgainOn : null;
  const badSample = decision?.kind === 'cannot-tell' && decision.sample?.to.trim() === '';
  const badDay = day !== null && day <= company.today;

  const save = () => {
    setTried(true);
    if (!decision || !read.findings || tooMuch || badDay || badSample) return;
    const going = question.visits.find(({ id }) => id === walk.visitId);
    const body: VisitBody = {
      lawnId: lawn.id,
      date: company.today,
      technician: session.data?.name ?? '',
      promised: going?.promised ?? '',
      note: going?.note ?? '',
      looks: [
        // A second look at one place on one day takes the place of the first.
        ...(going?.looks ?? []).filter(
          (look) => look.zoneId !== zone.id || look.patchId !== walk.patchId,
        ),
        {
          zoneId: zone.id,
          patchId: walk.patchId,
          answers: walk.answers,
          tests: walk.tests,
          fieldTests: walk.fieldTests,
          leading,
          decision,
          weeds: read.findings,
          pointCount: pointCountOf(zone.id),
        },
      ],
    };
    putVisit.mutate(
      { id: walk.visitId, body },
      {
        onSuccess: () => {
          store.finish(lawn.id);
          router.replace(`/lawns/${lawn.id}/visit`);
        },
      },
    );
  };

  const chosen = decision?.kind === 'cause' ? decision.cause : null;
  return (
    <Screen
      title={t('decide.title')}
      lead={`${lawn.name} · ${zone.name}`}
      subject={lawn.name}
      back={`/lawns/${lawn.id}/walk`}
      footer={
        <>
          {putVisit.error ? (
            <Failed message={`${words(putVisit.error)} ${t('common.kept')}`} />
          ) : null}
          {tried && !decision ? (
            <Words weight="semi" tone="stop" role="alert">
              {t('decide.chooseFirst')}
            </Words>
          ) : tried && (!read.findings || tooMuch || badDay || badSample) ? (
            <Words weight="semi" tone="stop" role="alert">
              {t('decide.fixAbove')}
            </Words>
          ) : null}
          <Button
            label={t('decide.save')}
            onPress={save}
            busy={putVisit.isPending ? t('common.loading') : null}
            testID="keep-walk"
            wide
          />
        </>
      }
    >
      <CauseChoices
        diagnosis={diagnosis}
        leading={leading}
        decision={decision}
        today={company.today}
        tried={tried}
        badSample={badSample}
        badDay={badDay}
        onDecide={decide}
      />
      {chosen && decision?.kind === 'cause' ? (
        <OptionsCard
          advice={decideOptions({
            cause: chosen,
            p: diagnosis.posterior.find(({ cause }) => cause === chosen)?.p ?? 0,
            main,
            named: !leading.some(({ cause }) => cause === chosen),
            grassNamed: mainGrass(zone) !== null,
            upkeep: zone.upkeep ?? lawn.upkeep,
            irrigated: zone.site.irrigated,
            today: company.today,
            weeksLeft: growingWeeksLeft(
              main,
              (soil?.meanF ?? []).slice((soil?.measuredDays ?? 1) - 1),
            ),
            damagedShare: patch
              ? Math.min(1, (patch.lengthFt * patch.widthFt * Math.PI) / 4 / zoneArea(zone))
              : null,
            livingCover: desiredCover(zone),
            known: Object.fromEntries(answeredSigns(input).known),
          })}
          cause={chosen}
          chosen={decision.option}
          onChoose={(option, lookAgainOn) => decide({ ...decision, option, lookAgainOn })}
        />
      ) : null}
      <WeedRows
        drafts={drafts}
        bad={read.bad}
        drawn={drawn.weeds}
        planHref={`/lawns/${lawn.id}/plan`}
        onChange={setWeeds}
      />
      {tooMuch ? (
        <Words weight="semi" tone="stop" role="alert">
          {t('decide.coverTotal', {
            value: number(read.totalPct + drawnPct),
            grass: number(grassPct),
          })}
        </Words>
      ) : null}
    </Screen>
  );
}
