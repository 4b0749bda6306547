import {
  isDue,
  type Exclusion,
  type Gate,
  type LocalDate,
  type Step,
  type WorkStep,
} from '@alfombra/core';
import type { CheckFinding } from '@alfombra/core/judging';
import { Findings } from '@/features/record/Findings';
import { useProducts } from '@/features/shelf/useProducts';
import type { TFunction } from 'i18next';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import {
  Button,
  Card,
  dayNear,
  fullDay,
  KnotGlyph,
  LinkButton,
  number,
  Provenance,
  rate,
  Sheet,
  shortDay,
  Tag,
  Words,
} from '@/ui';
import {
  amountWords,
  doubtWords,
  per1000Words,
  productLines,
  type AreaDoubt,
} from './productWords';
import { reasonWords } from './reasonWords';
import { stepName } from './stepName';

export function gateWords(t: TFunction, gate: Gate): string {
  switch (gate.kind) {
    case 'air':
      return gate.minF === null
        ? t('gate.airMax', { max: gate.maxF })
        : t('gate.air', { min: gate.minF, max: gate.maxF });
    case 'wind':
      return t('gate.wind', { min: gate.minMph, max: gate.maxMph });
    case 'dry-leaf-hours':
      return t('gate.dry-leaf-hours', { hours: gate.hours });
    case 'water-in':
      return t('gate.water-in', {
        inches: gate.inches[0] === gate.inches[1] ? gate.inches[0] : gate.inches.join('–'),
        count: gate.withinDays ?? 7,
      });
    case 'soil':
      return t('gate.soil', { min: gate.minF, max: gate.maxF });
    default:
      return t(`gate.${gate.kind}`);
  }
}

function windowLines(t: TFunction, { window }: Step): string[] {
  const { basis } = window;
  if (basis.kind === 'soil') {
    return [
      t('stepCard.windowSoil', {
        threshold: basis.thresholdF,
        direction: t(`season.direction.${basis.direction}`),
        date: fullDay(window.opens),
        early: fullDay(basis.early),
        late: fullDay(basis.late),
      }),
    ];
  }
  return [t(basis.kind === 'air' ? 'stepCard.windowAir' : 'season.windowCalendar')];
}

/** Products with a use here first; the ones that would do nothing anyway last. */
function byUse(excluded: readonly Exclusion[]): Exclusion[] {
  const useless = (e: Exclusion) => (e.reasons.some(({ rule }) => rule === 'R12-no-use') ? 1 : 0);
  return [...excluded].sort((a, b) => useless(a) - useless(b));
}

/** Where a job is done: its zones, and how much of them. */
export function groundOf(t: TFunction, step: WorkStep, zoneName: string): string {
  const area =
    step.kind === 'prevent' || step.kind === 'control'
      ? t(step.method === 'spot' ? 'season.spot' : 'season.wholeZone', {
          area: number(step.areaFt2),
        })
      : t('common.ft2', { value: number(step.areaFt2) });
  return `${zoneName} · ${area}`;
}

/** How far a job is: to be done, to wait for, only an offer, or somebody else's. */
export function StateTag({ step, today }: { step: WorkStep; today: LocalDate }) {
  const { t } = useTranslation();
  const due = isDue(step);
  const label = step.offer
    ? t('agreement.offerTag')
    : step.by
      ? t(`agreement.byTag.${step.by}`)
      : step.waitsFor
        ? t('looks.waitsTag')
        : due
          ? t('season.open')
          : t('season.upcoming', { date: dayNear(step.window.opens, today) });
  return <Tag label={label} tone={due ? 'good' : 'panel'} />;
}

const arePlugs = (step: WorkStep): boolean => step.kind === 'seed' && step.material === 'plugs';

/** To the card that a job is mixed or spread by, and to its record. */
export function JobActions({
  step,
  lawnId,
  main = false,
}: {
  step: WorkStep;
  lawnId: string;
  main?: boolean;
}) {
  const { t } = useTranslation();
  const spread =
    step.kind === 'feed' || step.kind === 'seed' || (step.kind === 'protect' && step.granular);
  const at = encodeURIComponent(step.id);
  return (
    <View className="w-full max-w-[480px] flex-row gap-2">
      {arePlugs(step) ? null : (
        <View className="flex-1">
          <LinkButton
            kind={main ? 'main' : 'plain'}
            testID={`mix-${step.kind}`}
            label={t(spread ? 'season.spreadCard' : 'season.mixCard')}
            href={`/lawns/${lawnId}/mix/${at}`}
          />
        </View>
      )}
      <View className="flex-1">
        <LinkButton
          kind="plain"
          label={t('season.record')}
          href={`/lawns/${lawnId}/record/${at}`}
        />
      </View>
    </View>
  );
}

/** One job: when, what, how much, where, on which conditions, why, and what was left out. */
export function StepCard({
  step,
  today,
  lawnId,
  zoneName,
  head = true,
  doubt,
  choices,
  decide,
  judged = [],
}: {
  step: WorkStep;
  today: LocalDate;
  lawnId: string;
  /** Of all its zones. */
  zoneName: string;
  /** Whether it says what it is; not where it lies under its own row. */
  head?: boolean;
  /** How far the zone's area may be off. */
  doubt: AreaDoubt | null;
  /** Ways to do it otherwise, where there are any. */
  choices?: ReactNode;
  /** To set its day, or to leave it. */
  decide?: ReactNode;
  /** What the judge says of a step that somebody set. */
  judged?: readonly CheckFinding[];
}) {
  const { t } = useTranslation();
  const shelf = useProducts();
  const [showExcluded, setShowExcluded] = useState(false);
  const due = isDue(step);
  const lines = productLines(t, step);
  const excluded =
    step.kind === 'prevent' || step.kind === 'control'
      ? byUse(step.excluded).map(({ herbicide: slug, reasons }) => ({
          name: t(`herbicide.${slug}`),
          reasons,
        }))
      : step.kind === 'protect'
        ? step.excluded.map(({ treatment, reasons }) => ({
            name: t(`treatment.${treatment}`),
            reasons,
          }))
        : [];
  const plugs = arePlugs(step);
  return (
    <Card testID={`job-${step.kind}`}>
      {head ? (
        <View className="flex-row items-start gap-3">
          <KnotGlyph kind={step.kind} size={34} />
          <View className="min-w-0 flex-1">
            <Words size="lead" weight="bold">
              {stepName(t, step)}
            </Words>
            <Words size="note" tone="second">
              {groundOf(t, step, zoneName)}
            </Words>
          </View>
          <View className="items-end gap-1">
            {step.pinned ? <Tag label={t('decided.tag')} tone="cool" /> : null}
            <StateTag step={step} today={today} />
          </View>
        </View>
      ) : null}
      {step.waitsFor ? (
        <Words tone="second">{t('looks.waits', { date: fullDay(step.waitsFor.expected) })}</Words>
      ) : null}
      <Provenance
        title={t('season.windowTitle')}
        lines={windowLines(t, step)}
        source={step.window.basis.kind === 'soil' ? 'memory' : 'common-practice'}
      >
        <View className="flex-row flex-wrap gap-x-5 gap-y-1">
          {(['opens', 'best', 'closes'] as const).map((edge) => (
            <View key={edge}>
              <Words size="note" tone="quiet">
                {t(`season.${edge}`)}
              </Words>
              <Words weight={edge === 'best' ? 'bold' : 'semi'} tabular>
                {shortDay(step.window[edge])}
              </Words>
            </View>
          ))}
        </View>
      </Provenance>
      {plugs ? (
        <Words weight="bold">
          {t('season.plugs', { count: 'total' in step ? step.total : 0 })}
        </Words>
      ) : (
        lines.map((line) => {
          const product = shelf.herbicide(line.slug);
          return (
            <Provenance
              key={line.slug}
              title={line.name}
              lines={[
                t('stepCard.rateFormula', {
                  perAcre: rate(line.ratePerAcre),
                  per1000: rate(line.ratePer1000),
                  unit: line.unit,
                }),
                t('stepCard.rateAmount', {
                  area: number(step.areaFt2),
                  total: rate(line.total),
                  unit: line.unit,
                }),
                ...(product
                  ? [
                      t('stepCard.rateCap', {
                        max: product.maxPerApplication,
                        year: product.maxPerYear,
                        unit: line.unit,
                      }),
                    ]
                  : []),
              ]}
              source={product?.source.kind ?? 'memory'}
              note={t('stepCard.labelNote')}
            >
              <Words weight="bold">{line.name}</Words>
              <Words>{per1000Words(t, line)}</Words>
              <Words tone="second">{amountWords(t, line, step.areaFt2)}</Words>
              {doubt ? (
                <Words size="note" tone="second" tabular>
                  {doubtWords(t, line, doubt)}
                </Words>
              ) : null}
            </Provenance>
          );
        })
      )}
      {step.kind === 'prevent' || step.kind === 'control' ? (
        <View className="flex-row flex-wrap gap-2">
          {step.control.map(({ weed, expectedPct }) => (
            <Tag
              key={weed}
              label={t('season.expected', { weed: t(`weed.${weed}`), pct: number(expectedPct) })}
              tone="cool"
            />
          ))}
          <Tag label={t('season.carrier', { value: step.carrierGalPer1000 })} />
        </View>
      ) : null}
      {step.kind === 'protect' ? (
        <View className="flex-row flex-wrap gap-2">
          {step.carrierGalPer1000 === null ? null : (
            <Tag label={t('season.carrier', { value: step.carrierGalPer1000 })} />
          )}
          {step.repeatDays === null ? null : (
            <Tag label={t('season.holds', { days: step.repeatDays })} tone="cool" />
          )}
        </View>
      ) : null}
      {step.gates.length > 0 ? (
        <View className="gap-1">
          <Words size="note" weight="semi" tone="quiet">
            {t('season.gates')}
          </Words>
          {step.gates.map((gate) => (
            <Words key={gate.kind}>{gateWords(t, gate)}</Words>
          ))}
        </View>
      ) : null}
      <View className="gap-1">
        <Words size="note" weight="semi" tone="quiet">
          {t('season.because')}
        </Words>
        {step.because.map((reason, index) => (
          <Words key={`${reason.rule}-${index}`}>{reasonWords(t, reason)}</Words>
        ))}
      </View>
      {judged.length > 0 ? <Findings findings={[...judged]} /> : null}
      {choices}
      {decide}
      {excluded.length > 0 ? (
        <Button
          kind="plain"
          label={t('stepCard.excluded', { count: excluded.length })}
          onPress={() => setShowExcluded(true)}
        />
      ) : null}
      {due ? null : <JobActions step={step} lawnId={lawnId} />}
      <Sheet
        open={showExcluded}
        title={t('season.excludedTitle')}
        onClose={() => setShowExcluded(false)}
      >
        <Words tone="second">{t('stepCard.excludedLead')}</Words>
        {excluded.map((entry) => (
          <View key={entry.name} className="gap-0.5">
            <Words weight="bold">{entry.name}</Words>
            {entry.reasons.map((reason, index) => (
              <Words key={`${reason.rule}-${index}`} size="note" tone="second">
                {reasonWords(t, reason)}
              </Words>
            ))}
          </View>
        ))}
      </Sheet>
    </Card>
  );
}
