import { isDue, type LocalDate, type LookStep, type Step, type WorkStep } from '@alfombra/core';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { dayNear, KnotGlyph, Tag, Words } from '@/ui';
import { groundOf, JobActions, StateTag } from './StepCard';
import { stepName } from './stepName';

/** By which the line of a job is found on its page. */
export const lineId = (id: string): string => `line ${id}`;

interface LineProps {
  today: LocalDate;
  open: boolean;
  onPress: () => void;
  /** What opens under it, where it does. */
  children?: ReactNode;
}

/** A line of the season: its day, its knot, what it is and how far; pressed it opens. */
function Line({
  step,
  today,
  ground,
  aside,
  open,
  onPress,
  testID,
  children,
}: LineProps & { step: Step; ground: string; aside: ReactNode; testID: string }) {
  const { t } = useTranslation();
  return (
    <View
      id={lineId(step.id)}
      className={`border-b border-line ${open ? 'border-l-4 border-l-main' : ''}`}
    >
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={onPress}
        testID={testID}
        className={`min-h-[58px] flex-row flex-wrap items-center gap-x-3 gap-y-1 py-2 ${open ? 'bg-panel px-2' : ''}`}
      >
        <Words size="note" weight="bold" tabular className="w-[52px]">
          {dayNear(step.window.best, today)}
        </Words>
        <KnotGlyph kind={step.kind} />
        <View className="min-w-[130px] flex-1">
          <Words weight="bold">{stepName(t, step)}</Words>
          <Words size="note" tone="second">
            {ground}
          </Words>
        </View>
        {aside}
      </Pressable>
      {children}
    </View>
  );
}

/** A job as a line; one that is due has its card and its record at hand. */
export function JobLine({
  step,
  lawnId,
  zoneName,
  main,
  children,
  ...line
}: LineProps & {
  step: WorkStep;
  lawnId: string;
  zoneName: string;
  /** The one to do next. */
  main: boolean;
}) {
  const { t } = useTranslation();
  return (
    <Line
      {...line}
      step={step}
      ground={groundOf(t, step, zoneName)}
      aside={
        <>
          {step.pinned ? <Tag label={t('decided.tag')} tone="cool" /> : null}
          <StateTag step={step} today={line.today} />
        </>
      }
      testID={`step-${step.kind}`}
    >
      {isDue(step) ? (
        <View className="pb-3">
          <JobActions step={step} lawnId={lawnId} main={main} />
        </View>
      ) : null}
      {children ? <View className="pb-3">{children}</View> : null}
    </Line>
  );
}

/** A return that is not due yet. */
export function LookLine({
  step,
  zoneName,
  children,
  ...line
}: LineProps & { step: LookStep; zoneName: string }) {
  const { t } = useTranslation();
  const opens = dayNear(step.window.opens, line.today);
  return (
    <Line
      {...line}
      step={step}
      ground={zoneName}
      aside={<Tag label={t('season.upcoming', { date: opens })} />}
      testID="look-line"
    >
      {children ? <View className="pb-3">{children}</View> : null}
    </Line>
  );
}
