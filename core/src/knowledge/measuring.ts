import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** How a zone's outline came to be. */
export const MEASURE_METHODS = ['tape', 'pace', 'walked', 'sketch', 'import'] as const;
export type MeasureMethod = (typeof MEASURE_METHODS)[number];

/** How far off a measured outline may be; what the area's interval is worked out from. */
export const measureErrors = {
  /** Standard deviation of where a confirmed edge lies, ft, by method. */
  edgeSigmaFt: { tape: 0.25, pace: 1, walked: 3, sketch: 1, import: 1.5 } satisfies Record<
    MeasureMethod,
    number
  >,
  /** Standard deviation of where an assumed edge lies, ft. */
  assumedSigmaFt: 6,
  /** Relative standard deviation of every length alike, by method: a tape's sag, a pacer's step. */
  scaleSigma: { tape: 0.003, pace: 0.03, walked: 0, sketch: 0.02, import: 0.005 } satisfies Record<
    MeasureMethod,
    number
  >,
  /** Share of its area that a zone may be off either way and still be dosed (our choice). */
  mostShare: 0.2,
  /** Two-sided 95 %. */
  z: 1.96,
  source: MEMORY,
} as const;

/** Cleaning of a walked edge. */
export const walkedEdge = {
  /** Fixes with a worse stated accuracy are left out, m. */
  worstAccuracyM: 15,
  /** Faster than anybody walks a lawn edge, m/s: the fix is a spike. */
  fastestMps: 3,
  /** Corners closer to the line than this are dropped, m. */
  simplifyM: 0.5,
  /** A stated accuracy is a 68 % radius; σ per axis is the radius over this (Rayleigh). */
  radiusOverSigma: 1.5096,
  /** A start and an end further apart than this are shown as an open edge, ft. */
  openFt: 15,
  source: MEMORY,
} as const;

/** Distances on the plan within which a corner jumps to another zone, and overlaps that matter. */
export const planDrawing = { snapFt: 1.5, overlapFt2: 2 } as const;
