import { measuring } from '../knowledge';
import { measuredAmount } from './measuredAmount';
import { tankLoads, type TankLoads } from './tankLoads';

/** One product in the tank, in its own unit per 1000 ft². */
export interface Dosed {
  ratePer1000: number;
  unit: 'oz' | 'fl-oz' | 'lb';
}

/** How much is mixed for a job. */
export interface Batch {
  loads: TankLoads;
  /** gal that the job needs, where more is mixed; `null`: just that. */
  neededGallons: number | null;
  /** Why more is mixed. */
  largerFor: 'least-batch' | 'measuring' | null;
  /** What stays in the tank, and the ground it would cover at the same rate. */
  leftOver: { gallons: number; coversFt2: number } | null;
  /** No batch of this tank can be measured truly: gal of the smallest that could; `null`: this one can. */
  smallestGallons: number | null;
}

/** Beyond this no hand tank goes, gal. */
const MOST_GALLONS = 200;

/** Whether all that a load takes can be measured without ending more than the allowed share under its rate. */
const isTrue = (gallons: number, carrierGalPer1000: number, doses: readonly Dosed[]): boolean =>
  doses.every(({ ratePer1000, unit }) => {
    const { value, exact } = measuredAmount((ratePer1000 * gallons) / carrierGalPer1000, unit);
    return value >= exact * (1 - measuring.mostUnder);
  });

/** So many marks of the tank above a volume. */
const stepsUp = (gallons: number, steps: number): number =>
  Math.floor(gallons / measuring.gallonStep + 1e-9 + steps) * measuring.gallonStep;

const allTrue = (
  { fullLoads, gallonsEach, lastGallons }: TankLoads,
  carrier: number,
  doses: readonly Dosed[],
): boolean =>
  (fullLoads === 0 || isTrue(gallonsEach, carrier, doses)) &&
  (lastGallons === 0 || isTrue(lastGallons, carrier, doses));

/**
 * The smallest batch not under the job's whose every load can be measured truly: amounts are rounded down to the
 * step of the tool, never over the label, so that a small one may miss by half.
 * @param areaFt2 above 0; @param tankGal usable size, above 0
 */
export function batchOf(
  doses: readonly Dosed[],
  {
    areaFt2,
    carrierGalPer1000,
    tankGal,
  }: { areaFt2: number; carrierGalPer1000: number; tankGal: number },
): Batch {
  const needed = (areaFt2 / 1000) * carrierGalPer1000;
  const least = Math.max(needed, Math.min(measuring.leastBatchGallons, tankGal));
  const made = (gallons: number, why: Batch['largerFor']): Batch => {
    const more = gallons - needed;
    return {
      loads: tankLoads(gallons, tankGal),
      neededGallons: why === null ? null : needed,
      largerFor: why,
      leftOver:
        why === null ? null : { gallons: more, coversFt2: (more / carrierGalPer1000) * 1000 },
      smallestGallons: null,
    };
  };
  const steps = Math.ceil(tankGal / measuring.gallonStep);
  for (let step = 0; step <= steps; step += 1) {
    const gallons = step === 0 ? least : stepsUp(least, step);
    if (!allTrue(tankLoads(gallons, tankGal), carrierGalPer1000, doses)) continue;
    return made(gallons, gallons > least ? 'measuring' : least > needed ? 'least-batch' : null);
  }
  let smallest = tankGal;
  for (let step = 1; smallest < MOST_GALLONS; step += 1) {
    if (isTrue(smallest, carrierGalPer1000, doses)) break;
    smallest = stepsUp(tankGal, step);
  }
  return { ...made(needed, null), smallestGallons: smallest };
}
