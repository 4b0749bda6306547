import { useTranslation } from 'react-i18next';
import { Empty, LinkButton, Screen } from '@/ui';
import { SeasonPending } from '@/features/season/SeasonPending';
import { useLawnSeason } from '@/features/season/useLawnSeason';
import { useWalkStore } from '@/state/walkStore';
import { ChoosePlace } from './ChoosePlace';
import { LookScreen } from './LookScreen';

/** The walk: choose a place, then look from three heights. */
export function WalkScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const { question, view, error, retry } = useLawnSeason(lawnId);
  const walk = useWalkStore(({ walks }) => walks[lawnId]);
  const back = `/lawns/${lawnId}/visit`;
  if (question && question.lawn.zones.length === 0) {
    return (
      <Screen title={t('lawn.walk')} back={back} subject={question.lawn.name}>
        <Empty title={t('plan.zoneFirst')} />
        <LinkButton label={t('visit.plan')} href={`/lawns/${lawnId}/plan`} />
      </Screen>
    );
  }
  if (!question || !view) {
    return <SeasonPending title={t('lawn.walk')} back={back} error={error} onRetry={retry} />;
  }
  return walk && question.lawn.zones.some(({ id }) => id === walk.zoneId) ? (
    <LookScreen
      key={`${walk.visitId}:${walk.patchId ?? walk.zoneId}`}
      question={question}
      view={view}
      walk={walk}
    />
  ) : (
    <ChoosePlace question={question} />
  );
}
