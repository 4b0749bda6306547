import {
  diagnosisInputSchema,
  monthOf,
  shelfOf,
  type DiagnosisInput,
  type Posture,
  type Zone,
  zonesAsKnown,
} from '@alfombra/core';
import {
  gatheredSigns,
  type GatheredSign,
  decidedIn,
  protectionOf,
  diagnose,
  type Diagnosis,
} from '@alfombra/core/walking';
import { useMemo } from 'react';
import { usePhReadings, useRecords, useSamples } from '@/api/queries';
import type { SeasonQuestion, SeasonView } from '@/workers/seasonView';
import type { WalkDraft } from '@/state/walkStore';

export interface WalkDiagnosis {
  input: DiagnosisInput;
  diagnosis: Diagnosis;
  /** Signs that answered themselves, so that the screen can say from what. */
  gathered: Record<string, GatheredSign>;
  soilF: number | null;
}

const NONE: readonly never[] = [];

/** Skill of a trained technician. */
const TECHNICIAN_SKILL = 2;

/** The diagnosis of the walk in progress; worked out at every tap. */
export function useWalkDiagnosis(
  question: SeasonQuestion,
  view: SeasonView,
  zone: Zone,
  walk: WalkDraft,
): WalkDiagnosis {
  const { company, lawn, weather, visits } = question;
  const records = useRecords(lawn.id).data ?? NONE;
  const samples = useSamples(lawn.id).data ?? NONE;
  const ph = usePhReadings(lawn.id).data ?? NONE;
  const soil = view.soil[zone.id];
  const soilF = soil?.meanF[soil.measuredDays - 1] ?? null;
  return useMemo(() => {
    const gathered = gatheredSigns({
      shelf: shelfOf(company.policy.labels),
      lawn,
      zone,
      patch: lawn.patches.find(({ id }) => id === walk.patchId) ?? null,
      today: company.today,
      days: weather.days,
      records,
      samples,
      ph,
      earlier: (visits.find(({ id }) => id === walk.visitId)?.looks ?? []).map(
        ({ answers }) => answers,
      ),
    });
    const input = diagnosisInputSchema.parse({
      grass: zone.stand,
      zone: lawn.region,
      month: monthOf(company.today),
      ...(soilF === null ? {} : { soilTempF: soilF }),
      site: zonesAsKnown({ zones: [zone], property: lawn.property })[0]?.site ?? zone.site,
      protection: protectionOf(zone.id, records, decidedIn(visits), company.today),
      signs: {
        ...Object.fromEntries(Object.entries(gathered).map(([slug, { answer }]) => [slug, answer])),
        ...walk.answers,
      },
      tests: walk.tests,
      skill: TECHNICIAN_SKILL,
    });
    const posture: Posture = walk.tab;
    return { input, diagnosis: diagnose(input, posture), gathered, soilF };
  }, [
    company.today,
    company.policy.labels,
    lawn,
    weather,
    visits,
    records,
    samples,
    ph,
    zone,
    soilF,
    walk.patchId,
    walk.visitId,
    walk.answers,
    walk.tests,
    walk.tab,
  ]);
}
