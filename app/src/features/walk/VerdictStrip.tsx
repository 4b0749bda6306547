import { countTests } from '@alfombra/core';
import { UNKNOWN_CAUSE, type Diagnosis, type NextCheck } from '@alfombra/core/walking';
import type { TFunction } from 'i18next';
import type { Href } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { Door, LinkButton, number, percent, ProbabilityBar, Words } from '@/ui';
import { SignPictogram } from './SignPictogram';

const LEADERS = 3;
/** Below this the first of the causes leads by nothing that anybody should read. */
const STANDS_OUT = 0.15;

function timeWords(t: TFunction, seconds: number): string {
  return seconds < 90
    ? t('walk.seconds', { value: seconds })
    : t('walk.minutes', { value: number(seconds / 60) });
}

function checkName(t: TFunction, check: NextCheck): string {
  const test = countTests.find(({ sign }) => sign === check.sign);
  return test ? t(`test.${test.slug}`) : t(`sign.${check.sign}.label`);
}

function verdictWords(t: TFunction, { verdict, pair, contradictions }: Diagnosis): string {
  if (verdict === 'pair' && pair) {
    return t('walk.verdict.pair', {
      a: t(`cause.${pair.causes[0]}`),
      b: t(`cause.${pair.causes[1]}`),
    });
  }
  const clash = contradictions[0];
  return clash
    ? t('walk.splitZone', { a: t(`sign.${clash[0]}.label`), b: t(`sign.${clash[1]}.label`) })
    : t(`walk.verdict.${verdict}`);
}

/** What a check would do, in words: how often it settles the matter, or that it narrows it. */
function worthWords(t: TFunction, { settles, seconds }: NextCheck): string {
  const time = timeWords(t, seconds);
  if (settles >= HALF) return t('walk.worth.most', { time });
  const oneIn = Math.round(1 / settles);
  return settles > 0 && oneIn <= RARE
    ? t('walk.worth.oneIn', { time, count: oneIn })
    : t('walk.worth.narrows', { time });
}
const HALF = 0.5;
/** A check that settles it less often than one time in so many is said to narrow it only. */
const RARE = 10;

function StartCheck({ best, onCheck }: { best: NextCheck; onCheck: (check: NextCheck) => void }) {
  const { t } = useTranslation();
  return (
    <Pressable
      role="button"
      testID="start-check"
      onPress={() => onCheck(best)}
      className="min-h-[48px] justify-center rounded-xl bg-[#1F5B4E] px-4"
    >
      <Words weight="bold" className="text-white">
        {t('walk.start')}
      </Words>
    </Pressable>
  );
}

function Decide({ href }: { href: Href }) {
  const { t } = useTranslation();
  return (
    <Door
      testID="decide"
      href={href}
      className="min-h-[48px] justify-center rounded-xl border-2 border-[#CFC0A2] px-4"
    >
      <Words weight="bold" tone="on-sheet">
        {t('walk.decide')}
      </Words>
    </Door>
  );
}

/** The dark sheet with the leading causes and the check that would tell most. */
export function VerdictStrip({
  diagnosis,
  onArgue,
  onCheck,
  decideHref,
  docked,
}: {
  diagnosis: Diagnosis;
  onArgue: (cause: string, p: number) => void;
  onCheck: (check: NextCheck) => void;
  decideHref: Href;
  /** At the bottom of a phone, or as a pane of its own. */
  docked: boolean;
}) {
  const { t } = useTranslation();
  const leaders = diagnosis.posterior
    .filter(({ cause }) => cause !== UNKNOWN_CAUSE)
    .slice(0, docked ? LEADERS : LEADERS + 2);
  const best = diagnosis.bestCheck;
  // On a phone the causes take a line until they are asked for, so that the signs have the room.
  const [open, setOpen] = useState(false);
  const lead = leaders[0];
  if (docked && !open) {
    return (
      <View
        role="region"
        aria-label={t('walk.leading')}
        className="min-h-[56px] flex-row flex-wrap items-center gap-2 bg-sheet px-3 py-1"
      >
        <Pressable
          role="button"
          aria-expanded={false}
          onPress={() => setOpen(true)}
          testID="unfold"
          className="min-h-[48px] min-w-0 grow basis-[9rem] justify-center"
        >
          <Words tone="on-sheet" weight="bold" numberOfLines={1}>
            {lead && lead.p >= STANDS_OUT
              ? t('walk.leadLine', { cause: t(`cause.${lead.cause}`), share: percent(lead.p) })
              : t('walk.nothingYet')}
          </Words>
          <Words size="note" tone="on-sheet-quiet" numberOfLines={1} testID="best-check">
            {best ? t('walk.bestCheck', { what: checkName(t, best) }) : t('walk.noCheck')}
          </Words>
        </Pressable>
        {best ? <StartCheck best={best} onCheck={onCheck} /> : null}
        <Decide href={decideHref} />
      </View>
    );
  }
  return (
    <View
      role="region"
      aria-label={t('walk.leading')}
      className={`gap-2 bg-sheet px-4 pb-4 pt-3 ${docked ? 'rounded-t-3xl' : 'rounded-3xl'}`}
    >
      <View className="flex-row items-center justify-between gap-3">
        <View aria-live="polite" className="min-w-0 flex-1">
          <Words size="lead" display tone="on-sheet">
            {t('walk.leading')}
          </Words>
          <Words size="note" tone="on-sheet-quiet" testID="verdict">
            {`${t('walk.answers', { count: diagnosis.answered })} · ${verdictWords(t, diagnosis)}`}
          </Words>
        </View>
        {docked ? (
          <>
            <Pressable
              role="button"
              aria-expanded
              onPress={() => setOpen(false)}
              className="min-h-[48px] justify-center px-3"
            >
              <Words weight="bold" tone="on-sheet">
                {t('walk.fold')}
              </Words>
            </Pressable>
            <Decide href={decideHref} />
          </>
        ) : null}
      </View>
      <View>
        {leaders.map(({ cause, p }, rank) => (
          <Pressable
            key={cause}
            role="button"
            testID={`cause-${cause}`}
            onPress={() => onArgue(cause, p)}
            className="min-h-[48px] flex-row items-center gap-3"
          >
            <Words tone="on-sheet" className="w-[8.25rem]" numberOfLines={1}>
              {t(`cause.${cause}`)}
            </Words>
            <ProbabilityBar value={p} rank={rank} />
            <Words tone="on-sheet" weight="bold" tabular className="w-[3.2rem] text-right">
              {t('common.percent', { value: percent(p) })}
            </Words>
          </Pressable>
        ))}
      </View>
      <View className="flex-row items-center gap-3 rounded-2xl bg-[#F6E4B4] p-3">
        {best ? <SignPictogram slug={best.sign} size={40} /> : null}
        <View className="min-w-0 flex-1">
          <Words weight="bold" tone="black" numberOfLines={2} testID="best-check">
            {best ? t('walk.bestCheck', { what: checkName(t, best) }) : t('walk.noCheck')}
          </Words>
          <Words size="note" tone="black">
            {best
              ? worthWords(t, best)
              : diagnosis.homework
                ? t('walk.homework', { what: checkName(t, diagnosis.homework) })
                : t('walk.noCheckLead')}
          </Words>
        </View>
        {best ? <StartCheck best={best} onCheck={onCheck} /> : null}
      </View>
      {docked ? null : (
        <LinkButton label={t('walk.decide')} href={decideHref} testID="decide" wide />
      )}
    </View>
  );
}
