import type { Lawn, Visit } from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useCompany, useLawns, usePutVisit, useSession } from '@/api/queries';
import { useWalkStore } from '@/state/walkStore';
import { Button, Card, fullDay, LinkButton, shortDay, Tag, Title, Words } from '@/ui';

/** Arriving: the last visit in three lines, what is open, and the visit begun with one tap. */
export function ArriveCard({
  lawn,
  visits,
  done,
}: {
  lawn: Lawn;
  visits: readonly Visit[];
  /** What was put down since the last visit, in words. */
  done: string | null;
}) {
  const { t } = useTranslation();
  const router = useRouter();
  const company = useCompany(lawn.property.timeZone).data;
  const session = useSession();
  const summary = useLawns().data?.find(({ id }) => id === lawn.id);
  const { visits: going, beginVisit } = useWalkStore();
  const putVisit = usePutVisit(lawn.id);
  const today = company?.today;
  const under = today !== undefined && going[lawn.id]?.day === today;
  const last = visits.find(({ id }) => id !== going[lawn.id]?.visitId);
  const open = lawn.questions.filter(({ answer }) => !answer).length;
  const answered = lawn.questions.filter(
    ({ answer }) => answer && (!last || answer.answeredOn >= last.date),
  ).length;
  const due = (summary?.followUps ?? []).filter(
    ({ date, kind }) => kind !== 'question' && today && date <= today,
  );
  const begin = () => {
    if (!today) return;
    const id = beginVisit(lawn.id, today);
    if (!visits.some((visit) => visit.id === id)) {
      putVisit.mutate({
        id,
        body: {
          lawnId: lawn.id,
          date: today,
          technician: session.data?.name ?? '',
          looks: [],
          note: '',
          promised: '',
        },
      });
    }
    router.push(`/lawns/${lawn.id}/visit`);
  };
  return (
    <Card testID="arrive">
      <View className="flex-row items-center gap-2">
        <Title className="flex-1">
          {last ? t('arrive.last', { date: fullDay(last.date) }) : t('arrive.first')}
        </Title>
      </View>
      {last ? (
        <>
          <Words>{t('arrive.found', { words: last.note || t('arrive.nothing') })}</Words>
          <Words>{t('arrive.done', { words: done ?? t('arrive.nothing') })}</Words>
          <Words>{t('arrive.promised', { words: last.promised || t('arrive.nothing') })}</Words>
        </>
      ) : null}
      {lawn.property.access ? (
        <Words weight="semi" tone="caution">
          {lawn.property.access}
        </Words>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        {due.map(({ kind, date }) => (
          <Tag
            key={`${kind}${date}`}
            label={t(`arrive.due.${kind}`, { date: shortDay(date) })}
            tone="caution"
          />
        ))}
        {open > 0 ? <Tag label={t('arrive.open', { count: open })} /> : null}
        {answered > 0 ? (
          <Tag label={t('arrive.answered', { count: answered })} tone="good" />
        ) : null}
      </View>
      <View className="flex-row flex-wrap gap-2">
        <View className="flex-1">
          <Button
            label={under ? t('arrive.goOn') : t('arrive.start')}
            onPress={begin}
            testID="start-visit"
          />
        </View>
        <LinkButton
          kind="plain"
          label={t('arrive.property')}
          href={`/lawns/${lawn.id}/property`}
          testID="to-property"
        />
      </View>
    </Card>
  );
}
