import type { CourseChoice, Decided } from './seasonInput';

/** The way that somebody chose for a need; `null` where nobody did. Of two the later holds. */
export const chosenCourse = (
  { decisions }: { decisions: readonly Decided[] },
  needId: string,
): CourseChoice | null =>
  decisions
    .filter((one): one is CourseChoice => one.kind === 'course' && one.needId === needId)
    .sort((a, b) => (`${a.on} ${a.course}` < `${b.on} ${b.course}` ? -1 : 1))
    .pop() ?? null;
