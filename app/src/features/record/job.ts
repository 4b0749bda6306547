import type { Material } from '@alfombra/core';

/** What a record is made of: a step of the season, or work outside it. */
export interface Job {
  /** Under which the draft is kept. */
  key: string;
  stepId: string | null;
  zoneId: string;
  areaFt2: number;
  materials: readonly Material[];
  targets: string[];
  spray: boolean;
  carrierGal: number | null;
}
