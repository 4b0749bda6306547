import { holdingPace } from '../knowledge/holding';

/**
 * How quick a product breaks down in the soil of a day, against the soil that the table's figure is for.
 * @param soilF mean of the day, °F
 * @returns 1 at the reference
 */
export function breakdownPace(soilF: number, { dry = false } = {}): number {
  const { referenceF, factorPer18F, dryFactor, frozenF } = holdingPace;
  if (soilF <= frozenF) return 0;
  return factorPer18F ** ((soilF - referenceF) / 18) * (dry ? dryFactor : 1);
}

/**
 * Days that a product holds in the soil that is expected, for the days that a table gives it. Colder and drier soil
 * lengthens them a little at most.
 * @param tableDays above 0
 * @param soilF mean of each day from the application on, °F; the last stands for what follows
 */
export function holdDays(
  tableDays: number,
  soilF: readonly (number | null)[],
  { dry = false } = {},
): number {
  const most = Math.round(tableDays * holdingPace.mostLonger);
  let broken = 0;
  let last: number = holdingPace.referenceF;
  for (let day = 0; day < most; day += 1) {
    last = soilF[day] ?? last;
    broken += breakdownPace(last, { dry });
    if (broken >= tableDays - 1e-9) return day + 1;
  }
  return most;
}
