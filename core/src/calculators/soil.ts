import type { Source } from '../knowledge';
import {
  amendmentLimits,
  compost,
  LIME_TEXTURES,
  peat,
  type LimeTexture,
} from '../knowledge/amendments';
import { dressingVolume } from '../establish/volumes';
import {
  limeFromBuffer,
  limeFromTexture,
  splitAmendment,
  sulfurFromTexture,
  type Amendment,
} from '../fertility/lime';
import { addDays, localDate } from '../units';
import { analyticCrossing, analyticSoilF, type SoilWaves } from '../weather/analyticSoil';
import { choice, figure, note, num, type Calculator, type CalculatorAnswer } from './calculator';

const MEMORY: Source = { kind: 'memory' };
/** Thermal diffusivity of moist loam, 10⁻⁶ m²/s. */
const MOIST_LOAM = 0.5;

function limeAnswer(lime: Amendment | null, areaFt2: number, airHighF: number): CalculatorAnswer {
  if (!lime) return { figures: [], notes: [note('calc-outside-table', 'stop')] };
  if (lime.lbPer1000 <= 0) return { figures: [], notes: [note('calc-no-lime', 'good')] };
  const split =
    airHighF >= amendmentLimits.heatF
      ? splitAmendment(lime.lbPer1000, amendmentLimits.limeOnceInHeat)
      : lime;
  return {
    figures: [
      figure('each', split.eachLbPer1000, 'lb/1000 ft²', 2, true),
      figure('times', split.applications, '', 0),
      figure('whole', split.lbPer1000, 'lb/1000 ft²', 1),
      figure('total', (split.lbPer1000 * areaFt2) / 1000, 'lb', 1),
    ],
    notes: [
      ...(split.applications > 1
        ? [note('calc-lime-apart', 'caution', { weeks: amendmentLimits.limeWeeks })]
        : []),
      note('calc-lime-kinds', 'caution'),
    ],
  };
}

/** Month and day of a day of a common year, as 04-20; days beyond the year's ends wrap. */
const monthDay = (day: number): string =>
  addDays(localDate('2026-01-01'), (((Math.round(day) - 1) % 365) + 365) % 365).slice(5);

/** Soil: its temperature by the calendar, what moves its pH, and what is laid on it. */
export const soilCalculators: readonly Calculator[] = [
  {
    slug: 'soil-by-date',
    group: 'soil',
    fields: [
      num('year-mean', '°F', 56, [30, 85]),
      num('half-range', '°F', 21, [2, 45]),
      num('warmest-day', '', 200, [1, 366]),
      num('probe-depth', 'in', 2, [0, 12]),
      num('day-of-year', '', 98, [1, 366]),
      num('threshold', '°F', 55, [20, 100]),
    ],
    compute: (v) => {
      const waves: SoilWaves = {
        meanF: v.num('year-mean'),
        annualHalfRangeF: v.num('half-range'),
        warmestDay: v.num('warmest-day'),
        // The mean of the day: its own wave is left out.
        dailyHalfRangeF: 0,
        warmestHour: 13.5,
        diffusivity: MOIST_LOAM,
      };
      const depth = v.num('probe-depth');
      const days = analyticCrossing(waves, depth, v.num('threshold'));
      return {
        figures: [
          figure('soil-mean', analyticSoilF(waves, depth, v.num('day-of-year'), 12), '°F', 1, true),
          ...(days
            ? [figure('rises-on', days.rising, '', 0), figure('falls-on', days.falling, '', 0)]
            : []),
        ],
        notes: [
          days
            ? note('calc-passes', 'good', {
                rising: monthDay(days.rising),
                falling: monthDay(days.falling),
              })
            : note('calc-never-passes', 'caution'),
          note('calc-by-calendar', 'caution'),
        ],
      };
    },
    source: { kind: 'published', ref: 'van Wijk & de Vries 1963; Campbell & Norman 1998' },
  },
  {
    slug: 'lime-buffer',
    group: 'soil',
    care: 'granules',
    fields: [
      num('buffer-ph', '', 6.4, [5, 7.5]),
      num('target-ph', '', 6.5, [6, 7]),
      num('depth', 'in', 4, [1, 8]),
      num('ecce', '%', 88, [20, 180]),
      num('area', 'ft²', 7200, [10, 2_000_000]),
      num('air-high', '°F', 70, [20, 120]),
    ],
    compute: (v) =>
      limeAnswer(
        limeFromBuffer(v.num('buffer-ph'), v.num('target-ph'), v.num('depth'), v.num('ecce') / 100),
        v.num('area'),
        v.num('air-high'),
      ),
    source: {
      kind: 'published',
      ref: 'Shoemaker, McLean & Pratt 1961, Soil Science Society of America Proceedings 25:274-277; digits from memory',
    },
  },
  {
    slug: 'lime-texture',
    group: 'soil',
    care: 'granules',
    fields: [
      num('ph', '', 5.5, [4, 7]),
      choice('texture', LIME_TEXTURES, 'loam'),
      num('ecce', '%', 90, [20, 180]),
      num('area', 'ft²', 6200, [10, 2_000_000]),
      num('air-high', '°F', 70, [20, 120]),
    ],
    compute: (v) =>
      limeAnswer(
        limeFromTexture(v.num('ph'), v.choice('texture') as LimeTexture, v.num('ecce') / 100),
        v.num('area'),
        v.num('air-high'),
      ),
    source: MEMORY,
  },
  {
    slug: 'sulfur',
    group: 'soil',
    care: 'granules',
    fields: [
      num('ph', '', 7.5, [6, 9]),
      choice('texture', ['sand', 'loam', 'clay'], 'loam'),
      num('area', 'ft²', 5000, [10, 2_000_000]),
      choice('fizzes', ['no', 'yes'], 'no'),
    ],
    compute: (v) => {
      if (v.choice('fizzes') === 'yes')
        return { figures: [], notes: [note('calc-free-lime', 'stop')] };
      const sulfur = sulfurFromTexture(
        v.num('ph'),
        v.choice('texture') as 'sand' | 'loam' | 'clay',
      );
      if (!sulfur) return { figures: [], notes: [note('calc-outside-table', 'stop')] };
      if (sulfur.lbPer1000 <= 0) return { figures: [], notes: [note('calc-no-sulfur', 'good')] };
      return {
        figures: [
          figure('each', sulfur.eachLbPer1000, 'lb/1000 ft²', 2, true),
          figure('times', sulfur.applications, '', 0),
          figure('years', sulfur.years, '', 0),
          figure('whole', sulfur.lbPer1000, 'lb/1000 ft²', 1),
          figure('total', (sulfur.lbPer1000 * v.num('area')) / 1000, 'lb', 1),
        ],
        notes: [note('calc-sulfur-slow', 'caution', { year: amendmentLimits.sulfurYear })],
      };
    },
    source: MEMORY,
  },
  {
    slug: 'topdressing',
    group: 'soil',
    fields: [num('area', 'ft²', 1000, [1, 2_000_000]), num('layer', 'in', 0.25, [0.05, 6])],
    compute: (v) => {
      const { cubicFeet, cubicYards } = dressingVolume(v.num('area'), v.num('layer'));
      return {
        figures: [
          figure('cubic-yards', cubicYards, 'yd³', 3, true),
          figure('cubic-feet', cubicFeet, 'ft³', 1),
          figure('weight', cubicYards * compost.lbPerCubicYard, 'lb', 0),
          figure('yard-covers', 324 / v.num('layer'), 'ft²', 0),
        ],
        notes:
          v.num('layer') > compost.mostOnTurfIn
            ? [note('calc-too-thick', 'caution', { most: compost.mostOnTurfIn })]
            : [],
      };
    },
    source: { kind: 'derived', ref: '324 ft² an inch deep are a cubic yard' },
  },
  {
    slug: 'peat',
    group: 'soil',
    fields: [
      num('area', 'ft²', 1000, [1, 200_000]),
      num('layer', 'in', 0.25, [0.05, 2]),
      num('bale', 'ft³', 3.8, [0.5, 10]),
      num('fluff', '×', 2, [1, 3]),
      num('ph', '', 6.2, [4, 8.5]),
    ],
    compute: (v) => {
      const { cubicFeet, cubicYards } = dressingVolume(v.num('area'), v.num('layer'));
      const bales = cubicFeet / (v.num('bale') * v.num('fluff'));
      const per1000 = (cubicYards / v.num('area')) * 1000;
      const shift = -(per1000 * peat.limeLbPerCubicYard) / peat.lbPerPhUnit;
      return {
        figures: [
          figure('bales', Math.ceil(bales - 1e-9), '', 0, true),
          figure('bales-exact', bales, '', 3),
          figure('ph-shift', shift, '', 3),
          figure('ph-after', v.num('ph') + shift, '', 2),
        ],
        notes: v.num('ph') < 5.8 ? [note('calc-peat-sour', 'stop')] : [],
      };
    },
    source: MEMORY,
  },
];
