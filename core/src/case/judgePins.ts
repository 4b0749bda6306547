import { checkApplication, type CheckFinding } from '../checker';
import { expectedDay } from '../choice/sprayDay';
import { propertySchema } from '../contract/lawn';
import { applicationsOf } from '../courses/applicationsOf';
import type { Season, Step } from '../courses/step';
import type { SeasonInput } from '../needs/seasonInput';
import type { Application } from '../rates';
import { localDate, saidOnce, type LocalDate } from '../units';
import { judgeContext, type JudgedLawn } from './judgeContext';

/** A lawn of which only its zones are known. */
const zonesAlone = (input: SeasonInput): JudgedLawn => ({
  zones: input.zones,
  property: propertySchema.parse({}),
  features: [],
  pins: [],
  region: input.region,
});

/** All that is done and planned on the lawn. */
const allWork = (input: SeasonInput, season: Season): Application[] => [
  ...input.records,
  ...season.steps.flatMap((step) => applicationsOf(step)),
];

/** What the checker says of one step beside all else, on the day that is expected then. */
function judged(
  input: SeasonInput,
  step: Step,
  others: readonly Application[],
  lawn: JudgedLawn,
): CheckFinding[] {
  const soil = input.soil.get(step.zoneId);
  return applicationsOf(step).flatMap((application) => {
    const context = judgeContext(lawn, application, {
      others,
      policy: input.policy,
      samples: input.soilReports,
      kill: step.kind === 'control' && step.kill === true,
    });
    if (!context || !soil) return [];
    const { airHighF, soilF, soilRising } = expectedDay(soil, localDate(application.date));
    return checkApplication(application, {
      ...context,
      ...input.property.find(({ zoneId }) => zoneId === step.zoneId),
      airHighF,
      ...(soilF === null ? {} : { soilF, soilRising }),
    });
  });
}

/**
 * What the checker says of the jobs that somebody set, each beside all else that is done and planned, by the address of
 * their first work; on the day that is expected then.
 * @param lawn who uses the lawn and what stands on it, where it is stored; without it only its zones are known
 */
export function judgePins(
  input: SeasonInput,
  season: Season,
  lawn: JudgedLawn = zonesAlone(input),
): Map<string, CheckFinding[]> {
  const others = allWork(input, season);
  return new Map(
    season.steps
      .filter(({ pinned }) => pinned)
      .map((step) => [step.id, judged(input, step, others, lawn)]),
  );
}

/**
 * What the checker would say of a job on other days than its own, all else staying where it is.
 * @param lines the steps of the job, a zone each
 * @returns by day, each word of several zones once
 */
export function judgeDays(
  input: SeasonInput,
  season: Season,
  lines: readonly Step[],
  days: readonly LocalDate[],
  lawn: JudgedLawn = zonesAlone(input),
): Record<LocalDate, CheckFinding[]> {
  const own = new Set(lines.map(({ id }) => id));
  const steps = season.steps.filter(({ id }) => !own.has(id));
  const others = allWork(input, { ...season, steps });
  return Object.fromEntries(
    days.map((day) => {
      const on = lines.map((line) => ({ ...line, window: { ...line.window, best: day } }) as Step);
      const beside = [...others, ...on.flatMap((line) => applicationsOf(line))];
      const said = on.flatMap((line) => judged(input, line, beside, lawn));
      return [day, saidOnce(said)];
    }),
  );
}
