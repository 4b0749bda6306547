import {
  grass,
  outwardGrowthFt,
  phSpots,
  probePush,
  testThresholds,
  textureByFeel,
  type GrassSlug,
  type ProbeStop,
  type SoilTexture,
} from '../knowledge';

export type ProbeVerdict = 'adequate' | 'shallow' | 'blocked' | 'rock' | 'waterlogged';

/** What an easy push of a rod to `depthIn` and the way it stopped say of the ground. */
export function probeVerdict(depthIn: number, stop: ProbeStop): ProbeVerdict {
  if (stop === 'wet-foul') return 'waterlogged';
  if (stop === 'scrape') return 'rock';
  if (depthIn >= probePush.adequateIn) return 'adequate';
  return depthIn > probePush.blockedIn ? 'shallow' : 'blocked';
}

/** Whether thatch of a thickness, in, is too much for a grass, by the thatch test's treat range. */
export function thatchVerdict(thatchIn: number, main: GrassSlug): 'fine' | 'too-thick' {
  const situation = /^(bermuda|zoysia)/.test(main) ? 'bermuda-or-zoysia' : 'cool-or-st-augustine';
  const limit = testThresholds.find(
    (entry) => entry.subject === 'thatch' && entry.situation === situation,
  )?.low;
  return limit !== null && limit !== undefined && thatchIn > limit ? 'too-thick' : 'fine';
}

/** Answers of the feel test, in the order they are asked. */
export interface FeelAnswers {
  /** A moist handful stays a ball. */
  ball: boolean;
  /** Length of the ribbon pressed between thumb and finger, in; 0 when none forms. */
  ribbonIn: number;
  /** What a wet pinch feels like. */
  grit: 'gritty' | 'smooth' | 'neither';
}

/** Soil texture by feel. Source: Thien 1979. */
export function textureFromFeel({ ball, ribbonIn, grit }: FeelAnswers): SoilTexture {
  if (!ball) return 'sand';
  if (ribbonIn <= 0) return 'loamy-sand';
  const pick = (gritty: SoilTexture, smooth: SoilTexture, neither: SoilTexture) =>
    grit === 'gritty' ? gritty : grit === 'smooth' ? smooth : neither;
  if (ribbonIn < textureByFeel.clayLoamIn) return pick('sandy-loam', 'silt-loam', 'loam');
  if (ribbonIn < textureByFeel.clayIn) {
    return pick('sandy-clay-loam', 'silty-clay-loam', 'clay-loam');
  }
  return pick('sandy-clay', 'silty-clay', 'clay');
}

/** A pH spot against the best one. `null` when there is nothing to compare. */
export interface PhComparison {
  best: number;
  /** By spot, in the order given: how far below or above the best, and whether that is more than noise. */
  spots: { difference: number; verdict: 'same' | 'within-kit-error' | 'finding' }[];
  /** Against the range in which the grass does well; `null` when it has none on file. */
  bestVerdict: 'low' | 'fine' | 'high' | null;
}

/** Compares kit readings with the spot where the turf is best (index `best`). */
export function comparePh(
  values: readonly number[],
  best: number,
  main: GrassSlug | null,
): PhComparison | null {
  const reference = values[best];
  if (reference === undefined) return null;
  const range = (main && grass(main).ph?.ok) ?? null;
  return {
    best: reference,
    spots: values.map((value) => {
      const difference = value - reference;
      const size = Math.abs(difference);
      return {
        difference,
        verdict:
          size >= phSpots.findingAt
            ? ('finding' as const)
            : size > phSpots.kitError
              ? ('within-kit-error' as const)
              : ('same' as const),
      };
    }),
    bestVerdict:
      range === null ? null : reference < range[0] ? 'low' : reference > range[1] ? 'high' : 'fine',
  };
}

/** How a plant spreads over the ground; annuals do not make an old patch. */
export type Spread = Exclude<keyof typeof outwardGrowthFt, 'source'>;

/**
 * Years that a patch has probably been there, from its width across, ft: radius over the outward
 * growth of a year, low and high. Rough on purpose; compare with next season's width.
 */
export function yearsPresent(widthFt: number, spread: Spread): [low: number, high: number] {
  const [slow, fast] = outwardGrowthFt[spread];
  return [Math.max(1, Math.round(widthFt / 2 / fast)), Math.max(1, Math.round(widthFt / 2 / slow))];
}

export interface SpotReading {
  valueF: number;
  /** Left out of the mean: more than 3·MAD/0.6745 from the median of five spots or more. */
  outlier: boolean;
}

/** Spots from which the spread tells, and from which a misreading does. */
const ENOUGH_SPOTS = 5;
const FEW_SPOTS = 3;
/** What two thermometers in one hole differ by, and more than spots of one lawn do, °F (common practice). */
const THERMOMETER_F = 3;
const GROSS_F = 15;

/** Which spots of a soil-temperature reading are microclimates of their own (common practice). */
export function judgeSpots(valuesF: readonly number[]): SpotReading[] {
  const middle = median(valuesF);
  const mad = median(valuesF.map((value) => Math.abs(value - middle)));
  const limit = Math.max((3 * mad) / 0.6745, THERMOMETER_F);
  return valuesF.map((valueF) => {
    const off = Math.abs(valueF - middle);
    return {
      valueF,
      outlier:
        (valuesF.length >= ENOUGH_SPOTS && off > limit) ||
        (valuesF.length >= FEW_SPOTS && off > GROSS_F),
    };
  });
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1
    ? (sorted[half] as number)
    : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}
