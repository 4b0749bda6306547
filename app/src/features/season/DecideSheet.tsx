import { localDate, needOfWork, type Lawn, type Need, type Step } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { Findings } from '@/features/record/Findings';
import { Button, Failed, PickerField, Sheet, Title, Words } from '@/ui';
import {
  daysOf,
  needName,
  otherWays,
  withCourse,
  withDay,
  without,
  withoutNeed,
} from './decisions';
import type { ShownSeason } from '@/workers/askSeason';
import { useDayWords } from './useTrial';

/** Another day for a step, or the word that what it is for is left here. */
export function DecideSheet({
  step,
  needs,
  question,
  session,
}: {
  step: Step;
  /** Needs of the lawn, of which this step serves some. */
  needs: readonly Need[];
} & ShownSeason) {
  const { lawn } = question;
  const { today } = question.company;
  const { t } = useTranslation();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const [open, setOpen] = useState(false);
  const [day, setDay] = useState<string>(step.window.best);
  const [bad, setBad] = useState(false);
  const { said } = useDayWords({ question, session }, open ? step.id : null);
  const onDay = said?.[localDate(day || today)] ?? [];
  const show = () => {
    setDay(step.window.best);
    setBad(false);
    setOpen(true);
  };
  const decide = (decisions: Lawn['decisions']) => {
    putLawn.mutate({ ...lawn, decisions });
    setOpen(false);
  };
  const keep = () => {
    if (day === '' || day < today) setBad(true);
    else decide(withDay(lawn.decisions, today, step, localDate(day)));
  };
  const served = [...new Set(step.serves.map(needOfWork))];
  const choices = needs
    .filter(({ id }) => served.includes(id))
    .flatMap((need) => otherWays(need).map((way) => ({ need, way })));
  return (
    <>
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      <Button kind="plain" label={t('decided.open')} onPress={show} />
      <Sheet open={open} title={t('decided.title')} onClose={() => setOpen(false)}>
        <Words tone="second">{t('decided.lead')}</Words>
        <PickerField
          type="date"
          label={t('decided.day')}
          value={day}
          min={today}
          onChange={setDay}
          error={bad ? t('decided.past') : undefined}
        />
        {onDay.length > 0 ? <Findings findings={onDay} /> : null}
        <Button kind="main" label={t('decided.set')} onPress={keep} />
        {step.pinned ? (
          <Button
            kind="plain"
            label={t('decided.free')}
            onPress={() => decide(without(lawn.decisions, daysOf(lawn.decisions, step)))}
          />
        ) : null}
        {choices.length > 0 ? <Title>{t('decided.waysTitle')}</Title> : null}
        {choices.map(({ need, way }) => (
          <Button
            key={`${need.id} ${way}`}
            kind="plain"
            label={t('decided.wayOf', { need: needName(t, need.id), way: t(`decided.way.${way}`) })}
            onPress={() => decide(withCourse(lawn.decisions, today, need.id, way))}
          />
        ))}
        <Title>{t('decided.notHereTitle')}</Title>
        {served.map((needId) => {
          const need = needName(t, needId);
          const leave = (forGood: boolean) => () =>
            decide(withoutNeed(lawn.decisions, today, needId, forGood));
          return (
            <View key={needId} className="gap-2">
              <Button kind="plain" label={t('decided.thisTime', { need })} onPress={leave(false)} />
              <Button kind="plain" label={t('decided.never', { need })} onPress={leave(true)} />
            </View>
          );
        })}
      </Sheet>
    </>
  );
}
