import {
  countTests,
  grass,
  testThresholds,
  type CountTest,
  type TestThreshold,
} from '../knowledge';
import type { StandShare } from '../lawn';
import type { CountTestInput } from './diagnosisInput';
import { poissonInterval } from './poissonInterval';

const SQUARE_INCHES_PER_SQUARE_FOOT = 144;
const SQUARE_FEET_PER_SQUARE_YARD = 9;

export interface CountVerdict {
  test: CountTest['slug'];
  sign: string;
  samples: number;
  total: number;
  /** Samplers' own area, ft² each. */
  samplerFt2: number;
  /** What one insect per sampler means per ft². */
  factor: number;
  perFt2: number;
  /** 90 % range of the mean per ft², from counting alone. */
  perFt2Range: [number, number];
  /** Treat range per ft². */
  thresholdPerFt2: [low: number, high: number];
  threshold: TestThreshold;
  /** Answer of the sign: `no` only after a full sample well below the threshold. */
  answer: 'yes' | 'no' | 'unsure';
  /** What to do about the count. */
  verdict: 'treat' | 'treat-if-spreading' | 'below' | 'sample-more';
}

/** Area of one sampler, ft²: a ring by its inside diameter, a flap by its side, a frame as it is. */
export function samplerArea(test: CountTest, sampler: number, square = false): number {
  if (square) return sampler ** 2 / SQUARE_INCHES_PER_SQUARE_FOOT;
  return test.sampler === 'diameter'
    ? (Math.PI * (sampler / 2) ** 2) / SQUARE_INCHES_PER_SQUARE_FOOT
    : sampler;
}

function perSquareFoot(value: number, unit: string): number {
  if (unit === 'per-yd2') return value / SQUARE_FEET_PER_SQUARE_YARD;
  if (unit === 'per-4ft2') return value / 4;
  return value;
}

/** The row of the threshold table for a lawn: exact situation, then the grass's own, then the first. */
function thresholdFor(
  test: CountTest,
  subject: string,
  situation: string | undefined,
  stand: readonly StandShare[],
): TestThreshold {
  const rows = testThresholds.filter((row) => row.test === test.code && row.subject === subject);
  const main = [...stand].sort((a, b) => b.cover - a.cover)[0]?.species;
  const bySituation = (wanted: string) => rows.find((row) => row.situation === wanted);
  const byGrass = main?.startsWith('bermuda')
    ? bySituation('bermuda')
    : main?.startsWith('zoysia')
      ? bySituation('zoysia')
      : main && grass(main).season === 'cool' && situation === 'irrigated'
        ? bySituation('irrigated-cool')
        : undefined;
  const row =
    bySituation('any') ??
    (situation ? bySituation(situation) : undefined) ??
    byGrass ??
    bySituation('stressed') ??
    rows[0];
  if (!row) throw new RangeError(`no threshold for ${subject} in ${test.slug}`);
  return row;
}

/**
 * Turns the counts of a field test into insects per ft² and a verdict.
 * @throws RangeError when the subject is none that the test counts
 */
export function countTestVerdict(
  input: CountTestInput,
  stand: readonly StandShare[],
): CountVerdict {
  const test = countTests.find((entry) => entry.slug === input.test) as CountTest;
  const subject = input.subject ?? (test.subjects[0] as string);
  const threshold = thresholdFor(test, subject, input.situation, stand);
  const area = samplerArea(test, input.sampler, input.square);
  const samples = input.counts.length;
  const total = input.counts.reduce((sum, count) => sum + count, 0);
  const factor = 1 / area;
  const perFt2 = (total / samples) * factor;
  const [lowTotal, highTotal] = poissonInterval(total);
  const low = perSquareFoot(threshold.low ?? 0, threshold.unit);
  const high = perSquareFoot(threshold.high ?? threshold.low ?? 0, threshold.unit);
  const full = samples >= test.fullSample;
  const answer = full && perFt2 >= low ? 'yes' : full && perFt2 < low / 2 ? 'no' : 'unsure';
  const verdict = !full
    ? 'sample-more'
    : perFt2 >= high
      ? 'treat'
      : perFt2 >= low
        ? 'treat-if-spreading'
        : perFt2 < low / 2
          ? 'below'
          : 'sample-more';
  return {
    test: test.slug,
    sign: test.sign,
    samples,
    total,
    samplerFt2: area,
    factor,
    perFt2,
    perFt2Range: [(lowTotal * factor) / samples, (highTotal * factor) / samples],
    thresholdPerFt2: [low, high],
    threshold,
    answer,
    verdict,
  };
}
