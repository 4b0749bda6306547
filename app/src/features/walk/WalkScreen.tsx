import {
  countTests,
  assumedGrass,
  signs,
  zoneArea,
  type CountTestInput,
  type Patch,
} from '@alfombra/core';
import { fieldTestCard, fieldTestCards, type NextCheck } from '@alfombra/core/walking';
import { useCallback, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ScrollView, View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { LawnPlan } from '@/features/lawns/LawnPlan';
import type { SeasonQuestion, SeasonView } from '@/workers/seasonView';
import { SeasonPending } from '@/features/season/SeasonPending';
import { useLawnSeason } from '@/features/season/useLawnSeason';
import { useWalkStore, type WalkDraft, type WalkTab } from '@/state/walkStore';
import {
  Button,
  Chip,
  Failed,
  ListRow,
  number,
  Screen,
  Segmented,
  Sheet,
  Tag,
  Title,
  useWide,
  Words,
} from '@/ui';
import { FieldTestSheet } from '@/features/fieldTests/FieldTestSheet';
import { ArgumentSheet } from './ArgumentSheet';
import { AskSheet } from './AskSheet';
import { CountTestSheet } from './CountTestSheet';
import { SignGrid } from './SignGrid';
import { SignPictogram } from './SignPictogram';
import type { SignState } from './SignChip';
import { useWalkDiagnosis } from './useWalkDiagnosis';
import { VerdictStrip } from './VerdictStrip';

const TABS: readonly WalkTab[] = ['kerb', 'standing', 'kneeling', 'test', 'context'];
/** A patch that was tapped onto the plan, before it is paced. */
const NEW_PATCH_FT = 4;

/** The field test that answers a sign. */
const testOf = (sign: string) => fieldTestCards.find(({ signs: own }) => own.includes(sign))?.slug;

/** The walk: choose a zone and a patch, then look from three heights. */
export function WalkScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const { question, view, error, retry } = useLawnSeason(lawnId);
  const walk = useWalkStore(({ walks }) => walks[lawnId]);
  const back = `/lawns/${lawnId}`;
  if (!question || !view) {
    return <SeasonPending title={t('lawn.walk')} back={back} error={error} onRetry={retry} />;
  }
  return walk && question.lawn.zones.some(({ id }) => id === walk.zoneId) ? (
    <Look question={question} view={view} walk={walk} />
  ) : (
    <ChoosePlace question={question} />
  );
}

function ChoosePlace({ question }: { question: SeasonQuestion }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const { lawn, company } = question;
  const [zoneId, setZoneId] = useState(
    () => [...lawn.zones].sort((a, b) => zoneArea(b) - zoneArea(a))[0]!.id,
  );
  const [adding, setAdding] = useState(false);
  const start = useWalkStore((state) => state.start);
  const putLawn = usePutLawn(lawn.id);
  const zone = lawn.zones.find(({ id }) => id === zoneId)!;
  const patches = lawn.patches.filter((patch) => patch.zoneId === zoneId);
  const beginVisit = useWalkStore((state) => state.beginVisit);
  const begin = (patch: Patch | null) =>
    start(lawn.id, patch?.zoneId ?? zoneId, patch?.id ?? null, beginVisit(lawn.id, company.today));
  const mark = (place: { x: number; y: number }) => {
    setAdding(false);
    const patch: Patch = {
      id: uuid(),
      zoneId,
      number: 1 + Math.max(0, ...lawn.patches.map((entry) => entry.number)),
      centre: { x: Math.round(place.x * 10) / 10, y: Math.round(place.y * 10) / 10 },
      widthFt: NEW_PATCH_FT,
      lengthFt: NEW_PATCH_FT,
      seenOn: company.today,
    };
    putLawn.mutate({ ...lawn, patches: [...lawn.patches, patch] });
  };
  return (
    <Screen
      title={t('walk.chooseZone')}
      lead={lawn.name}
      subject={lawn.name}
      back={`/lawns/${lawn.id}`}
    >
      <LawnPlan
        lawn={lawn}
        zoneId={zoneId}
        height={230}
        onZone={setZoneId}
        onPatch={begin}
        {...(adding ? { onPlace: mark } : {})}
      />
      {adding ? <Words weight="semi">{t('lawn.addPatchHint')}</Words> : null}
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      <View className="flex-row flex-wrap gap-2">
        {lawn.zones.map((entry) => (
          <Chip
            key={entry.id}
            label={entry.name}
            chosen={entry.id === zoneId}
            onPress={() => setZoneId(entry.id)}
          />
        ))}
      </View>
      <Title>{t('walk.choosePatch')}</Title>
      <View className="gap-3">
        {patches.map((patch) => (
          <ListRow
            key={patch.id}
            testID={`patch-${patch.number}`}
            title={t('lawn.patch', { number: patch.number })}
            lines={[`${number(patch.lengthFt, 1)} × ${number(patch.widthFt, 1)} ft`]}
            onPress={() => begin(patch)}
          />
        ))}
        <ListRow
          testID="whole-zone"
          title={t('lawn.wholeZone')}
          lines={[t('common.ft2', { value: number(zoneArea(zone)) })]}
          onPress={() => begin(null)}
        />
        <Button
          kind="plain"
          label={t('lawn.addPatch')}
          onPress={() => setAdding(true)}
          busy={putLawn.isPending ? t('common.loading') : null}
        />
      </View>
    </Screen>
  );
}

function Look({
  question,
  view,
  walk,
}: {
  question: SeasonQuestion;
  view: SeasonView;
  walk: WalkDraft;
}) {
  const { t } = useTranslation();
  const wide = useWide();
  const { lawn } = question;
  const zone = lawn.zones.find(({ id }) => id === walk.zoneId)!;
  const patch = lawn.patches.find(({ id }) => id === walk.patchId) ?? null;
  const { input, diagnosis, gathered, soilF } = useWalkDiagnosis(question, view, zone, walk);
  const store = useWalkStore();
  const [argued, setArgued] = useState<{ cause: string; p: number } | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  const [leaving, setLeaving] = useState(false);
  const [testing, setTesting] = useState<CountTestInput['test'] | null>(null);
  const [fieldTesting, setFieldTesting] = useState<string | null>(null);

  const stateOf = useCallback(
    (slug: string): SignState => {
      const answer = walk.answers[slug] ?? gathered[slug]?.answer;
      return answer === true
        ? 'yes'
        : answer === false
          ? 'no'
          : answer === 'unsure'
            ? 'unsure'
            : 'open';
    },
    [walk.answers, gathered],
  );
  const noteOf = (slug: string) =>
    walk.answers[slug] === undefined && gathered[slug]
      ? t(`walk.from.${gathered[slug].from}`)
      : null;
  const seen = (tab: WalkTab) => {
    if (tab === 'test') return walk.tests.length + walk.fieldTests.length;
    const prefix = { kerb: 'k-', standing: 's-', kneeling: 'h-', context: 'c-' }[tab];
    return Object.entries(walk.answers).filter(
      ([slug, answer]) => slug.startsWith(prefix) && answer !== 'unsure',
    ).length;
  };
  const runCheck = (check: NextCheck) => {
    const test = countTests.find(({ sign }) => sign === check.sign);
    if (test) setTesting(test.slug);
    else if (check.posture === 'test') setFieldTesting(testOf(check.sign) ?? null);
    else setAsked(check.sign);
  };
  const body =
    walk.tab === 'test' ? (
      <View className="gap-3">
        {countTests.map((test) => {
          const used = walk.tests.find((entry) => entry.test === test.slug);
          return (
            <ListRow
              key={test.slug}
              testID={`test-${test.slug}`}
              title={t(`test.${test.slug}`)}
              lines={[
                used
                  ? used.counts.join(', ')
                  : t('walk.minutes', { value: number(test.seconds / 60) }),
              ]}
              aside={used ? <Tag label={t('test.inUse')} tone="good" /> : undefined}
              onPress={() => setTesting(test.slug)}
            />
          );
        })}
        {fieldTestCards
          .filter(({ slug }) => !countTests.some((test) => test.slug === slug))
          .map((card) => (
            <ListRow
              key={card.slug}
              testID={`field-${card.slug}`}
              title={t(`fieldTest.${card.slug}.name`)}
              lines={[
                [
                  t('walk.minutes', { value: number(Math.max(1, card.seconds / 60)) }),
                  card.waitDays
                    ? t('fieldUi.waitDays', { low: card.waitDays[0], high: card.waitDays[1] })
                    : null,
                ]
                  .filter(Boolean)
                  .join(' · '),
              ]}
              aside={
                walk.fieldTests.some(({ test }) => test === card.slug) ? (
                  <Tag label={t('test.inUse')} tone="good" />
                ) : undefined
              }
              onPress={() => setFieldTesting(card.slug)}
            />
          ))}
      </View>
    ) : (
      <View className="gap-3">
        <SignGrid
          key={walk.tab}
          posture={walk.tab}
          stateOf={stateOf}
          noteOf={noteOf}
          checks={diagnosis.nextChecks}
          onAnswer={(slug, value) => store.answer(lawn.id, slug, value)}
          onHow={setAsked}
          columns={wide ? 3 : 2}
        />
        <View className="flex-row">
          <Chip
            label={t('walk.history')}
            chosen={walk.tab === 'context'}
            onPress={() =>
              store.change(lawn.id, { tab: walk.tab === 'context' ? 'kerb' : 'context' })
            }
          />
        </View>
      </View>
    );
  const looks = (
    <Segmented
      fill={wide}
      sticky={!wide}
      value={walk.tab}
      onChange={(tab) => store.change(lawn.id, { tab })}
      options={TABS.slice(0, 4).map((tab) => ({
        value: tab,
        label: t(tab === 'test' ? 'walk.tests' : `walk.${tab}`),
        note: seen(tab) > 0 ? t('walk.seen', { count: seen(tab) }) : t('walk.noneSeen'),
      }))}
    >
      {wide ? <ScrollView contentContainerClassName="pb-6">{body}</ScrollView> : body}
    </Segmented>
  );
  const strip = (
    <VerdictStrip
      diagnosis={diagnosis}
      docked={!wide}
      onArgue={(cause, p) => setArgued({ cause, p })}
      onCheck={runCheck}
      decideHref={`/lawns/${lawn.id}/decide`}
    />
  );
  const pattern = signs.find(({ slug, group }) => group === 'pattern' && stateOf(slug) === 'yes');
  const mark = pattern ? <SignPictogram slug={pattern.slug} size={36} /> : null;
  const main = [...zone.stand].sort((a, b) => b.cover - a.cover)[0];
  return (
    <Screen
      scroll={false}
      title={
        patch
          ? t('walk.title', { zone: zone.name, number: patch.number })
          : t('walk.titleZone', { zone: zone.name })
      }
      lead={[
        main ? t(`grass.${main.species}`) : null,
        soilF === null ? null : t('walk.soil', { value: number(soilF) }),
        patch ? `${number(patch.lengthFt, 1)} × ${number(patch.widthFt, 1)} ft` : null,
      ]
        .filter(Boolean)
        .join(' · ')}
      back={`/lawns/${lawn.id}`}
      aside={
        <Button
          kind="quiet"
          label={t('walk.otherPlace')}
          onPress={() =>
            Object.keys(walk.answers).length + walk.tests.length === 0
              ? store.finish(lawn.id)
              : setLeaving(true)
          }
        />
      }
    >
      {wide ? (
        <View className="min-h-0 flex-1 flex-row gap-5 px-4 pb-4">
          <View className="w-[400px] gap-4">
            <LawnPlan
              lawn={lawn}
              zoneId={zone.id}
              patchId={patch?.id ?? null}
              height={220}
              mark={mark}
            />
            {strip}
          </View>
          <View className="min-w-0 flex-1 gap-4">{looks}</View>
        </View>
      ) : (
        <>
          <ScrollView className="min-h-0 flex-1" contentContainerClassName="gap-3 px-4 pb-4">
            <LawnPlan
              lawn={lawn}
              zoneId={zone.id}
              patchId={patch?.id ?? null}
              height={112}
              focus
              mark={mark}
            />
            {looks}
          </ScrollView>
          {strip}
        </>
      )}
      <Sheet open={leaving} title={t('walk.leaveTitle')} onClose={() => setLeaving(false)}>
        <Words>
          {t('walk.leaveLead', { count: Object.keys(walk.answers).length + walk.tests.length })}
        </Words>
        <View className="flex-row gap-2">
          <View className="flex-1">
            <Button
              kind="equal"
              label={t('walk.leaveStay')}
              onPress={() => setLeaving(false)}
              wide
            />
          </View>
          <View className="flex-1">
            <Button
              kind="equal"
              label={t('walk.leaveDrop')}
              onPress={() => store.finish(lawn.id)}
              wide
            />
          </View>
        </View>
      </Sheet>
      <ArgumentSheet
        input={input}
        cause={argued?.cause ?? null}
        p={argued?.p ?? 0}
        onClose={() => setArgued(null)}
      />
      <AskSheet
        slug={asked}
        onClose={() => setAsked(null)}
        onAnswer={(value) => {
          if (asked) store.answer(lawn.id, asked, value);
          setAsked(null);
        }}
      />
      {fieldTesting ? (
        <FieldTestSheet
          draftKey={`${walk.visitId}:${walk.patchId ?? walk.zoneId}`}
          slug={fieldTesting}
          main={assumedGrass(zone, lawn.region)}
          before={walk.fieldTests.find(({ test }) => test === fieldTesting)}
          onUse={(test, result) => {
            store.putFieldTest(lawn.id, test, result.signs);
            setFieldTesting(null);
          }}
          onTakeOut={() => {
            store.dropFieldTest(lawn.id, fieldTesting, fieldTestCard(fieldTesting)?.signs ?? []);
            setFieldTesting(null);
          }}
          onClose={() => setFieldTesting(null)}
        />
      ) : null}
      {testing ? (
        <CountTestSheet
          draftKey={`${walk.visitId}:${walk.patchId ?? walk.zoneId}`}
          slug={testing}
          before={walk.tests.find((entry) => entry.test === testing)}
          stand={zone.stand}
          onClose={() => setTesting(null)}
          onUse={(test) => {
            store.putTest(lawn.id, test);
            setTesting(null);
          }}
          onRemove={() => {
            store.dropTest(lawn.id, testing);
            setTesting(null);
          }}
        />
      ) : null}
    </Screen>
  );
}
