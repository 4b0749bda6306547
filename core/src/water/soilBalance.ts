import { rainRules } from '../knowledge/water';

/** Soil that turf drinks from. Depths of water, in. */
export interface RootZone {
  /** Total available water and the part that is taken without suffering. */
  totalIn: number;
  readilyIn: number;
}

/** FAO-56: readily available is a share of the total. */
export const rootZone = (
  availableInPerIn: number,
  rootDepthIn: number,
  share: number,
): RootZone => ({
  totalIn: availableInPerIn * rootDepthIn,
  readilyIn: availableInPerIn * rootDepthIn * share,
});

/** The depletion share for a day's use, 0.1-0.8 (FAO-56, note to Table 22). @param useIn in per day */
export const adjustedShare = (share: number, useIn: number): number =>
  Math.max(0.1, Math.min(0.8, share + 0.04 * (5 - useIn * 25.4)));

export interface BalanceDay {
  /** Water missing from a full root zone at the end of the day, before watering, in. */
  deficitIn: number;
  /** What the turf used; less than it would when the soil is drier than `readilyIn`, in. */
  usedIn: number;
  /** Rain that went into the root zone, ran off or drained through, in. */
  rainIn: number;
  runoffIn: number;
  drainageIn: number;
  /** Net and gross irrigation, in. */
  irrigationIn: number;
  grossIn: number;
}

export interface BalanceInput {
  zone: RootZone;
  /** Deficit before the first day, in. */
  startIn: number;
  /** What well-watered turf would use and what fell, per day, shape (n), in. */
  demandIn: readonly number[];
  rainIn: readonly number[];
  /** Water given by hand or clock, net, per day, in; or `auto`: full again whenever it suffers. */
  irrigation: readonly number[] | 'auto' | 'none';
  /** Share of the water that reaches the driest quarter. */
  efficiency: number;
}

/**
 * Water of a root zone day by day (FAO-56 chapter 8, one layer). Mass closes:
 * Δdeficit = used − rain + drainage − irrigation, where rain is what did not run off or just wet leaves.
 * @returns shape (n)
 */
export function soilBalance(input: BalanceInput): BalanceDay[] {
  const { zone, irrigation } = input;
  let deficit = input.startIn;
  return input.demandIn.map((demand, index) => {
    const dry = deficit > zone.readilyIn;
    const stress = dry
      ? Math.max(0, (zone.totalIn - deficit) / Math.max(1e-9, zone.totalIn - zone.readilyIn))
      : 1;
    const used = stress * demand;
    const fell = input.rainIn[index] ?? 0;
    const runoff = rainRules.runoffShareAboveInch * Math.max(0, fell - 1);
    const wetting = fell < rainRules.leastIn ? 0 : fell - runoff;
    const wanted = deficit + used;
    const rain = Math.min(wetting, wanted);
    const before = Math.min(zone.totalIn, wanted - rain);
    const given =
      irrigation === 'auto'
        ? before >= zone.readilyIn - 1e-9
          ? before
          : 0
        : irrigation === 'none'
          ? 0
          : (irrigation[index] ?? 0);
    const net = Math.min(given, before);
    deficit = before - net;
    return {
      deficitIn: before,
      usedIn: used,
      rainIn: rain,
      runoffIn: fell < rainRules.leastIn ? 0 : runoff,
      drainageIn: wetting - rain + (given - net),
      irrigationIn: given,
      grossIn: given / input.efficiency,
    };
  });
}
