import { measureErrors, type MeasureMethod } from '../knowledge';
import { squareFeet, type SquareFeet } from '../units';
import { areaSigma, edgeLengths, polygonArea, zoneArea } from './area';
import type { Zone } from './zone';

export interface AreaInterval {
  areaFt2: SquareFeet;
  /** 95 % interval, ft²; `low` never below 0. */
  low: SquareFeet;
  high: SquareFeet;
  /** Share of the variance that comes from edges that are only assumed, 0-1. */
  fromAssumed: number;
}

/**
 * Area of a zone with its 95 % interval. An edge that may lie σ ft further out or in changes the area
 * by its length times σ; edges err independently, the scale of the method errs for all alike:
 * σ_A² = Σ(Lᵢσᵢ)² + (2rA)². A walked outline errs at its corners instead (see `areaSigma`).
 */
export function areaInterval(
  zone: Pick<Zone, 'outline' | 'cutouts' | 'edges' | 'measure'>,
): AreaInterval {
  const area = zoneArea(zone);
  const { method, cornerSigmaFt } = zone.measure;
  let sure = (2 * measureErrors.scaleSigma[method] * area) ** 2;
  let assumed = 0;
  edgeLengths(zone.outline).forEach((length, index) => {
    if (zone.edges[index] === 'assumed') assumed += (length * measureErrors.assumedSigmaFt) ** 2;
    else if (cornerSigmaFt === null) sure += (length * measureErrors.edgeSigmaFt[method]) ** 2;
  });
  if (cornerSigmaFt !== null) sure += areaSigma(zone.outline, cornerSigmaFt) ** 2;
  for (const cutout of zone.cutouts) {
    for (const length of edgeLengths(cutout))
      sure += (length * measureErrors.edgeSigmaFt[method]) ** 2;
  }
  const half = measureErrors.z * Math.sqrt(sure + assumed);
  return {
    areaFt2: area,
    low: squareFeet(Math.max(0, area - half)),
    high: squareFeet(Math.min(Math.max(area, 2 * polygonArea(zone.outline)), area + half)),
    fromAssumed: sure + assumed > 0 ? assumed / (sure + assumed) : 0,
  };
}

/** Feet in a number of paces, from a pacer's own count over a known length. */
export const pacesToFeet = (paces: number, own: { paces: number; feet: number }): number =>
  (paces * own.feet) / own.paces;

export type { MeasureMethod };
