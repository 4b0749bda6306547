import { monthOf, type GrassSlug, type Lawn, type LocalDate } from '@alfombra/core';
import {
  identify,
  keyCharacters,
  keyModel,
  lookAlikesOf,
  type KeyCandidate,
} from '@alfombra/core/key';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useCompany, useLawn, usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import {
  Button,
  Card,
  Chip,
  Failed,
  Loading,
  percent,
  PickerField,
  ProbabilityBar,
  Screen,
  SelectField,
  Sheet,
  Title,
  useWide,
  Words,
} from '@/ui';
import { Differences } from './Differences';
import { useKeyStore } from './keyStore';
import { StateDrawing } from './StateDrawing';
import { usePlantName } from './usePlantName';

const MOST_WIDE = 6;
const MOST_PHONE = 3;
const MOST_SUGGESTED = 5;
const MOST_DIFFERENCES = 6;
/** Categories that a patch may be kept under without a name. */
const KEEPABLE = { sedge: 'sedge', broadleaf: 'broadleaf', grassy: 'grassy' } as const;

/** The plant key: any character in any order, the candidates with their probability. */
export function KeyScreen({ lawnId, zoneId }: { lawnId: string; zoneId: string | null }) {
  const { t } = useTranslation();
  const lawn = useLawn(lawnId).data;
  const today = useCompany().data?.today;
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
  const { answer, clear } = useKeyStore();
  const [asked, setAsked] = useState<string | null>(null);
  const [all, setAll] = useState(false);
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
  const next = asked ?? result.next[0]?.character ?? keyCharacters[0]!.slug;
  const character = keyCharacters.find(({ slug }) => slug === next)!;
  const given = (answers as Record<string, { state: string; certain?: boolean; lens?: boolean }>)[
    next
  ];
  const category = result.categories[0]!;
  const nameOf = usePlantName();
  const others = all
    ? keyCharacters.map(({ slug }) => slug)
    : result.next.slice(0, MOST_SUGGESTED).map(({ character: slug }) => slug);
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
  const question = (
    <Card testID={`ask-${next}`}>
      <Words size="note" weight="semi" tone="caution">
        {asked ? t('key.chosen') : t('key.best')}
      </Words>
      <Title>{t(`key.character.${next}`)}</Title>
      <Words tone="second">{t(`key.where.${next}`)}</Words>
      <View className="flex-row flex-wrap gap-2">
        {character.states.map((state) => {
          const chosen = given?.state === state;
          return (
            <Pressable
              key={state}
              role="button"
              aria-pressed={chosen}
              onPress={() => {
                answer(lawn.id, next, chosen ? null : { ...given, state });
                setAsked(chosen ? next : null);
              }}
              className={`min-h-[64px] w-[48%] flex-row items-center gap-2 rounded-xl border-2 p-2 ${chosen ? 'border-main bg-good-tint' : 'border-line bg-raised'}`}
              testID={`state-${state}`}
            >
              <StateDrawing character={next} state={state} />
              <Words size="note" weight="semi" className="min-w-0 flex-1">
                {t(`key.state.${state}`)}
              </Words>
            </Pressable>
          );
        })}
      </View>
      <View className="flex-row flex-wrap gap-2">
        <Button
          kind="plain"
          label={t('key.unsure')}
          onPress={() => {
            answer(lawn.id, next, null);
            const rest = result.next.filter(({ character: slug }) => slug !== next);
            setAsked(rest[0]?.character ?? null);
          }}
        />
        {given ? (
          <>
            <Chip
              label={t('key.certain')}
              chosen={given.certain === true}
              onPress={() => answer(lawn.id, next, { ...given, certain: !given.certain })}
            />
            {character.ease === 'hard' ? (
              <Chip
                label={t('key.lens')}
                chosen={given.lens === true}
                onPress={() => answer(lawn.id, next, { ...given, lens: !given.lens })}
              />
            ) : null}
          </>
        ) : null}
      </View>
    </Card>
  );
  return (
    <Screen title={t('key.title')} lead={lawn.name} subject={lawn.name} back={back}>
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-[3]">
          {wide ? null : candidates}
          {question}
          <View className="flex-row flex-wrap gap-2">
            {others.map((slug) => (
              <Chip
                key={slug}
                label={t(`key.character.${slug}`)}
                chosen={slug === next}
                onPress={() => setAsked(slug)}
              />
            ))}
            <Chip
              label={all ? t('common.less') : t('common.all')}
              chosen={all}
              onPress={() => setAll(!all)}
            />
          </View>
          {Object.keys(answers).length > 0 ? (
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

/** Keeps a name with its confidence, a category only, or a day to look again. */
function NameSheet({
  candidate,
  lawn,
  zoneId,
  today,
  categoryOf,
  onPair,
  onClose,
  onKept,
}: {
  candidate: KeyCandidate | null;
  lawn: Lawn;
  zoneId: string | null;
  today: LocalDate;
  categoryOf: keyof typeof KEEPABLE | null;
  onPair: (a: string, b: string) => void;
  onClose: () => void;
  onKept: () => void;
}) {
  const { t } = useTranslation();
  const nameOf = usePlantName();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const [zone, setZone] = useState(zoneId ?? lawn.zones[0]?.id ?? '');
  const [again, setAgain] = useState('');
  if (!candidate) return null;
  const chosen = lawn.zones.find(({ id }) => id === zone);
  const asGrass = candidate.grass as GrassSlug | null;
  const middle = chosen
    ? {
        x: chosen.outline.reduce((sum, { x }) => sum + x, 0) / chosen.outline.length,
        y: chosen.outline.reduce((sum, { y }) => sum + y, 0) / chosen.outline.length,
      }
    : { x: 0, y: 0 };
  const keep = (lawnAfter: Lawn) => putLawn.mutate(lawnAfter, { onSuccess: onKept });
  const keepPatch = (plant: Lawn['weedPatches'][number]['plant']) =>
    keep({
      ...lawn,
      weedPatches: [
        ...lawn.weedPatches,
        {
          id: uuid(),
          zoneId: zone,
          plant,
          centre: middle,
          lengthFt: 2,
          widthFt: 2,
          cover: 0.5,
          stage: '2-4-tiller',
          seenOn: today,
          lookAgainOn: again === '' ? null : (again as LocalDate),
        },
      ],
    });
  const alikes = lookAlikesOf(candidate.taxon);
  return (
    <Sheet open title={nameOf(candidate.taxon)} onClose={onClose}>
      <Words>{t('key.confidence', { share: percent(candidate.p) })}</Words>
      {candidate.against.length > 0 ? (
        <Words tone="stop">
          {t('key.against', {
            list: candidate.against.map((slug) => t(`key.character.${slug}`)).join(', '),
          })}
        </Words>
      ) : null}
      {alikes.length > 0 ? (
        <View className="gap-2">
          <Words size="note" weight="semi" tone="second">
            {t('key.alikes')}
          </Words>
          <View className="flex-row flex-wrap gap-2">
            {alikes.map((slug) => (
              <Chip
                key={slug}
                label={nameOf(slug)}
                chosen={false}
                onPress={() => onPair(candidate.taxon, slug)}
              />
            ))}
          </View>
        </View>
      ) : null}
      {lawn.zones.length > 1 ? (
        <SelectField
          label={t('common.zone')}
          value={zone}
          options={lawn.zones.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setZone}
        />
      ) : null}
      <PickerField
        type="date"
        label={t('plan.lookAgain')}
        hint={t('plan.lookAgainHint')}
        value={again}
        min={today}
        onChange={setAgain}
      />
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      {chosen && asGrass && !chosen.stand.some(({ species }) => species === asGrass) ? (
        <Button
          label={t('key.toStand', { zone: chosen.name })}
          onPress={() =>
            keep({
              ...lawn,
              zones: lawn.zones.map((entry) =>
                entry.id === chosen.id
                  ? { ...entry, stand: [...entry.stand, { species: asGrass, cover: 0 }] }
                  : entry,
              ),
            })
          }
          testID="keep-grass"
        />
      ) : null}
      {chosen && !asGrass ? (
        <Button
          label={t('key.toPatch', { zone: chosen.name })}
          onPress={() =>
            keepPatch({
              kind: 'weed',
              weed: candidate.taxon,
              confidence: Number(candidate.p.toFixed(3)),
            })
          }
          testID="keep-weed"
        />
      ) : null}
      {chosen && categoryOf ? (
        <Button
          kind="plain"
          label={t('key.onlyCategory', { category: t(`plan.category.${categoryOf}`) })}
          onPress={() => keepPatch({ kind: 'category', category: KEEPABLE[categoryOf] })}
        />
      ) : null}
    </Sheet>
  );
}
