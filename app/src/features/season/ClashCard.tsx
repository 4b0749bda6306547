import type { Clash, Lawn } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { Button, Card, Failed, fullDay, Words } from '@/ui';

/**
 * Seed or preventer: one sentence of consequence and two equal buttons; none is pressed already.
 * @param clashes the same clash in one or several zones; one answer settles them all
 */
export function ClashCard({ clashes, lawn }: { clashes: readonly Clash[]; lawn: Lawn }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const clash = clashes[0]!;
  const zones = lawn.zones
    .filter(({ id }) => clashes.some(({ zoneId }) => zoneId === id))
    .map(({ name }) => name)
    .join(', ');
  const names = {
    seed: t('season.clashSeed', { species: t(`grass.${clash.seed.species}`).toLowerCase() }),
    prevent: t('season.clashPrevent', { group: t(`group.${clash.prevent.group}`) }),
  };
  const choose = (choice: 'seed' | 'prevent' | null) => {
    const choices = { ...lawn.choices };
    for (const { id } of clashes) {
      if (choice) choices[id] = choice;
      else delete choices[id];
    }
    putLawn.mutate({ ...lawn, choices });
  };
  return (
    <Card tone={clash.choice ? 'panel' : 'stop'} testID="clash">
      <View className="flex-row items-start gap-3">
        <Svg width={30} height={30} viewBox="0 0 30 30" aria-hidden>
          <Path d="M15 1l14 14-14 14L1 15z" fill="#8E2F22" />
          <Path d="M15 8v9M15 21v1" stroke="#FFFFFF" strokeWidth={3} strokeLinecap="round" />
        </Svg>
        <View className="min-w-0 flex-1 gap-1">
          <Words size="lead" weight="bold">
            {`${zones}: ${t('stepCard.clashTitle')}`}
          </Words>
          <Words>
            {t('stepCard.clashLead', {
              product: clash.prevent.products
                .map(({ herbicide }) => t(`herbicide.${herbicide}`))
                .join(' + '),
              wait: Math.round(clash.waitWeeks),
              weeks: Math.max(0, clash.weeks),
              date: fullDay(clash.seedFrom),
            })}
          </Words>
        </View>
      </View>
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      {clash.choice ? (
        <View className="gap-2">
          <Words weight="bold">{t('season.clashChosen', { choice: names[clash.choice] })}</Words>
          <Button kind="plain" label={t('season.clashUndo')} onPress={() => choose(null)} />
        </View>
      ) : (
        <View className="flex-row gap-2">
          {(['seed', 'prevent'] as const).map((choice) => (
            <View key={choice} className="flex-1">
              <Button
                kind="equal"
                testID={`clash-${choice}`}
                label={names[choice]}
                onPress={() => choose(choice)}
                busy={putLawn.isPending ? t('common.loading') : null}
                wide
              />
            </View>
          ))}
        </View>
      )}
    </Card>
  );
}
