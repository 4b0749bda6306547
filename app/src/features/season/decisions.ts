import {
  decisionKey,
  FALL_ROUND,
  needOfWork,
  subjectOfWork,
  yearOf,
  type Decided,
  type Lawn,
  type LocalDate,
  type Need,
  type Step,
} from '@alfombra/core';
import type { TFunction } from 'i18next';

type Decisions = Lawn['decisions'];

/** Whether a decision still binds on a day. */
export function binds(decided: Decided, today: LocalDate): boolean {
  if (decided.kind === 'pin') return decided.date === undefined || decided.date >= today;
  return decided.kind === 'course' || decided.until === undefined || decided.until >= today;
}

/** What was decided, without what binds no more. */
const current = (decisions: Decisions, today: LocalDate): Decisions =>
  Object.fromEntries(Object.entries(decisions).filter(([, decided]) => binds(decided, today)));

const adding = (decisions: Decisions, today: LocalDate, more: readonly Decided[]): Decisions => ({
  ...current(decisions, today),
  ...Object.fromEntries(more.map((decided) => [decisionKey(decided), decided])),
});

/** A step kept on a day: every piece of work that it does. */
export const withDay = (
  decisions: Decisions,
  today: LocalDate,
  { serves }: Pick<Step, 'serves'>,
  date: LocalDate,
): Decisions =>
  adding(
    decisions,
    today,
    serves.map((work) => ({ kind: 'pin', work, date, on: today })),
  );

/** A need given up: in its own cycle, or for good. */
export const withoutNeed = (
  decisions: Decisions,
  today: LocalDate,
  needId: string,
  forGood: boolean,
): Decisions => {
  const year = Number(needId.split(':')[3]);
  const last = Math.max(Number.isInteger(year) ? year : 0, yearOf(today));
  return adding(decisions, today, [
    {
      kind: 'not-here',
      needId,
      ...(forGood ? {} : { until: `${last}-12-31` as LocalDate }),
    },
  ]);
};

/** Ways that the plan lays out, or that ask for nothing but a look: these are offered to be chosen. */
const OFFERED: ReadonlySet<string> = new Set([
  'post-emergent',
  'suppress-seasons',
  'kill-and-reseed',
  'hand-removal',
  'dig-out',
  'leave',
  'accept',
]);

/** The ways that a need may go beside the one that it goes. */
export const otherWays = ({ ways, course }: Pick<Need, 'ways' | 'course'>): string[] =>
  ways.filter((way) => way !== course && OFFERED.has(way));

/** Another way for a need; the one that the plan would go by itself is no decision. */
export const withCourse = (
  decisions: Decisions,
  today: LocalDate,
  needId: string,
  course: string,
): Decisions => adding(decisions, today, [{ kind: 'course', needId, course, on: today }]);

export const without = (decisions: Decisions, keys: readonly string[]): Decisions =>
  Object.fromEntries(Object.entries(decisions).filter(([key]) => !keys.includes(key)));

/** Keys of the days that somebody set for a step. */
export const daysOf = (decisions: Decisions, { serves }: Pick<Step, 'serves'>): string[] =>
  Object.entries(decisions).flatMap(([key, decided]) =>
    decided.kind === 'pin' && serves.includes(decided.work) ? [key] : [],
  );

export const needIdOf = (decided: Decided): string =>
  decided.kind === 'pin' ? needOfWork(decided.work) : decided.needId;

/** Zone of a need. */
export const zoneOf = (needId: string): string => (needId.split(':')[2] ?? '').split('.')[0] ?? '';

/** What a need is about, in words. */
export function needName(t: TFunction, needId: string): string {
  const subject = subjectOfWork(needId);
  if (subject === FALL_ROUND) return t('stepNames.fallRound');
  const name = t([
    `weed.${subject}`,
    `cause.${subject}`,
    `group.${subject}`,
    `slot.${subject}`,
    `grass.${subject}`,
    `plan.category.${subject}`,
    `findOut.subject.${subject}`,
  ]);
  return name.charAt(0).toLocaleUpperCase() + name.slice(1);
}

/** Decisions a line each: the days of one step's works are one, and taken back as one. */
export function together(
  decisions: readonly [string, Decided][],
  steps: readonly Pick<Step, 'id' | 'serves'>[],
): [string, Decided][][] {
  const groups = new Map<string, [string, Decided][]>();
  for (const entry of decisions) {
    const [key, one] = entry;
    const step =
      one.kind === 'pin' ? steps.find(({ serves }) => serves.includes(one.work)) : undefined;
    const group = step ? `step ${step.id}` : key;
    groups.set(group, [...(groups.get(group) ?? []), entry]);
  }
  return [...groups.values()];
}
