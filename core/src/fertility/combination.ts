/** Fertilizer that carries an insecticide: both must be right at one rate. */
export interface CombinationInput {
  /** Nitrogen and active by weight, %. */
  nPct: number;
  activePct: number;
  /** What the lawn wants, lb N per 1000 ft². */
  nWindow: readonly [number, number];
  /** What the label allows, lb a.i. per acre. */
  activeWindow: readonly [number, number];
  /** Active already used this year and the most of a year, lb a.i. per acre. */
  activeUsed: number;
  activeYear: number;
}

export interface Combination {
  /** Product rates that suit both, lb per 1000 ft²; `null`: there is none. */
  rate: readonly [number, number] | null;
  byNitrogen: readonly [number, number];
  byActive: readonly [number, number];
  /** Active at the highest nitrogen rate, and nitrogen at the lowest rate of the active. */
  activeAtNitrogen: number;
  nitrogenAtActive: number;
  /** Active content that would suit the highest nitrogen rate, %. */
  neededPct: readonly [number, number];
}

const THOUSANDS = 43.56;

/** The product rate that satisfies the nitrogen and the insecticide label, or that there is none. */
export function combination(input: CombinationInput): Combination {
  const n = input.nPct / 100;
  const active = input.activePct / 100;
  const most = Math.min(input.activeWindow[1], input.activeYear - input.activeUsed);
  const byNitrogen = [input.nWindow[0] / n, input.nWindow[1] / n] as const;
  const perPound = THOUSANDS * active;
  const byActive = [input.activeWindow[0] / perPound, most / perPound] as const;
  const low = Math.max(byNitrogen[0], byActive[0]);
  const high = Math.min(byNitrogen[1], byActive[1]);
  const top = byNitrogen[1];
  return {
    rate: low <= high + 1e-12 ? [low, Math.max(low, high)] : null,
    byNitrogen,
    byActive,
    activeAtNitrogen: top * perPound,
    nitrogenAtActive: byActive[0] * n,
    neededPct: [
      (100 * input.activeWindow[0]) / (THOUSANDS * top),
      (100 * input.activeWindow[1]) / (THOUSANDS * top),
    ],
  };
}
