import { herbicide } from '@alfombra/core';
import type { StepChoices } from '@alfombra/core/planning';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, Card, Failed, Loading, number, Sheet, Tag, Title, Words } from '@/ui';
import { askChoices } from '@/workers/askSeason';
import type { SeasonQuestion } from './seasonView';

/** The ways to do a step side by side: what each costs, how surely it works and what it leaves alive. */
export function ChoiceSheet({ question, stepId }: { question: SeasonQuestion; stepId: string }) {
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
        {choices.error ? (
          <Failed message={choices.error.message} onRetry={() => void choices.refetch()} />
        ) : choices.data ? (
          <Options choices={choices.data} />
        ) : (
          <Loading />
        )}
      </Sheet>
    </>
  );
}

export function Options({ choices }: { choices: StepChoices }) {
  const { t } = useTranslation();
  if (choices.options.length === 0) return <Words>{t('choice.none')}</Words>;
  return (
    <View className="gap-4">
      {choices.options.map((option) => (
        <Card key={option.kind} testID={`choice-${option.kind}`}>
          <View className="flex-row items-center gap-3">
            <Title className="flex-1">{t(`choice.kind.${option.kind}`)}</Title>
            <Tag label={t('choice.walks', { count: option.walks.length })} />
          </View>
          <View className="flex-row items-baseline gap-3">
            <Words size="figure" weight="bold" tabular>
              {t('choice.usd', { value: option.totalUsdInvented.toFixed(2) })}
            </Words>
            <Words tone="second" className="flex-1">
              {t('choice.perThousand', { value: option.usdPer1000Invented.toFixed(2) })}
            </Words>
          </View>
          {option.walks.map((walk, index) => (
            <Words key={index}>
              {`${index + 1}. ${walk
                .map(({ herbicide: slug, ratePerAcre }) =>
                  t('choice.product', {
                    name: t(`herbicide.${slug}`),
                    rate: number(ratePerAcre, 2),
                    unit: t(`unit.${herbicide(slug)?.unit ?? 'oz'}`),
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
          <View className="gap-1">
            {Object.entries(option.control).map(([weed, pct]) => (
              <View key={weed} className="flex-row items-center gap-3">
                <Words
                  className="flex-1"
                  tone={option.misses.includes(weed) ? 'stop' : 'ink'}
                  weight={option.misses.includes(weed) ? 'semi' : 'regular'}
                >
                  {t(`weed.${weed}`)}
                </Words>
                <Words tabular weight="semi">
                  {t('choice.control', { value: number(pct, 0) })}
                </Words>
              </View>
            ))}
          </View>
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
                saves: savesUsdInvented.toFixed(2),
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
