import { LIBRARY, type Step } from '@alfombra/core';
import type { StepChoices } from '@alfombra/core/planning';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, Card, Failed, Loading, money, number, Sheet, Tag, Title, Words } from '@/ui';
import { askChoices } from '@/workers/askSeason';
import { useProducts } from '@/features/shelf/useProducts';
import { materialName } from './productWords';
import type { SeasonQuestion } from '@/workers/seasonView';
import { stepName } from './stepName';

/** The ways to do a step side by side: what each costs, how surely it works and what it leaves alive. */
export function ChoiceSheet({
  question,
  stepId,
  steps,
  zoneName = null,
}: {
  question: SeasonQuestion;
  stepId: string;
  steps: readonly Step[];
  /** The zone that it is reckoned for, where the job has others. */
  zoneName?: string | null;
}) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const choices = useQuery({
    queryKey: ['choices', stepId, question.lawn.version, question.records.length],
    queryFn: () => askChoices(question, stepId),
    enabled: open,
    persister: undefined,
    staleTime: Infinity,
  });
  return (
    <>
      <Button
        kind="plain"
        label={t('choice.open')}
        onPress={() => setOpen(true)}
        testID="open-choices"
      />
      <Sheet open={open} title={t('choice.title')} onClose={() => setOpen(false)}>
        {zoneName ? <Words tone="second">{t('choice.oneZone', { zone: zoneName })}</Words> : null}
        {choices.error ? (
          <Failed message={choices.error.message} onRetry={() => void choices.refetch()} />
        ) : choices.data ? (
          <Options choices={choices.data} steps={steps} />
        ) : (
          <Loading />
        )}
      </Sheet>
    </>
  );
}

type TogetherOption = NonNullable<StepChoices['together']>['options'][number];

/** What a way to do it costs, and its walks. */
function Price({
  title,
  usd,
  walks,
  note,
}: {
  title: string;
  usd: number;
  walks: number;
  note: string;
}) {
  const { t } = useTranslation();
  return (
    <>
      <View className="flex-row items-center gap-3">
        <Title className="flex-1">{title}</Title>
        <Tag label={t('choice.walks', { count: walks })} />
      </View>
      <View className="flex-row items-baseline gap-3">
        <Words size="figure" weight="bold" tabular>
          {t('choice.usd', { value: money(usd) })}
        </Words>
        <Words tone="second" className="flex-1">
          {note}
        </Words>
      </View>
    </>
  );
}

/** Expected control of each target; what falls short stands out. */
function Control({ control, misses }: { control: Record<string, number>; misses: string[] }) {
  const { t } = useTranslation();
  return (
    <View className="gap-1">
      {Object.entries(control).map(([target, pct]) => (
        <View key={target} className="flex-row items-center gap-3">
          <Words
            className="flex-1"
            tone={misses.includes(target) ? 'stop' : 'ink'}
            weight={misses.includes(target) ? 'semi' : 'regular'}
          >
            {t([`weed.${target}`, `cause.${target}`])}
          </Words>
          <Words tabular weight="semi">
            {t('choice.control', { value: number(pct, 0) })}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** Whether a product goes out on more than one of the walks. */
function repeats(walks: TogetherOption['walks']): boolean {
  const slugs = walks.flatMap(({ materials }) => materials.map(({ slug }) => slug));
  return new Set(slugs).size < slugs.length;
}

/** The step with whatever else the zone needs that day: which products share a walk, which may not. */
function Together({
  together,
  steps,
}: {
  together: NonNullable<StepChoices['together']>;
  steps: readonly Step[];
}) {
  const { t } = useTranslation();
  const shelf = useProducts();
  const due = steps.filter(({ id }) => together.stepIds.includes(id));
  return (
    <>
      {due.length > 1 ? (
        <Card tone="panel">
          <Title>{t('choice.together')}</Title>
          {due.map((step) => (
            <Words key={step.id}>{stepName(t, step)}</Words>
          ))}
          {together.apart && together.options[0] ? (
            <Words tone="second">
              {t('choice.apartCost', {
                count: together.apart.walks,
                usd: money(together.apart.totalUsdInvented),
              })}
            </Words>
          ) : null}
        </Card>
      ) : null}
      {together.options.length === 0 ? <Words>{t('choice.none')}</Words> : null}
      {together.options.map((option) => (
        <Card key={option.kind} testID={`together-${option.kind}`}>
          <Price
            title={t(`choice.kind.${option.kind}`)}
            usd={option.totalUsdInvented}
            walks={option.walks.length}
            note={t(
              option.walks.some(({ materials }) =>
                materials.some(({ kind }) => kind === 'fertilizer'),
              )
                ? 'choice.withoutFeed'
                : 'choice.withWalks',
            )}
          />
          {option.walks.map(({ lane, materials }, index) => (
            <View key={index}>
              <Words weight="semi">{`${index + 1}. ${t(`choice.lane.${lane}`)}`}</Words>
              {materials.map((material) => (
                <Words key={material.slug}>
                  {t('choice.product', {
                    name: materialName(t, material, shelf),
                    rate: number(material.ratePerAcre, 2),
                    unit: t(`unit.${material.unit}`),
                  })}
                </Words>
              ))}
            </View>
          ))}
          {repeats(option.walks) && option.minIntervalDays > 0 ? (
            <Words size="note" tone="second">
              {t('choice.repeatApart', { days: option.minIntervalDays })}
            </Words>
          ) : null}
          <Control control={option.control} misses={[]} />
        </Card>
      ))}
    </>
  );
}

export function Options({ choices, steps }: { choices: StepChoices; steps: readonly Step[] }) {
  const { t } = useTranslation();
  const { together } = choices;
  if (choices.options.length === 0 && !together) return <Words>{t('choice.none')}</Words>;
  return (
    <View className="gap-4">
      {together ? <Together together={together} steps={steps} /> : null}
      {together && choices.options.length > 0 ? <Title>{t('choice.weedsAlone')}</Title> : null}
      {choices.options.map((option) => (
        <Card key={option.kind} testID={`choice-${option.kind}`}>
          <Price
            title={t(`choice.kind.${option.kind}`)}
            usd={option.totalUsdInvented}
            walks={option.walks.length}
            note={t('choice.perThousand', { value: money(option.usdPer1000Invented) })}
          />
          {option.walks.map((walk, index) => (
            <Words key={index}>
              {`${index + 1}. ${walk
                .map(({ herbicide: slug, ratePerAcre }) =>
                  t('choice.product', {
                    name: t(`herbicide.${slug}`),
                    rate: number(ratePerAcre, 2),
                    unit: t(`unit.${LIBRARY.herbicide(slug)?.unit ?? 'oz'}`),
                  }),
                )
                .join(' + ')}`}
            </Words>
          ))}
          {option.walks.length > 1 ? (
            <Words size="note" tone="second">
              {t('choice.apart', { days: option.minIntervalDays })}
            </Words>
          ) : null}
          <Control control={option.control} misses={option.misses} />
          {option.misses.length > 0 ? (
            <Words size="note" tone="stop" weight="semi">
              {t('choice.leaves', {
                weeds: option.misses.map((weed) => t(`weed.${weed}`)).join(', '),
              })}
            </Words>
          ) : null}
        </Card>
      ))}
      {choices.relaxed.length > 0 ? (
        <Card tone="panel">
          <Title>{t('choice.relaxed')}</Title>
          {choices.relaxed.map(({ weed, targetPct, savesUsdInvented }) => (
            <Words key={weed}>
              {t(targetPct > 0 ? 'choice.relax' : 'choice.drop', {
                weed: t(`weed.${weed}`),
                value: number(targetPct, 0),
                saves: money(savesUsdInvented),
              })}
            </Words>
          ))}
        </Card>
      ) : null}
      <Words size="note" tone="quiet">
        {t('choice.caution')}
      </Words>
    </View>
  );
}
