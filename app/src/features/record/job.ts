import {
  applicationsOf,
  causesOf,
  jobWith,
  LIBRARY,
  wholeJob,
  type Material,
  type Step,
  type WorkStep,
} from '@alfombra/core';

/** Under which a record of the job is kept while it is typed in. */
export const recordKey = ({ key }: Pick<Job, 'key'>): string => `record:${key}`;
/** `key` of work at a lawn that no step planned. */
export const otherKey = (lawnId: string): string => `other:${lawnId}`;

/** Under which the choice of such work is kept until its record is. */
export const pickKey = (lawnId: string): string => `pick:${lawnId}`;

/** The part of a piece of work that lies in one zone. */
export interface JobLine {
  /** Step of the season; `null` for work outside it. */
  stepId: string | null;
  zoneId: string;
  areaFt2: number;
  materials: readonly Material[];
  /** Weeds and causes that it is for in this zone. */
  targets: string[];
}

/** What a record is made of: a job of the season over its zones, or work outside it. */
export interface Job {
  /** What its draft is kept under: the step it was opened by and the zones left out, or `otherKey`. */
  key: string;
  lines: readonly JobLine[];
  /** Over all its zones. */
  areaFt2: number;
  materials: readonly Material[];
  spray: boolean;
  carrierGal: number | null;
}

/**
 * The job that an address names, by one of its steps and the zones that are left out: all its lines, those inside, and
 * what its card and its record are kept under.
 */
export function jobAt(steps: readonly Step[], stepId: string, left: string | undefined) {
  const without = left ? left.split(',').sort() : [];
  const lines = jobWith(steps, stepId)?.lines ?? [];
  return {
    without,
    lines,
    inside: lines.filter(({ zoneId }) => !without.includes(zoneId)),
    key: [stepId, ...without].join('|'),
  };
}

/** What a step is for: a zone's record names its own weeds, not those of the others. */
const targetsOf = (step: WorkStep): string[] =>
  'control' in step
    ? step.control.map(({ weed }) => weed)
    : step.kind === 'protect'
      ? causesOf(step)
      : [];

/** The job of steps of the season, one mix at one rate: the amounts of all of them together. */
export function jobOfSteps(steps: readonly WorkStep[], key: string): Job | null {
  const whole = wholeJob(steps);
  const application = applicationsOf(whole)[0];
  if (!application) return null;
  const carrier = 'carrierGalPer1000' in whole ? whole.carrierGalPer1000 : null;
  return {
    key,
    lines: steps.map((step) => ({
      stepId: step.id,
      zoneId: step.zoneId,
      areaFt2: step.areaFt2,
      materials: applicationsOf(step)[0]?.materials ?? [],
      targets: targetsOf(step),
    })),
    areaFt2: whole.areaFt2,
    materials: application.materials,
    spray: carrier !== null,
    carrierGal: carrier === null ? null : (whole.areaFt2 / 1000) * carrier,
  };
}

/** Whether the turf dies with the weeds: asked for once more before it is kept. */
export const killsTurf = ({ materials }: Pick<Job, 'materials'>): boolean =>
  materials.some(
    ({ kind, slug }) => kind === 'herbicide' && LIBRARY.herbicide(slug)?.selective === false,
  );
