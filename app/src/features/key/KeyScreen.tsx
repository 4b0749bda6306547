import { monthOf, type Lawn, type LocalDate } from '@alfombra/core';
import {
  identify,
  keyCharacters,
  keyModel,
  type KeyAnswer,
  type KeyCandidate,
} from '@alfombra/core/key';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { useCompany, useLawn } from '@/api/queries';
import {
  Button,
  Card,
  Loading,
  percent,
  ProbabilityBar,
  Screen,
  Sheet,
  Title,
  useWide,
  Words,
} from '@/ui';
import { Differences } from './Differences';
import { CharacterChips } from './CharacterChips';
import { KeyQuestion } from './KeyQuestion';
import { useKeyStore } from './keyStore';
import { KEEPABLE, NameSheet } from './NameSheet';
import { usePlantName } from './usePlantName';

const MOST_WIDE = 6;
const MOST_PHONE = 3;
const MOST_SUGGESTED = 5;
const MOST_DIFFERENCES = 6;

/** The plant key: any character in any order, the candidates with their probability. */
export function KeyScreen({ lawnId, zoneId }: { lawnId: string; zoneId: string | null }) {
  const { t } = useTranslation();
  const lawn = useLawn(lawnId).data;
  const today = useCompany(lawn?.property.timeZone).data?.today;
  const back = zoneId ? `/lawns/${lawnId}/zone/${zoneId}` : `/lawns/${lawnId}/visit`;
  if (!lawn || !today) {
    return (
      <Screen title={t('key.title')} back={back}>
        <Loading />
      </Screen>
    );
  }
  return <Key lawn={lawn} zoneId={zoneId} today={today} back={back} />;
}

const NONE = {};
const NOTHING: readonly string[] = [];

function Key({
  lawn,
  zoneId,
  today,
  back,
}: {
  lawn: Lawn;
  zoneId: string | null;
  today: LocalDate;
  back: string;
}) {
  const router = useRouter();
  const { t } = useTranslation();
  const wide = useWide();
  const answers = useKeyStore((state) => state.answers[lawn.id]) ?? NONE;
  const unseen = useKeyStore((state) => state.unseen[lawn.id]) ?? NOTHING;
  const { answer, see, clear } = useKeyStore();
  const [asked, setAsked] = useState<string | null>(null);
  const [pair, setPair] = useState<[string, string] | null>(null);
  const [naming, setNaming] = useState<KeyCandidate | null>(null);
  const onLawn = useMemo(
    () => [...new Set(lawn.zones.flatMap(({ stand }) => stand.map(({ species }) => species)))],
    [lawn.zones],
  );
  const result = useMemo(
    () => identify({ region: lawn.region, month: monthOf(today), onLawn, answers }),
    [lawn.region, today, onLawn, answers],
  );
  const shown = result.candidates
    .filter(({ ruledOut }) => !ruledOut)
    .slice(0, wide ? MOST_WIDE : MOST_PHONE);
  const next =
    asked ?? result.next.find(({ character: slug }) => !unseen.includes(slug))?.character ?? null;
  const character = keyCharacters.find(({ slug }) => slug === next);
  const category = result.categories[0]!;
  const nameOf = usePlantName();
  const candidates = (
    <Card testID="candidates">
      <Words size="note" tone="second">
        {t('key.category', {
          category: t(`key.categories.${category.category}`),
          share: percent(category.p),
        })}
      </Words>
      {shown.map((candidate, rank) => (
        <Pressable
          key={candidate.taxon}
          role="button"
          onPress={() => setNaming(candidate)}
          className="min-h-[48px] flex-row items-center gap-2"
          testID={`taxon-${candidate.taxon}`}
        >
          <Words weight={rank === 0 ? 'bold' : 'semi'} className="flex-[3]">
            {nameOf(candidate.taxon)}
          </Words>
          <View className="flex-[2] flex-row">
            <ProbabilityBar value={candidate.p} rank={Math.min(2, rank)} on="paper" />
          </View>
          <Words weight="bold" tabular className="w-[52px] text-right">
            {t('common.percent', { value: percent(candidate.p) })}
          </Words>
        </Pressable>
      ))}
      {shown.length > 1 ? (
        <Button
          kind="plain"
          label={t('key.apart', { a: nameOf(shown[0]!.taxon), b: nameOf(shown[1]!.taxon) })}
          onPress={() => setPair([shown[0]!.taxon, shown[1]!.taxon])}
          testID="tell-apart"
        />
      ) : null}
    </Card>
  );
  return (
    <Screen title={t('key.title')} lead={lawn.name} subject={lawn.name} back={back}>
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-[3]">
          {wide ? null : candidates}
          {character ? (
            <KeyQuestion
              key={character.slug}
              character={character}
              given={(answers as Record<string, KeyAnswer>)[character.slug]}
              asked={asked !== null}
              onAnswer={(given) => {
                answer(lawn.id, character.slug, given);
                if (unseen.includes(character.slug)) see(lawn.id, character.slug, true);
                setAsked(given ? null : character.slug);
              }}
              onChange={(given) => answer(lawn.id, character.slug, given)}
              onUnseen={() => {
                see(lawn.id, character.slug, false);
                setAsked(null);
              }}
            />
          ) : (
            <Card>
              <Words weight="semi">{t('key.nothingLeft')}</Words>
            </Card>
          )}
          <CharacterChips
            asked={next}
            suggested={result.next
              .filter(({ character: slug }) => !unseen.includes(slug))
              .slice(0, MOST_SUGGESTED)
              .map(({ character: slug }) => slug)}
            onAsk={setAsked}
          />
          {Object.keys(answers).length + unseen.length > 0 ? (
            <Card>
              <Title>{t('key.seen')}</Title>
              {Object.entries(answers as Record<string, { state: string }>).map(
                ([slug, { state }]) => (
                  <View key={slug} className="flex-row items-center gap-2">
                    <Words className="flex-1">{`${t(`key.character.${slug}`)}: ${t(`key.state.${state}`)}`}</Words>
                    <Button
                      kind="quiet"
                      label={t('plan.takeAway')}
                      onPress={() => answer(lawn.id, slug, null)}
                    />
                  </View>
                ),
              )}
              {unseen.map((slug) => (
                <View key={slug} className="flex-row items-center gap-2">
                  <Words tone="second" className="flex-1">
                    {t('key.notSeen', { character: t(`key.character.${slug}`) })}
                  </Words>
                  <Button
                    kind="quiet"
                    label={t('plan.takeAway')}
                    onPress={() => see(lawn.id, slug, true)}
                  />
                </View>
              ))}
              <Button kind="plain" label={t('key.again')} onPress={() => clear(lawn.id)} />
            </Card>
          ) : null}
        </View>
        <View className="gap-4 lg:flex-[2]">
          {wide ? candidates : null}
          <Card tone="panel">
            <Words size="note" tone="second">
              {t('key.caution')}
            </Words>
            <Words size="note" tone="second">
              {t('key.lock', { share: percent(keyModel.lockBelow) })}
            </Words>
          </Card>
        </View>
      </View>
      <PairSheet pair={pair} onClose={() => setPair(null)} />
      <NameSheet
        candidate={naming}
        lawn={lawn}
        zoneId={zoneId}
        today={today}
        categoryOf={
          category.category in KEEPABLE ? (category.category as keyof typeof KEEPABLE) : null
        }
        onPair={(a, b) => setPair([a, b])}
        onClose={() => setNaming(null)}
        onKept={() => {
          setNaming(null);
          clear(lawn.id);
          router.push(back);
        }}
      />
    </Screen>
  );
}

/** The most telling differences of a pair, over the key. */
function PairSheet({ pair, onClose }: { pair: [string, string] | null; onClose: () => void }) {
  const { t } = useTranslation();
  const nameOf = usePlantName();
  return (
    <Sheet
      open={pair !== null}
      title={pair ? t('key.pair', { a: nameOf(pair[0]), b: nameOf(pair[1]) }) : ''}
      onClose={onClose}
    >
      {pair ? <Differences a={pair[0]} b={pair[1]} most={MOST_DIFFERENCES} /> : null}
    </Sheet>
  );
}
