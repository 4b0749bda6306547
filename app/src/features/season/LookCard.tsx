import {
  expectedSigns,
  lookKey,
  type Application,
  type Lawn,
  type LocalDate,
  type LookAnswer,
  type LookStep,
} from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { useProducts } from '@/features/shelf/useProducts';
import { Card, Failed, fullDay, KnotGlyph, LinkButton, shortDay, Tag, Words } from '@/ui';
import { reasonWords } from './reasonWords';
import { SeenPicture } from './SeenPicture';
import { stepName } from './stepName';

const SEEN = ['gone', 'fewer', 'same', 'worse'] as const satisfies LookAnswer['seen'][];

/**
 * A dated return: what should be seen by now, and what is, in one tap. A place that somebody asked to look at again is
 * walked instead.
 */
export function LookCard({
  step,
  lawn,
  records,
  zoneName,
  today,
}: {
  step: LookStep;
  lawn: Lawn;
  records: readonly Application[];
  zoneName: string;
  today: LocalDate;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const shelf = useProducts();
  const putLawn = usePutLawn(lawn.id);
  const asked = step.patchId !== null || step.number !== null || step.need.includes(':look-again:');
  const signs = asked ? null : expectedSigns(records, step.need, shelf);
  const open = step.window.opens <= today;
  const answer = (seen: LookAnswer['seen']) => {
    const look = { needId: step.need, date: today, seen };
    putLawn.mutate({ ...lawn, looks: { ...lawn.looks, [lookKey(look)]: look } });
  };
  const days = (range: readonly [LocalDate, LocalDate]) =>
    range[0] === range[1] ? shortDay(range[0]) : `${shortDay(range[0])} – ${shortDay(range[1])}`;
  return (
    <Card testID="step-look-again">
      <View className="flex-row items-start gap-3">
        <KnotGlyph kind="look-again" size={34} />
        <View className="min-w-0 flex-1">
          <Words size="lead" weight="bold">
            {stepName(t, step)}
          </Words>
          <Words size="note" tone="second">
            {zoneName}
          </Words>
        </View>
        <Tag
          label={
            open ? t('season.open') : t('season.upcoming', { date: shortDay(step.window.opens) })
          }
          tone={open ? 'good' : 'panel'}
        />
      </View>
      {step.because.map((reason) => (
        <Words key={reason.rule}>{reasonWords(t, reason)}</Words>
      ))}
      {signs ? (
        <View className="gap-1">
          <Words tone="second">{t('looks.doneOn', { date: fullDay(signs.doneOn) })}</Words>
          {signs.yellow ? (
            <Words tone="second">{t('looks.yellow', { days: days(signs.yellow) })}</Words>
          ) : null}
          {signs.dead ? (
            <Words tone="second">{t('looks.dead', { days: days(signs.dead) })}</Words>
          ) : null}
        </View>
      ) : null}
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      {asked ? (
        <View className="w-full max-w-[480px]">
          <LinkButton
            kind={open ? 'main' : 'plain'}
            label={t('looks.walk')}
            href={`/lawns/${lawn.id}/visit`}
          />
        </View>
      ) : open ? (
        <>
          <Words weight="semi">{t('looks.question')}</Words>
          <View className="max-w-[760px] flex-row flex-wrap gap-2">
            {SEEN.map((seen) => (
              <Pressable
                key={seen}
                role="button"
                onPress={() => answer(seen)}
                disabled={putLawn.isPending}
                className="min-h-[88px] min-w-[140px] flex-1 items-center gap-1 rounded-lg border-2 border-line bg-raised p-2"
              >
                <SeenPicture seen={seen} />
                <Words weight="semi">{t(`looks.seen.${seen}`)}</Words>
              </Pressable>
            ))}
          </View>
          <View className="w-full max-w-[480px]">
            <LinkButton kind="plain" label={t('looks.photo')} href={`/lawns/${lawn.id}/photos`} />
          </View>
        </>
      ) : null}
    </Card>
  );
}
