import { grass, weed, type Grass, type GrassSlug, type Weed } from '@alfombra/core';
import { keyCharacters, keyTaxon, lookAlikesOf, statesOf } from '@alfombra/core/key';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { StateDrawing } from '@/features/key/StateDrawing';
import { usePlantName } from '@/features/key/usePlantName';
import { Card, Empty, LinkButton, monthName, number, Screen, Tag, Title, Words } from '@/ui';
import { pairSlug } from './pairSlug';

const range = ([low, high]: readonly [number, number], digits = 0) =>
  `${number(low, digits)}–${number(high, digits)}`;

function grassFacts(t: TFunction, entry: Grass): [string, string][] {
  const { seed, nitrogen, mowingIn, ph } = entry;
  const facts: [string, string | null][] = [
    ['season', t(`guide.season.${entry.season}`)],
    ['habit', t(`guide.habit.${entry.habit}`)],
    ['recovery', t(`guide.recovery.${entry.recovery}`)],
    ['mowing', mowingIn && t('guide.inches', { range: range(mowingIn.range, 1) })],
    ['ph', ph && range(ph.ok, 1)],
    [
      'nitrogen',
      nitrogen &&
        t('guide.lbYear', {
          range: range([nitrogen.yearLbPer1000[0], nitrogen.yearLbPer1000[2]], 1),
        }),
    ],
    ['sun', entry.sunHours && t('guide.hours', { range: range(entry.sunHours) })],
    [
      'shoots',
      entry.shootOptimumAirF && t('guide.degrees', { range: range(entry.shootOptimumAirF) }),
    ],
    ['germination', seed && t('guide.degrees', { range: range(seed.soilF.optimum) })],
    ['days', seed && t('guide.dayRange', { range: range(seed.germinationDays) })],
  ];
  return facts.filter((fact): fact is [string, string] => fact[1] !== null);
}

function weedFacts(t: TFunction, entry: Weed): [string, string][] {
  return [
    ['category', t(`guide.plantGroup.${entry.category}`)],
    ['life', t(`key.state.${entry.lifeCycle}`)],
    [
      'emergence',
      t(`guide.emergence.${entry.emergenceDirection}`, { degrees: number(entry.emergenceF) }),
    ],
    ['pull', t(`guide.pull.${entry.pull}`)],
    ['difficulty', t('guide.outOfFive', { value: number(entry.difficulty) })],
    [
      'applications',
      entry.applications > 0
        ? t('guide.times', {
            count: entry.applications,
            range: range(entry.intervalDays),
          })
        : t('guide.noSpray'),
    ],
    ...(['north', 'transition', 'south'] as const).map((region): [string, string] => {
      const months = entry.months[region];
      return [
        `months.${region}`,
        months ? `${monthName(months[0])} – ${monthName(months[1])}` : t('guide.notHere'),
      ];
    }),
  ];
}

/** One grass or weed: the facts a plan uses, every character the key knows drawn, its look-alikes. */
export function PlantScreen({ slug }: { slug: string }) {
  const { t } = useTranslation();
  const nameOf = usePlantName();
  const turf = grass(slug as GrassSlug);
  const unwanted = weed(slug);
  const taxon = keyTaxon(slug);
  const back = '/guide?view=plants';
  const entry = turf ?? unwanted;
  if (!entry) {
    return (
      <Screen title={t('guide.title')} back={back}>
        <Empty title={t('guide.none', { query: slug })} />
      </Screen>
    );
  }
  const alikes = lookAlikesOf(slug);
  const facts = [...(turf ? grassFacts(t, turf) : []), ...(unwanted ? weedFacts(t, unwanted) : [])];
  const shown = taxon
    ? keyCharacters.filter((character) => statesOf(taxon, character.slug).length > 0)
    : [];
  return (
    <Screen title={nameOf(slug)} lead={entry.latin} back={back}>
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-[2]">
          <Card>
            <View className="flex-row gap-2">
              {turf ? <Tag label={t('guide.asTurf')} tone="good" /> : null}
              {unwanted ? <Tag label={t('guide.asWeed')} tone="caution" /> : null}
            </View>
            {facts.map(([fact, value]) => (
              <View key={fact} className="flex-row gap-3">
                <Words tone="second" className="flex-1">
                  {t(`guide.fact.${fact}`)}
                </Words>
                <Words weight="semi" className="flex-1">
                  {value}
                </Words>
              </View>
            ))}
            <Words size="note" tone="quiet">
              {t(`source.${entry.source.kind}`)}
            </Words>
          </Card>
          {alikes.length > 0 ? (
            <Card>
              <Title>{t('guide.alikes')}</Title>
              <View className="flex-row flex-wrap gap-2">
                {alikes.map((other) => (
                  <LinkButton
                    key={other}
                    kind="plain"
                    label={nameOf(other)}
                    href={`/guide/pair/${pairSlug(slug, other)}`}
                  />
                ))}
              </View>
            </Card>
          ) : null}
        </View>
        {shown.length > 0 && taxon ? (
          <View className="lg:flex-[3]">
            <Card>
              <Title>{t('guide.know')}</Title>
              <View className="flex-row flex-wrap gap-y-3">
                {shown.map((character) => (
                  <View key={character.slug} className="w-1/2 gap-1 pr-2">
                    <Words size="note" tone="second">
                      {t(`key.character.${character.slug}`)}
                    </Words>
                    {statesOf(taxon, character.slug).map((state) => (
                      <View key={state} className="flex-row items-center gap-2">
                        <StateDrawing character={character.slug} state={state} size={48} />
                        <Words weight="semi" className="min-w-0 flex-1">
                          {t(`key.state.${state}`)}
                        </Words>
                      </View>
                    ))}
                  </View>
                ))}
              </View>
            </Card>
          </View>
        ) : null}
      </View>
    </Screen>
  );
}
