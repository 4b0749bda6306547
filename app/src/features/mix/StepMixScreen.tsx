import { mixCard } from '@alfombra/core';
import { useProducts } from '@/features/shelf/useProducts';
import { useTranslation } from 'react-i18next';
import { useFailureWords } from '@/api/useFailureWords';
import { areaDoubt, gradeName } from '@/features/season/productWords';
import { useLawnSeason } from '@/features/season/useLawnSeason';
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

/** The mix or spreader card of one step. */
export function StepMixScreen({ lawnId, stepId }: { lawnId: string; stepId: string }) {
  const { t } = useTranslation();
  const shelf = useProducts();
  const words = useFailureWords();
  const { question, view, error, retry } = useLawnSeason(lawnId);
  const { tankGal, setTank } = usePreferenceStore();
  const back = `/lawns/${lawnId}/season`;
  const step = view?.season.steps.find(({ id }) => id === stepId);
  if (!question || !view || !step || step.kind === 'look-again') {
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
  const zone = question.lawn.zones.find(({ id }) => id === step.zoneId);
  const spray =
    step.kind === 'prevent' ||
    step.kind === 'control' ||
    (step.kind === 'protect' && !step.granular);
  const tank = typedNumber(tankGal);
  const doubt = areaDoubt(zone);
  const goodTank = tank !== null && tank > 0;
  return (
    <Screen
      title={t(spray ? 'mix.title' : 'mix.spreadTitle')}
      subject={question.lawn.name}
      lead={`${question.lawn.name} · ${zone?.name ?? ''}, ${t('common.ft2', { value: number(step.areaFt2) })}`}
      dye="indigo"
      back={back}
      footer={
        <LinkButton
          label={t('mix.done')}
          testID="record-it"
          href={`/lawns/${lawnId}/record/${encodeURIComponent(step.id)}`}
          wide
        />
      }
    >
      <KerbCard question={question} view={view} step={step} />
      <SiteCautionsCard lawn={question.lawn} zone={zone} />
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
