import { countTests, assumedGrass, signs, type CountTestInput } from '@alfombra/core';
import { fieldTestCard, fieldTestCards, type NextCheck } from '@alfombra/core/walking';
import { useCallback, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ScrollView, View } from 'react-native';
import { FieldTestSheet } from '@/features/fieldTests/FieldTestSheet';
import { LawnPicture } from '@/features/plan/drawing/LawnPicture';
import { useWalkStore, type WalkDraft, type WalkTab } from '@/state/walkStore';
import type { SeasonQuestion, SeasonView } from '@/workers/seasonView';
import { Button, Chip, number, Screen, Segmented } from '@/ui';
import { ArgumentSheet } from './ArgumentSheet';
import { AskSheet } from './AskSheet';
import { CountTestSheet } from './CountTestSheet';
import type { SignState } from './SignChip';
import { SignGrid } from './SignGrid';
import { SignPictogram } from './SignPictogram';
import { TestList } from './TestList';
import { useStripPlace } from './useStripPlace';
import { useWalkDiagnosis } from './useWalkDiagnosis';
import { VerdictStrip } from './VerdictStrip';

const TABS: readonly WalkTab[] = ['kerb', 'standing', 'kneeling', 'test', 'context'];

/** The field test that answers a sign. */
const testOf = (sign: string) => fieldTestCards.find(({ signs: own }) => own.includes(sign))?.slug;

/** A look at one place from three heights, with the leading causes beside it or at the foot. */
export function LookScreen({
  question,
  view,
  walk,
}: {
  question: SeasonQuestion;
  view: SeasonView;
  walk: WalkDraft;
}) {
  const { t } = useTranslation();
  const { aside, roomy } = useStripPlace();
  const { lawn } = question;
  const zone = lawn.zones.find(({ id }) => id === walk.zoneId)!;
  const patch = lawn.patches.find(({ id }) => id === walk.patchId) ?? null;
  const { input, diagnosis, gathered, soilF } = useWalkDiagnosis(question, view, zone, walk);
  const store = useWalkStore();
  const [argued, setArgued] = useState<{ cause: string; p: number } | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
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
      <TestList
        walk={walk}
        checks={diagnosis.nextChecks}
        onCount={setTesting}
        onRead={setFieldTesting}
      />
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
          columns={roomy ? 3 : 2}
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
      fill={aside}
      sticky={!aside}
      value={walk.tab}
      onChange={(tab) => store.change(lawn.id, { tab })}
      options={TABS.slice(0, 4).map((tab) => ({
        value: tab,
        label: t(tab === 'test' ? 'walk.tests' : `walk.${tab}`),
        note: seen(tab) > 0 ? t('walk.seen', { count: seen(tab) }) : t('walk.noneSeen'),
      }))}
    >
      {aside ? (
        // Each height begins at its top.
        <ScrollView key={walk.tab} contentContainerClassName="pb-6">
          {body}
        </ScrollView>
      ) : (
        body
      )}
    </Segmented>
  );
  const strip = (
    <VerdictStrip
      diagnosis={diagnosis}
      docked={!aside}
      onArgue={(cause, p) => setArgued({ cause, p })}
      onCheck={runCheck}
      decideHref={`/lawns/${lawn.id}/decide`}
    />
  );
  const pattern = signs.find(({ slug, group }) => group === 'pattern' && stateOf(slug) === 'yes');
  const mark = pattern ? <SignPictogram slug={pattern.slug} size={36} /> : null;
  const plan = (height: number) => (
    <LawnPicture
      lawn={lawn}
      zoneId={zone.id}
      patchId={patch?.id ?? null}
      focus={aside ? null : zone.id}
      height={height}
      mark={mark}
    />
  );
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
      back={`/lawns/${lawn.id}/visit`}
      aside={
        <Button kind="quiet" label={t('walk.otherPlace')} onPress={() => store.leave(lawn.id)} />
      }
    >
      {aside ? (
        <View className="min-h-0 flex-1 flex-row gap-5 px-4 pb-4">
          <ScrollView
            className={roomy ? 'w-[400px] grow-0' : 'w-[300px] grow-0'}
            contentContainerClassName="gap-4"
          >
            {roomy ? plan(220) : null}
            {strip}
          </ScrollView>
          <View className="min-w-0 flex-1 gap-4">{looks}</View>
        </View>
      ) : (
        <>
          <ScrollView
            key={walk.tab}
            className="min-h-0 flex-1"
            contentContainerClassName="gap-3 px-4 pb-4"
          >
            {plan(112)}
            {looks}
          </ScrollView>
          {strip}
        </>
      )}
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
