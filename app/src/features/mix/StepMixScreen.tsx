import { mixCard, wholeJob } from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { useProducts } from '@/features/shelf/useProducts';
import { useTranslation } from 'react-i18next';
import { useFailureWords } from '@/api/useFailureWords';
import { jobAt } from '@/features/record/job';
import { namesOfZones } from '@/features/record/zoneNames';
import { ZonesCard } from '@/features/record/ZonesCard';
import { areaDoubt, gradeName } from '@/features/season/productWords';
import { useLawnSeason } from '@/features/season/useLawnSeason';
import { useKerbStore } from '@/state/kerbStore';
import { usePreferenceStore } from '@/state/preferenceStore';
import {
  Card,
  Empty,
  Failed,
  LinkButton,
  Loading,
  number,
  NumberField,
  percent,
  Screen,
  typedNumber,
  Words,
} from '@/ui';
import { KerbCard } from './KerbCard';
import { MixCardView } from './MixCardView';
import { ProtectCard } from './ProtectCard';
import { SiteCautionsCard } from './SiteCautionsCard';
import { SpreadCardView } from './SpreadCardView';

/** Size of a bag of seed, lb. */
const SEED_BAG_LB = 50;

/** The mix or spreader card of one job, over its zones. */
export function StepMixScreen({
  lawnId,
  stepId,
  without: left,
}: {
  lawnId: string;
  /** A step of the job. */
  stepId: string;
  /** Zones of the job that are left out. */
  without?: string | undefined;
}) {
  const { t } = useTranslation();
  const shelf = useProducts();
  const words = useFailureWords();
  const { question, view, error, retry } = useLawnSeason(lawnId);
  const { tankGal, setTank } = usePreferenceStore();
  const back = `/lawns/${lawnId}/season`;
  const router = useRouter();
  const { without, lines, inside, key } = jobAt(view?.season.steps ?? [], stepId, left);
  const ready = inside.length > 0;
  useEffect(() => {
    if (ready) useKerbStore.getState().open(key);
  }, [key, ready]);
  if (!question || !view || inside.length === 0) {
    return (
      <Screen title={t('mix.title')} dye="indigo" back={back}>
        {error ? (
          <Failed message={words(error)} onRetry={retry} />
        ) : view ? (
          <Empty title={t('season.empty')} />
        ) : (
          <Loading />
        )}
      </Screen>
    );
  }
  const step = wholeJob(inside);
  const zones = question.lawn.zones.filter(({ id }) => inside.some(({ zoneId }) => zoneId === id));
  const spray =
    step.kind === 'prevent' ||
    step.kind === 'control' ||
    (step.kind === 'protect' && !step.granular);
  const tank = typedNumber(tankGal);
  const doubt = areaDoubt(zones);
  const goodTank = tank !== null && tank > 0;
  return (
    <Screen
      title={t(spray ? 'mix.title' : 'mix.spreadTitle')}
      subject={question.lawn.name}
      lead={`${question.lawn.name} · ${namesOfZones(question.lawn, inside)}, ${t('common.ft2', { value: number(step.areaFt2) })}`}
      dye="indigo"
      back={back}
      footer={
        <LinkButton
          label={t('mix.done')}
          testID="record-it"
          href={`/lawns/${lawnId}/record/${encodeURIComponent(stepId)}${without.length > 0 ? `?without=${without.join()}` : ''}`}
          wide
        />
      }
    >
      <ZonesCard
        lawn={question.lawn}
        lines={lines}
        without={without}
        onChange={(next) => router.setParams({ without: next.join() })}
      />
      <KerbCard question={question} view={view} steps={inside} />
      <SiteCautionsCard lawn={question.lawn} zones={zones} />
      {doubt ? (
        <Words weight="semi" tone="caution" testID="area-doubt">
          {t('mix.areaDoubt', { low: percent(doubt.low), high: percent(doubt.high) })}
        </Words>
      ) : null}
      {step.kind === 'prevent' || step.kind === 'control' ? (
        <>
          <NumberField
            label={t('mix.tank')}
            unit={t('mix.gal')}
            value={tankGal}
            onChange={setTank}
            error={goodTank ? undefined : t('mix.positive')}
            testID="tank"
          />
          {goodTank ? (
            <MixCardView
              areaFt2={step.areaFt2}
              card={mixCard(
                {
                  products: step.products,
                  areaFt2: step.areaFt2,
                  carrierGalPer1000: step.carrierGalPer1000,
                  tankGal: tank,
                },
                shelf,
              )}
            />
          ) : null}
          {step.testSpot ? (
            <Card tone="caution">
              <Words weight="bold">{t('rule.control-test-spot')}</Words>
            </Card>
          ) : null}
        </>
      ) : step.kind === 'protect' ? (
        <ProtectCard step={step} tankGal={tankGal} onTank={setTank} />
      ) : step.kind === 'feed' ? (
        <SpreadCardView
          name={gradeName(step)}
          lbPer1000={step.productLbPer1000}
          areaFt2={step.areaFt2}
          bagLb={shelf.fertilizer(step.fertilizer)?.bagLb ?? SEED_BAG_LB}
          handling="granules"
          wateredIn
          product={[t('mix.feedCaution')]}
        />
      ) : (
        <SpreadCardView
          name={t(`grass.${step.species}`)}
          lbPer1000={step.ratePer1000}
          areaFt2={step.areaFt2}
          bagLb={SEED_BAG_LB}
          handling="seed"
          product={[t('mix.seedCaution')]}
        />
      )}
    </Screen>
  );
}
