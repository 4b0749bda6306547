import { SOIL_TEXTURES, type SoilTexture, type Source } from '../knowledge';
import { depletion, irrigationRules, soilWater } from '../knowledge/water';
import {
  catchCans,
  cycleSoak,
  intakeOf,
  rateFromFlow,
  rootZone,
  runTime,
  tunedRun,
} from '../water';
import { choice, figure, note, num, series, type Calculator } from './calculator';

const COMMON: Source = { kind: 'common-practice' };

/** Water: what the heads put down, what the soil takes and how long it lasts. */
export const waterCalculators: readonly Calculator[] = [
  {
    slug: 'catch-cans',
    group: 'water',
    fields: [
      series(
        'cans',
        'in',
        '.42 .38 .55 .47 .31 .50 .44 .36 .48 .40 .52 .29 .45 .39 .53 .33',
        [0, 6],
        4,
      ),
      num('minutes', 'min', 20, [1, 240]),
      num('target-depth', 'in', 0.5, [0.05, 3]),
    ],
    compute: (v) => {
      const cans = v.list('cans');
      if (cans.every((depth) => depth === 0)) {
        return { figures: [], notes: [note('calc-nothing-caught', 'stop')] };
      }
      const caught = catchCans(cans, v.num('minutes'));
      const run = runTime(
        v.num('target-depth'),
        caught.rateInPerHour,
        Math.max(0.05, caught.uniformity),
      );
      const { uniformity } = irrigationRules;
      return {
        figures: [
          figure('run', run.scheduled, 'min', 1, true),
          figure('precipitation', caught.rateInPerHour, 'in/h', 3),
          figure('uniformity', 100 * caught.uniformity, '%', 0),
          figure('christiansen', 100 * caught.christiansen, '%', 0),
          figure('run-average', run.average, 'min', 1),
          figure('run-driest', run.driestQuarter, 'min', 1),
        ],
        notes: [
          ...(cans.length < 16 ? [note('calc-more-cans', 'caution', { count: cans.length })] : []),
          caught.uniformity < uniformity.repairBelow
            ? note('calc-repair-heads', 'stop')
            : caught.uniformity < uniformity.fair
              ? note('calc-uneven-heads', 'caution')
              : note('calc-even-heads', 'good'),
        ],
      };
    },
    source: {
      kind: 'published',
      ref: 'Christiansen 1942; scheduling multiplier of the Irrigation Association 2005',
    },
  },
  {
    slug: 'meter',
    group: 'water',
    fields: [
      num('gallons', 'gal', 60, [0.1, 10_000]),
      num('minutes', 'min', 5, [0.2, 240]),
      num('area', 'ft²', 1000, [10, 2_000_000]),
      num('target-depth', 'in', 0.5, [0.05, 3]),
    ],
    compute: (v) => {
      const flow = v.num('gallons') / v.num('minutes');
      const rate = rateFromFlow(flow, v.num('area'));
      return {
        figures: [
          figure('run', (60 * v.num('target-depth')) / rate, 'min', 1, true),
          figure('flow', flow, 'gal/min', 2),
          figure('precipitation', rate, 'in/h', 3),
        ],
        notes: [note('calc-meter-mean', 'caution')],
      };
    },
    source: { kind: 'derived', ref: '96.25 ft² at 1 gal/min get 1 in/h' },
  },
  {
    slug: 'cycle-soak',
    group: 'water',
    fields: [
      num('minutes', 'min', 19, [1, 240]),
      num('precipitation', 'in/h', 1.6, [0.05, 6]),
      choice('texture', SOIL_TEXTURES, 'clay-loam'),
      num('slope', '%', 3, [0, 60]),
    ],
    compute: (v) => {
      const { intake, storage } = intakeOf(v.choice('texture') as SoilTexture, v.num('slope'));
      const split = cycleSoak(v.num('minutes'), v.num('precipitation'), intake, storage);
      return {
        figures: [
          figure('cycles', split.cycles, '', 0, true),
          figure('minutes-each', split.minutesEach, 'min', 1, true),
          figure('soak', split.soakMinutes, 'min', 0),
          figure('intake', intake, 'in/h', 2),
        ],
        notes:
          split.cycles === 1 ? [note('calc-one-run', 'good')] : [note('calc-cycles', 'caution')],
      };
    },
    source: { kind: 'memory', ref: 'intake and storage by texture and slope' },
  },
  {
    slug: 'tune-run',
    group: 'water',
    fields: [
      num('minutes', 'min', 20, [1, 240]),
      num('wilt-day', 'd', 4, [0.5, 30]),
      num('goal', 'd', 7, [1, 14]),
      num('runoff-minutes', 'min', 60, [1, 600]),
      choice('rained', ['no', 'yes'], 'no'),
    ],
    compute: (v) => {
      if (v.choice('rained') === 'yes') {
        return { figures: [], notes: [note('calc-rain-discards', 'caution')] };
      }
      const next = tunedRun(
        v.num('minutes'),
        v.num('wilt-day'),
        v.num('goal'),
        v.num('runoff-minutes'),
      );
      const change = next - v.num('minutes');
      return {
        figures: [figure('run', next, 'min', 1, true), figure('change', change, 'min', 1)],
        notes: [
          change === 0
            ? note('calc-run-right', 'good')
            : change > 0
              ? note('calc-run-longer', 'caution')
              : note('calc-run-shorter', 'caution'),
        ],
      };
    },
    source: COMMON,
  },
  {
    slug: 'soil-holds',
    group: 'water',
    fields: [
      choice('texture', SOIL_TEXTURES, 'silt-loam'),
      num('root-depth', 'in', 8, [1, 60]),
      choice('season', ['cool', 'warm'], 'cool'),
      num('use', 'in/d', 0.2, [0.01, 0.6]),
      num('run-uniformity', '%', 75, [30, 100]),
    ],
    compute: (v) => {
      const zone = rootZone(
        soilWater[v.choice('texture') as SoilTexture].availableInPerIn,
        v.num('root-depth'),
        depletion[v.choice('season') as 'cool' | 'warm'],
      );
      const days = zone.readilyIn / v.num('use');
      return {
        figures: [
          figure('days-between', days, 'd', 1, true),
          figure('total-water', zone.totalIn, 'in', 2),
          figure('ready-water', zone.readilyIn, 'in', 2),
          figure('gross', zone.readilyIn / (v.num('run-uniformity') / 100), 'in', 2),
        ],
        notes: [
          days >= 5
            ? note('calc-water-weekly', 'good')
            : days >= 2
              ? note('calc-water-often', 'caution')
              : note('calc-water-daily', 'caution'),
        ],
      };
    },
    source: {
      kind: 'published',
      ref: 'Allen, Pereira, Raes & Smith 1998, FAO-56 chapter 8; digits of the soils from memory',
    },
  },
];
