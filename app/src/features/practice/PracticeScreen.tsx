import { causes, sign as signOf, signs, type Posture } from '@alfombra/core';
import {
  debrief,
  drawCase,
  lookSeconds,
  type Debrief,
  type PracticeCase,
} from '@alfombra/core/walking';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { SignPictogram } from '@/features/walk/SignPictogram';
import { usePracticeStore } from '@/state/practiceStore';
import {
  Button,
  Card,
  monthName,
  number,
  percent,
  Screen,
  Segmented,
  SelectField,
  Sheet,
  Tag,
  Title,
  useWide,
  Words,
} from '@/ui';
import { learningRecord } from './learningRecord';

const POSTURES: readonly Posture[] = ['kerb', 'standing', 'kneeling', 'test', 'context'];
const ROWS = 5;

/** A made-up patch to diagnose: look at what you want, pay for it in seconds, decide, hear how it went. */
export function PracticeScreen() {
  const { t } = useTranslation();
  const { seed, seen, results, look, finish, next } = usePracticeStore();
  const drawn = useMemo(() => drawCase(seed), [seed]);
  const done = results.find((result) => result.seed === seed);
  const judged = useMemo(
    () => (done ? debrief(drawn, seen, done.decided) : null),
    [drawn, seen, done],
  );
  const wide = useWide();
  const [deciding, setDeciding] = useState(false);
  const seconds = seen.reduce((sum, slug) => sum + lookSeconds(slug), 0);
  const decide = (decided: string | null) => {
    setDeciding(false);
    const made = debrief(drawn, seen, decided);
    finish({
      seed,
      cause: drawn.cause,
      decided,
      cost: made.cost,
      seconds: made.seconds,
      idealSeconds: made.ideal.seconds,
    });
  };
  return (
    <Screen
      title={t('practice.title')}
      lead={t('practice.case', { number: seed })}
      back="/guide"
      aside={<Tag label={t('practice.paid', { seconds: number(seconds) })} tone="caution" />}
      footer={
        wide || done ? undefined : (
          <Button
            label={t('practice.decide')}
            onPress={() => setDeciding(true)}
            testID="practice-open-decide"
            wide
          />
        )
      }
    >
      <Card>
        <Words size="lead" weight="bold">
          {t('practice.place', {
            region: t(`lawns.region.${drawn.region}`),
            month: monthName(drawn.month),
            grass: t(`grass.${drawn.grass}`),
            soil: number(drawn.soilTempF),
          })}
        </Words>
        <Words tone="second">{t('practice.lead')}</Words>
      </Card>
      {done && judged ? (
        <DebriefCard drawn={drawn} decided={done.decided} judged={judged} onNext={next} />
      ) : (
        <View className="gap-4 lg:flex-row lg:items-start">
          <View className="lg:flex-[3]">
            <LookAround drawn={drawn} seen={seen} onLook={look} />
          </View>
          {wide ? (
            <View className="lg:flex-[2]">
              <Card>
                <Title>{t('practice.decide')}</Title>
                <DecideForm onDecide={decide} />
              </Card>
            </View>
          ) : null}
        </View>
      )}
      <RecordCard />
      <Sheet open={deciding} title={t('practice.decide')} onClose={() => setDeciding(false)}>
        <DecideForm onDecide={decide} />
      </Sheet>
    </Screen>
  );
}

function LookAround({
  drawn,
  seen,
  onLook,
}: {
  drawn: PracticeCase;
  seen: readonly string[];
  onLook: (sign: string) => void;
}) {
  const { t } = useTranslation();
  const [posture, setPosture] = useState<Posture>('kerb');
  const looked = (entry: Posture) => seen.filter((slug) => signOf(slug)!.posture === entry).length;
  return (
    <View className="gap-3">
      <Segmented
        value={posture}
        onChange={setPosture}
        options={POSTURES.map((value) => ({
          value,
          label: t(
            value === 'test'
              ? 'walk.tests'
              : value === 'context'
                ? 'practice.asked'
                : `walk.${value}`,
          ),
          note: number(looked(value)),
        }))}
      >
        <View className="flex-row flex-wrap gap-2">
          {signs
            .filter((entry) => entry.posture === posture)
            .map(({ slug }) => {
              const known = seen.includes(slug);
              const yes = drawn.truth[slug];
              return (
                <Pressable
                  key={slug}
                  role="button"
                  aria-pressed={known}
                  disabled={known}
                  onPress={() => onLook(slug)}
                  testID={`look-${slug}`}
                  className={`min-h-[56px] w-[48%] grow flex-row items-center gap-2 rounded-xl border-2 p-2 ${known ? (yes ? 'border-main bg-good-tint' : 'border-line bg-panel') : 'border-line bg-raised'}`}
                >
                  <SignPictogram slug={slug} size={32} />
                  <View className="min-w-0 flex-1">
                    <Words size="note" weight="semi">
                      {t(`sign.${slug}.label`)}
                    </Words>
                    <Words size="note" tone={known && yes ? 'good' : 'quiet'}>
                      {known
                        ? t(yes ? 'practice.seen' : 'practice.notSeen')
                        : t('walk.seconds', { value: lookSeconds(slug) })}
                    </Words>
                  </View>
                </Pressable>
              );
            })}
        </View>
      </Segmented>
    </View>
  );
}

function DecideForm({ onDecide }: { onDecide: (cause: string | null) => void }) {
  const { t } = useTranslation();
  const [cause, setCause] = useState('');
  const options = useMemo(
    () =>
      causes
        .map(({ slug }) => ({ value: slug, label: t(`cause.${slug}`) }))
        .sort((a, b) => a.label.localeCompare(b.label)),
    [t],
  );
  return (
    <>
      <SelectField
        label={t('practice.cause')}
        value={cause}
        options={[{ value: '', label: '–' }, ...options]}
        onChange={setCause}
      />
      <Button
        label={t('practice.settle')}
        disabled={cause === ''}
        onPress={() => onDecide(cause)}
        testID="practice-decide"
        wide
      />
      <Button kind="equal" label={t('practice.cannotTell')} onPress={() => onDecide(null)} wide />
    </>
  );
}

function DebriefCard({
  drawn,
  decided,
  judged,
  onNext,
}: {
  drawn: PracticeCase;
  decided: string | null;
  judged: Debrief;
  onNext: () => void;
}) {
  const { t } = useTranslation();
  const { cost, ideal } = judged;
  return (
    <Card tone={cost === 'harmful' ? 'stop' : 'raised'} testID="debrief">
      <Title>{t('practice.was', { cause: t(`cause.${drawn.cause}`) })}</Title>
      <Words weight="bold">{t(`practice.cost.${cost}`)}</Words>
      {decided !== null && decided !== drawn.cause ? (
        <Words>
          {t('practice.standing', {
            cause: t(`cause.${decided}`),
            p: percent(judged.decidedP ?? 0),
            truth: percent(judged.truthP),
          })}
        </Words>
      ) : (
        <Words>{t('practice.truthP', { truth: percent(judged.truthP) })}</Words>
      )}
      <Words weight="semi">
        {t('practice.compare', {
          own: number(judged.seconds),
          ideal: number(ideal.seconds),
          count: ideal.asked.length,
        })}
      </Words>
      <View className="gap-1">
        {ideal.asked.map(({ sign, answer, seconds }, index) => (
          <Words key={sign} size="note">
            {`${index + 1}. ${t(`sign.${sign}.label`)}: ${t(answer ? 'practice.seen' : 'practice.notSeen')} · ${t('walk.seconds', { value: seconds })}`}
          </Words>
        ))}
      </View>
      <Words size="note" tone="second">
        {t('practice.idealEnd', { cause: t(`cause.${ideal.top}`), p: percent(ideal.p) })}
      </Words>
      <Button label={t('practice.next')} onPress={onNext} testID="practice-next" wide />
    </Card>
  );
}

function RecordCard() {
  const { t } = useTranslation();
  const results = usePracticeStore((state) => state.results);
  const record = useMemo(() => learningRecord(results), [results]);
  if (results.length === 0) return null;
  const right = results.filter(({ cost }) => cost === 'right').length;
  return (
    <Card tone="panel" testID="learning-record">
      <Title>{t('practice.record')}</Title>
      <Words>{t('practice.total', { right, count: results.length })}</Words>
      {record.causes.slice(0, ROWS).map(({ cause, tries, right: hits }) => (
        <Words key={cause} size="note">
          {t('practice.ofCause', { cause: t(`cause.${cause}`), right: hits, tries })}
        </Words>
      ))}
      {record.pairs.slice(0, ROWS).map(({ cause, takenFor, times }) => (
        <Words key={`${cause}${takenFor}`} size="note" tone="stop">
          {t('practice.takenFor', {
            cause: t(`cause.${cause}`),
            other: t(`cause.${takenFor}`),
            count: times,
          })}
        </Words>
      ))}
    </Card>
  );
}
