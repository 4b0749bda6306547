import { isDue, yearOf, type LocalDate, type StepKind, type WorkStep } from '@alfombra/core';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { KnotGlyph, shortDay, Tag, Words } from '@/ui';
import { groundOf, JobActions, StateTag } from './StepCard';
import { stepName } from './stepName';

/** A line of the season: its day, its knot, what it is and how far; pressed it opens. */
function Line({
  date,
  today,
  kind,
  name,
  ground,
  aside,
  open,
  onPress,
  testID,
  children,
}: {
  date: LocalDate;
  today: LocalDate;
  kind: StepKind;
  name: string;
  ground: string;
  aside: ReactNode;
  open: boolean;
  onPress: () => void;
  testID: string;
  children?: ReactNode;
}) {
  return (
    <View className={`border-b border-line ${open ? 'border-l-4 border-l-main' : ''}`}>
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={onPress}
        testID={testID}
        className={`min-h-[58px] flex-row flex-wrap items-center gap-x-3 gap-y-1 py-2 ${open ? 'bg-panel px-2' : ''}`}
      >
        <Words size="note" weight="bold" tabular className="w-[52px]">
          {[shortDay(date), ...(yearOf(date) === yearOf(today) ? [] : [yearOf(date)])].join('\n')}
        </Words>
        <KnotGlyph kind={kind} />
        <View className="min-w-[130px] flex-1">
          <Words weight="bold">{name}</Words>
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
  today,
  lawnId,
  zoneName,
  main,
  open,
  onPress,
  children,
}: {
  step: WorkStep;
  today: LocalDate;
  lawnId: string;
  zoneName: string;
  /** The one to do next. */
  main: boolean;
  open: boolean;
  onPress: () => void;
  /** The job itself, where it opens under its line. */
  children?: ReactNode;
}) {
  const { t } = useTranslation();
  return (
    <Line
      date={step.window.best}
      today={today}
      kind={step.kind}
      name={stepName(t, step)}
      ground={groundOf(t, step, zoneName)}
      aside={
        <>
          {step.pinned ? <Tag label={t('decided.tag')} tone="cool" /> : null}
          <StateTag step={step} />
        </>
      }
      open={open}
      onPress={onPress}
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
  name,
  date,
  today,
  ground,
  aside,
  open,
  onPress,
  children,
}: {
  name: string;
  date: LocalDate;
  today: LocalDate;
  ground: string;
  aside: ReactNode;
  open: boolean;
  onPress: () => void;
  children?: ReactNode;
}) {
  return (
    <Line
      date={date}
      today={today}
      kind="look-again"
      name={name}
      ground={ground}
      aside={aside}
      open={open}
      onPress={onPress}
      testID="look-line"
    >
      {children ? <View className="pb-3">{children}</View> : null}
    </Line>
  );
}
