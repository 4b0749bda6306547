import type { Source } from '../knowledge';
import { nozzleWearPct } from '../knowledge/amendments';
import {
  calibrationDistance,
  flowAtPressure,
  gallonsPerAcre,
  measuredAmount,
  nozzleFlow,
  overlapDoseFactor,
  pressureForFlow,
  speedDoseFactor,
  speedMph,
} from '../rates';
import { FLUID_OUNCES_PER_GALLON, MILLILITRES_PER_FLUID_OUNCE, THOUSANDS_PER_ACRE } from '../units';
import { choice, figure, note, num, series, type Calculator } from './calculator';

const ALGEBRA: Source = { kind: 'derived', ref: '5,940 = 43,560 · 12 · 60 ÷ 5,280' };
const MEMORY: Source = { kind: 'memory' };
const COMMON: Source = { kind: 'common-practice' };
/** A rate this far over what was meant calls for a stop, %. */
const TOLERANCE_PCT = 10;
/** Blades browned three days after a test spot that stop the job, and how long it then waits. */
const TEST_SPOT = { mostBrownPct: 10, waitDays: 21 };

const volume = (gpa: number) => [
  figure('gal-per-1000', gpa / THOUSANDS_PER_ACRE, 'gal/1000 ft²', 3, true),
  figure('gpa', gpa, 'gal/A', 1),
];

/** Everything that is measured with water, a watch and a tape before a product goes in. */
export const sprayCalculators: readonly Calculator[] = [
  {
    slug: 'boom-output',
    group: 'spray',
    fields: [
      num('flow', 'gal/min', 0.4, [0.01, 20]),
      num('speed', 'mph', 3, [0.3, 12]),
      num('spacing', 'in', 20, [4, 400]),
    ],
    compute: (v) => ({
      figures: volume(gallonsPerAcre(v.num('flow'), v.num('speed'), v.num('spacing'))),
      notes: [],
    }),
    source: ALGEBRA,
  },
  {
    slug: 'nozzle-wanted',
    group: 'spray',
    fields: [
      num('gpa', 'gal/A', 40, [2, 400]),
      num('speed', 'mph', 3, [0.3, 12]),
      num('spacing', 'in', 20, [4, 400]),
    ],
    compute: (v) => ({
      figures: [
        figure(
          'flow',
          nozzleFlow(v.num('gpa'), v.num('speed'), v.num('spacing')),
          'gal/min',
          4,
          true,
        ),
      ],
      notes: [],
    }),
    source: ALGEBRA,
  },
  {
    slug: 'bucket-128',
    group: 'spray',
    fields: [num('swath', 'ft', 3, [0.5, 40]), num('caught', 'fl oz', 31, [1, 1000])],
    compute: (v) => ({
      figures: [
        figure('walk', calibrationDistance(v.num('swath')), 'ft', 1),
        ...volume(v.num('caught')),
      ],
      notes: [note('calc-128-how', 'good')],
    }),
    source: { kind: 'derived', ref: '43,560 ÷ 128 = 340.3' },
  },
  {
    slug: 'backpack-output',
    group: 'spray',
    care: 'spray',
    fields: [
      num('start', 'gal', 4, [0.1, 400]),
      num('left', 'gal', 2.85, [0, 400]),
      num('area', 'ft²', 1000, [50, 200_000]),
      num('tank', 'gal', 4, [0.1, 400]),
      num('rate', 'fl oz/1000 ft²', 0.5, [0, 200]),
    ],
    compute: (v) => {
      const used = v.num('start') - v.num('left');
      if (used <= 0) return { figures: [], notes: [note('calc-nothing-used', 'stop')] };
      const per1000 = (used / v.num('area')) * 1000;
      const covers = (v.num('tank') / per1000) * 1000;
      return {
        figures: [
          ...volume(per1000 * THOUSANDS_PER_ACRE),
          figure('tank-covers', covers, 'ft²', 0),
          figure('product-per-tank', (v.num('rate') * covers) / 1000, 'fl oz', 2),
        ],
        notes: [],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'pace',
    group: 'spray',
    care: 'spray',
    fields: [
      num('distance', 'ft', 100, [10, 2000]),
      num('seconds', 's', 26, [2, 2000]),
      num('calibrated', 'mph', 3, [0.5, 12]),
      num('set-rate', 'fl oz/A', 64, [0.01, 1000]),
      num('label-rate', 'fl oz/A', 64, [0.01, 1000]),
    ],
    compute: (v) => {
      const pace = speedMph(v.num('distance'), v.num('seconds'));
      const real = v.num('set-rate') * speedDoseFactor(v.num('calibrated'), pace);
      const over = 100 * (real / v.num('label-rate') - 1);
      const slowest = (v.num('calibrated') * v.num('set-rate')) / v.num('label-rate');
      return {
        figures: [
          figure('pace', pace, 'mph', 2),
          figure('real-rate', real, 'fl oz/A', 1, true),
          figure('over-label', over, '%', 1),
          figure('slowest', slowest, 'mph', 2),
        ],
        notes: [
          over > TOLERANCE_PCT
            ? note('calc-over-label', 'stop', { over: Math.round(over) })
            : over > 0.5
              ? note('calc-over-label', 'caution', { over: Math.round(over) })
              : note('calc-within-label', 'good'),
        ],
      };
    },
    source: COMMON,
  },
  {
    slug: 'nozzle-wear',
    group: 'spray',
    care: 'spray',
    fields: [
      num('nominal', 'fl oz/min', 51.2, [0.5, 2000]),
      series('flows', 'fl oz/min', '52 51 58 50', [0.1, 4000], 1),
    ],
    compute: (v) => {
      const flows = v.list('flows');
      const off = flows.map((flow) => 100 * (flow / v.num('nominal') - 1));
      const worst = off.reduce(
        (most, value) => (Math.abs(value) > Math.abs(most) ? value : most),
        0,
      );
      const bad = off.flatMap((value, index) =>
        Math.abs(value) > nozzleWearPct ? [index + 1] : [],
      );
      return {
        figures: [
          figure(
            'mean-flow',
            flows.reduce((sum, flow) => sum + flow, 0) / flows.length,
            'fl oz/min',
            1,
          ),
          figure('worst-nozzle', worst, '%', 1, true),
        ],
        notes: [
          bad.length > 0
            ? note('calc-replace-nozzles', 'stop', { numbers: bad.join(', ') })
            : note('calc-nozzles-good', 'good'),
        ],
      };
    },
    source: COMMON,
  },
  {
    slug: 'pressure',
    group: 'spray',
    fields: [
      num('flow', 'gal/min', 0.4, [0.01, 20]),
      num('pressure', 'psi', 40, [2, 300]),
      num('new-pressure', 'psi', 30, [2, 300]),
      num('wanted-flow', 'gal/min', 0.34, [0.01, 20]),
    ],
    compute: (v) => ({
      figures: [
        figure(
          'new-flow',
          flowAtPressure(v.num('flow'), v.num('pressure'), v.num('new-pressure')),
          'gal/min',
          4,
          true,
        ),
        figure(
          'pressure-needed',
          pressureForFlow(v.num('pressure'), v.num('flow'), v.num('wanted-flow')),
          'psi',
          2,
        ),
      ],
      notes: [],
    }),
    source: { kind: 'derived', ref: 'flow goes with the square root of the pressure' },
  },
  {
    slug: 'overlap',
    group: 'spray',
    fields: [num('swath', 'ft', 10, [0.5, 60]), num('pass-spacing', 'ft', 9, [0.5, 60])],
    compute: (v) => {
      const share = 1 - v.num('pass-spacing') / v.num('swath');
      if (share < 0) return { figures: [], notes: [note('calc-skips', 'stop')] };
      if (share >= 0.5) return { figures: [], notes: [note('calc-double', 'stop')] };
      return {
        figures: [
          figure('mean-dose', overlapDoseFactor(share), '×', 3, true),
          figure('strip-dose', share > 0 ? 2 : 1, '×', 1),
          figure('strip-width', v.num('swath') - v.num('pass-spacing'), 'ft', 1),
        ],
        notes: share > 0 ? [note('calc-strips', 'caution')] : [],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'hose-gun',
    group: 'spray',
    care: 'spray',
    fields: [
      num('flow', 'gal/min', 1.5, [0.05, 20]),
      num('seconds-per-1000', 's', 80, [5, 600]),
      num('tank', 'gal', 200, [1, 2000]),
      num('rate', 'fl oz/1000 ft²', 1.2, [0.01, 200]),
    ],
    compute: (v) => {
      const per1000 = (v.num('flow') * v.num('seconds-per-1000')) / 60;
      const covers = (v.num('tank') / per1000) * 1000;
      return {
        figures: [
          figure('gal-per-1000', per1000, 'gal/1000 ft²', 3, true),
          figure('tank-covers', covers, 'ft²', 0),
          figure('product-per-tank', (v.num('rate') * covers) / 1000, 'fl oz', 1),
        ],
        notes: [],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'hose-end',
    group: 'spray',
    care: 'spray',
    fields: [
      num('flow', 'gal/min', 2.5, [0.2, 20]),
      num('minutes-per-1000', 'min', 1.5, [0.1, 30]),
      num('rate', 'fl oz/1000 ft²', 1.5, [0.01, 200]),
    ],
    compute: (v) => {
      const per1000 = v.num('flow') * v.num('minutes-per-1000');
      return {
        figures: [
          figure('dial', v.num('rate') / per1000, 'fl oz/gal', 3, true),
          figure('gal-per-1000', per1000, 'gal/1000 ft²', 2),
        ],
        notes: [],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'bottle',
    group: 'spray',
    care: 'spray',
    fields: [
      num('bottle', 'fl oz', 24, [0.5, 1280]),
      num('covers', 'ft²', 6000, [100, 400_000]),
      num('area', 'ft²', 2350, [1, 400_000]),
      num('carrier', 'gal/1000 ft²', 1, [0.1, 10]),
    ],
    compute: (v) => {
      const rate = (v.num('bottle') / v.num('covers')) * 1000;
      const amount = (rate * v.num('area')) / 1000;
      return {
        figures: [
          figure('amount', amount, 'fl oz', 2, true),
          figure('amount-ml', amount * MILLILITRES_PER_FLUID_OUNCE, 'mL', 0),
          figure('rate', rate, 'fl oz/1000 ft²', 3),
          figure('strength', rate / v.num('carrier'), 'fl oz/gal', 3),
          figure('water', (v.num('carrier') * v.num('area')) / 1000, 'gal', 2),
        ],
        notes: [note('calc-per-gallon', 'caution')],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'test-spot',
    group: 'spray',
    care: 'spray',
    fields: [num('spot-area', 'ft²', 20, [1, 1000]), num('brown-blades', '%', 5, [0, 100])],
    compute: (v) => {
      const failed = v.num('brown-blades') > TEST_SPOT.mostBrownPct;
      return {
        figures: [
          figure('brown-area', (v.num('spot-area') * v.num('brown-blades')) / 100, 'ft²', 1, true),
          ...(failed ? [figure('wait', TEST_SPOT.waitDays, 'd', 0)] : []),
        ],
        notes: [
          failed
            ? note('calc-test-failed', 'stop', {
                max: TEST_SPOT.mostBrownPct,
                days: TEST_SPOT.waitDays,
              })
            : note('calc-test-passed', 'good', { max: TEST_SPOT.mostBrownPct }),
        ],
      };
    },
    source: COMMON,
  },
  {
    slug: 'adjuvant',
    group: 'spray',
    care: 'spray',
    fields: [num('percent', '%', 0.25, [0.01, 10]), num('spray-volume', 'gal', 4, [0.1, 2000])],
    compute: (v) => {
      const ounces = (v.num('percent') / 100) * v.num('spray-volume') * FLUID_OUNCES_PER_GALLON;
      const measured = measuredAmount(ounces, 'fl-oz');
      return {
        figures: [
          figure('amount', ounces, 'fl oz', 2, true),
          figure('amount-ml', ounces * MILLILITRES_PER_FLUID_OUNCE, 'mL', 1),
        ],
        notes: [note(`calc-tool-${measured.tool}`, 'good')],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'dye',
    group: 'spray',
    fields: [
      num('dye-amount', 'fl oz', 0.5, [0.01, 64]),
      num('dye-tank', 'gal', 4, [0.5, 400]),
      num('tank', 'gal', 15, [0.5, 2000]),
    ],
    compute: (v) => ({
      figures: [
        figure(
          'amount',
          (v.num('dye-amount') * v.num('tank')) / v.num('dye-tank'),
          'fl oz',
          3,
          true,
        ),
      ],
      notes: [note('calc-dye-label', 'caution')],
    }),
    source: MEMORY,
  },
  {
    slug: 'jar-test',
    group: 'spray',
    care: 'spray',
    fields: [
      num('rate', 'fl oz/1000 ft²', 1.5, [0.001, 200]),
      num('carrier', 'gal/1000 ft²', 2, [0.1, 10]),
      num('jar', 'mL', 1000, [50, 4000]),
    ],
    compute: (v) => {
      const perLitre = (1000 * v.num('rate')) / (FLUID_OUNCES_PER_GALLON * v.num('carrier'));
      return {
        figures: [figure('amount-ml', (perLitre * v.num('jar')) / 1000, 'mL', 3, true)],
        notes: [note('calc-jar-how', 'good'), note('calc-jar-fails', 'stop')],
      };
    },
    source: MEMORY,
  },
  {
    slug: 'rinse',
    group: 'spray',
    care: 'spray',
    fields: [
      num('residue', 'mL', 100, [0, 20_000]),
      num('rinse', 'mL', 1000, [1, 40_000]),
      num('times', '×', 3, [1, 10]),
    ],
    compute: (v) => {
      const share = v.num('residue') / (v.num('residue') + v.num('rinse'));
      return {
        figures: [figure('left-share', 100 * share ** v.num('times'), '%', 4, true)],
        notes: [note('calc-rinse-how', 'good'), note('calc-rinse-cleaner', 'stop')],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'applications-left',
    group: 'spray',
    care: 'spray',
    fields: [
      num('year-most', 'lb a.i./A', 0.8, [0.001, 100]),
      num('once', 'lb a.i./A', 0.3, [0.001, 100]),
      num('used', 'lb a.i./A', 0, [0, 100]),
    ],
    compute: (v) => {
      const left = Math.max(0, v.num('year-most') - v.num('used'));
      const times = Math.floor(left / v.num('once') + 1e-9);
      return {
        figures: [
          figure('times-left', times, '', 0, true),
          figure('left-year', left, 'lb a.i./A', 3),
        ],
        notes: times === 0 ? [note('calc-year-full', 'stop')] : [],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'tank-split',
    group: 'spray',
    care: 'spray',
    fields: [
      num('area', 'ft²', 18_750, [50, 2_000_000]),
      num('carrier', 'gal/1000 ft²', 2, [0.1, 10]),
      num('tank', 'gal', 15, [0.5, 2000]),
      num('rate', 'fl oz/1000 ft²', 0.75, [0.001, 200]),
      choice('last-load', ['as-it-comes', 'all-alike'], 'as-it-comes'),
    ],
    compute: (v) => {
      const total = (v.num('area') / 1000) * v.num('carrier');
      const product = (v.num('area') / 1000) * v.num('rate');
      const tank = v.num('tank');
      const alike = v.choice('last-load') === 'all-alike';
      const loads = Math.ceil(total / tank - 1e-9);
      const each = alike ? total / loads : Math.min(tank, total);
      const full = alike ? loads : Math.floor(total / tank + 1e-9);
      const last = alike ? 0 : total - full * tank;
      return {
        figures: [
          figure('loads', full, '', 0),
          figure('gal-each', each, 'gal', 3),
          figure('product-each', (product * each) / total, 'fl oz', 3, true),
          ...(last > 1e-6
            ? [
                figure('gal-last', last, 'gal', 3),
                figure('product-last', (product * last) / total, 'fl oz', 3),
              ]
            : []),
          figure('product-total', product, 'fl oz', 2),
        ],
        notes: last > 1e-6 && last < 0.2 * tank ? [note('calc-last-small', 'caution')] : [],
      };
    },
    source: ALGEBRA,
  },
];
