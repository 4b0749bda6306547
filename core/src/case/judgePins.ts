import { checkApplication, type CheckFinding } from '../checker';
import { expectedDay } from '../choice/sprayDay';
import { propertySchema } from '../contract/lawn';
import { applicationsOf } from '../courses/applicationsOf';
import type { Season } from '../courses/step';
import type { SeasonInput } from '../needs/seasonInput';
import { localDate } from '../units';
import { judgeContext, type JudgedLawn } from './judgeContext';

/**
 * What the checker says of the jobs that somebody set, each beside all else that is done and planned, by the address of
 * their first work; on the day that is expected then.
 * @param lawn who uses the lawn and what stands on it, where it is stored; without it only its zones are known
 */
export function judgePins(
  input: SeasonInput,
  season: Season,
  lawn: JudgedLawn = {
    zones: input.zones,
    property: propertySchema.parse({}),
    features: [],
    pins: [],
    region: input.region,
  },
): Map<string, CheckFinding[]> {
  const others = [...input.records, ...season.steps.flatMap((step) => applicationsOf(step))];
  return new Map(
    season.steps
      .filter(({ pinned }) => pinned)
      .map((step) => {
        const soil = input.soil.get(step.zoneId);
        const findings = applicationsOf(step).flatMap((application) => {
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
        return [step.id, findings];
      }),
  );
}
