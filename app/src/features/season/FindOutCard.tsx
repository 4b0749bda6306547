import {
  daysBetween,
  handWorkCloses,
  subjectOfWork,
  type HandWork,
  type Lawn,
  type LocalDate,
} from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { Button, Card, Failed, fullDay, LinkButton, Tag, Title, Words } from '@/ui';
import { needName, zoneOf } from './decisions';

/** Days for which work by hand stands here, to be taken back. */
const SHOWN_DAYS = 7;

/** Where each piece of work is done in the app; what is lifted out is done on the lawn alone. */
function placeOf({ kind, need, zoneId }: HandWork): { label: string; path: string } | null {
  switch (kind) {
    case 'pull':
      return null;
    case 'measure':
      return { label: 'findOut.toPlan', path: 'plan' };
    case 'sample':
      return { label: 'findOut.toSample', path: 'readings' };
    case 'count':
      return { label: 'findOut.toCount', path: `zone/${zoneId}` };
    case 'name':
      return {
        label: 'findOut.toKey',
        path: subjectOfWork(need) === 'grass' ? `zone/${zoneId}` : 'key',
      };
  }
}

/** What has to be named, counted, measured, sampled or lifted out; nothing where there is none. */
export function FindOutCard({
  lawn,
  work,
  zoneIds,
  today,
}: {
  lawn: Lawn;
  work: readonly HandWork[];
  zoneIds: ReadonlySet<string>;
  today: LocalDate;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const done = Object.entries(lawn.handDone).filter(
    ([, { work: of, date }]) =>
      daysBetween(date, today) <= SHOWN_DAYS &&
      date <= today &&
      zoneIds.has(zoneOf(of.split('/')[0]!)),
  );
  const say = (handDone: Lawn['handDone']) => putLawn.mutate({ ...lawn, handDone });
  if (work.length === 0 && done.length === 0) return null;
  const zoneName = (id: string) => lawn.zones.find((zone) => zone.id === id)?.name ?? '';
  return (
    <Card tone="caution">
      <Title>{t('findOut.title')}</Title>
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      {work.map((one) => {
        const { id, need, kind, zoneId, opens } = one;
        const subject = subjectOfWork(need);
        const what = t([`plan.category.${subject}`, `weed.${subject}`], '').toLowerCase();
        const said =
          kind === 'name' && subject === 'grass'
            ? t('findOut.grass')
            : t(`findOut.${kind}`, { what });
        const date = fullDay(handWorkCloses({ opens }));
        const place = placeOf(one);
        return (
          <View key={id} className="flex-row flex-wrap items-center gap-3">
            <View className="min-w-0 flex-1">
              <Words weight="semi">{`${said} · ${zoneName(zoneId)}`}</Words>
              {one.offer ? <Tag label={t('agreement.offerTag')} /> : null}
              <Words size="note" tone="second">
                {opens > today
                  ? t('findOut.between', { from: fullDay(opens), date })
                  : t('findOut.by', { date })}
              </Words>
            </View>
            {place ? (
              <LinkButton
                kind="plain"
                label={t(place.label)}
                href={`/lawns/${lawn.id}/${place.path}`}
              />
            ) : opens <= today ? (
              <Button
                kind="plain"
                label={t('findOut.pulled')}
                onPress={() =>
                  say({
                    ...lawn.handDone,
                    [id]: { work: id, date: today, areaFt2: Math.max(1, one.areaFt2) },
                  })
                }
              />
            ) : null}
          </View>
        );
      })}
      {done.map(([key, { work: of, date }]) => (
        <View key={key} className="flex-row flex-wrap items-center gap-3">
          <View className="min-w-0 flex-1">
            <Words>
              {`${t('findOut.pulledOn', {
                date: fullDay(date),
                what: needName(t, of.split('/')[0]!).toLowerCase(),
              })} · ${zoneName(zoneOf(of.split('/')[0]!))}`}
            </Words>
          </View>
          <Button
            kind="plain"
            label={t('decided.takeBack')}
            onPress={() =>
              say(
                Object.fromEntries(
                  Object.entries(lawn.handDone).filter(([other]) => other !== key),
                ),
              )
            }
          />
        </View>
      ))}
    </Card>
  );
}
