import { LIBRARY, type Material } from '@alfombra/core';

/** Under which a record of the job is kept while it is typed in. */
export const recordKey = ({ key }: Pick<Job, 'key'>): string => `record:${key}`;
/** `key` of work at a lawn that no step planned. */
export const otherKey = (lawnId: string): string => `other:${lawnId}`;

/** Under which the choice of such work is kept until its record is. */
export const pickKey = (lawnId: string): string => `pick:${lawnId}`;

/** What a record is made of: a step of the season, or work outside it. */
export interface Job {
  /** Step id, or `otherKey`. */
  key: string;
  stepId: string | null;
  zoneId: string;
  areaFt2: number;
  materials: readonly Material[];
  targets: string[];
  spray: boolean;
  carrierGal: number | null;
}

/** Whether the turf dies with the weeds: asked for once more before it is kept. */
export const killsTurf = ({ materials }: Pick<Job, 'materials'>): boolean =>
  materials.some(
    ({ kind, slug }) => kind === 'herbicide' && LIBRARY.herbicide(slug)?.selective === false,
  );
