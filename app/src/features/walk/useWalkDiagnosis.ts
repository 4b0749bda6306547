import {
  contextSigns,
  diagnose,
  diagnosisInputSchema,
  monthOf,
  type Diagnosis,
  type DiagnosisInput,
  type Posture,
  type Zone,
} from '@alfombra/core';
import { useMemo } from 'react';
import type { SeasonQuestion, SeasonView } from '@/features/season/seasonView';
import type { WalkDraft } from '@/state/walkStore';

export interface WalkDiagnosis {
  input: DiagnosisInput;
  diagnosis: Diagnosis;
  /** Signs that the weather record answered, so that the screen can say so. */
  fromWeather: Record<string, boolean>;
  soilF: number | null;
}

/** Skill of a trained technician. */
const TECHNICIAN_SKILL = 2;

/** The diagnosis of the walk in progress; worked out at every tap. */
export function useWalkDiagnosis(
  question: SeasonQuestion,
  view: SeasonView,
  zone: Zone,
  walk: WalkDraft,
): WalkDiagnosis {
  const { company, lawn, weather } = question;
  const soil = view.soil[zone.id];
  const soilF = soil?.meanF[soil.measuredDays - 1] ?? null;
  return useMemo(() => {
    const fromWeather = contextSigns(weather.days, zone.site.irrigated);
    const input = diagnosisInputSchema.parse({
      grass: zone.stand,
      zone: lawn.region,
      month: monthOf(company.today),
      ...(soilF === null ? {} : { soilTempF: soilF }),
      site: zone.site,
      signs: { ...fromWeather, ...walk.answers },
      tests: walk.tests,
      skill: TECHNICIAN_SKILL,
    });
    const posture: Posture = walk.tab;
    return { input, diagnosis: diagnose(input, posture), fromWeather, soilF };
  }, [company.today, lawn.region, weather, zone, soilF, walk.answers, walk.tests, walk.tab]);
}
