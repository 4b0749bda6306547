import type { Source } from '../knowledge';
import { combinationCaps, ferrousSulfate } from '../knowledge/amendments';
import { saltLoad, saltLoadLimit } from '../fertility';
import { combination } from '../fertility/combination';
import { granuleJob } from '../rates';
import { FLUID_OUNCES_PER_GALLON, THOUSANDS_PER_ACRE } from '../units';
import { choice, figure, note, num, type Calculator } from './calculator';

const ALGEBRA: Source = { kind: 'derived', ref: 'grades are by weight' };
const MEMORY: Source = { kind: 'memory' };
/** Carriers whose salt is known; per weight of the blend. */
const SALT_INDEX = { coated: 20, blend: 55, quick: 75, organic: 4 } as const;
const GRADE_MOST = 100;

const grade = [
  num('n-pct', '%', 24, [0, 82]),
  num('p-pct', '%', 0, [0, 60]),
  num('k-pct', '%', 6, [0, 62]),
];

/** Fertilizer: from the three numbers on the bag to pounds, and what else comes with them. */
export const feedCalculators: readonly Calculator[] = [
  {
    slug: 'bag-numbers',
    group: 'feed',
    care: 'granules',
    fields: [
      ...grade,
      num('n-wanted', 'lb N/1000 ft²', 0.9, [0.05, 2]),
      num('slow-pct', '% of N', 50, [0, 100]),
      num('area', 'ft²', 7500, [10, 2_000_000]),
      num('bag', 'lb', 50, [1, 2000]),
      choice('carrier', ['coated', 'blend', 'quick', 'organic'], 'blend'),
      num('air-high', '°F', 78, [20, 120]),
    ],
    compute: (v) => {
      const [n, p, k] = ['n-pct', 'p-pct', 'k-pct'].map((slug) => v.num(slug)) as [
        number,
        number,
        number,
      ];
      if (n + p + k > GRADE_MOST) return { figures: [], notes: [note('calc-grade-over', 'stop')] };
      if (n === 0) return { figures: [], notes: [note('calc-no-nitrogen', 'stop')] };
      const rate = v.num('n-wanted') / (n / 100);
      const job = granuleJob(rate, v.num('area'), v.num('bag'));
      const quick = v.num('n-wanted') * (1 - v.num('slow-pct') / 100);
      const load = saltLoad(rate, SALT_INDEX[v.choice('carrier') as keyof typeof SALT_INDEX]);
      const limit = saltLoadLimit({ airHighF: v.num('air-high') });
      return {
        figures: [
          figure('product-rate', rate, 'lb/1000 ft²', 3, true),
          figure('total', job.totalLb, 'lb', 2),
          figure('bags', job.bags, '', 0),
          figure('bag-covers', job.bagCoversFt2, 'ft²', 0),
          figure('quick-n', quick, 'lb N/1000 ft²', 3),
          figure('p2o5', (rate * p) / 100, 'lb/1000 ft²', 3),
          figure('k2o', (rate * k) / 100, 'lb/1000 ft²', 3),
          figure('salt', load, 'lb/1000 ft²', 2),
        ],
        notes: [
          load > limit
            ? note('calc-burns', 'stop', { limit })
            : load > 0.7 * limit
              ? note('calc-burn-near', 'caution', { limit })
              : note('calc-burn-none', 'good', { limit }),
          ...(p > 0 ? [note('calc-phosphorus', 'caution')] : []),
        ],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'bag-covers',
    group: 'feed',
    care: 'granules',
    fields: [...grade, num('bag', 'lb', 16, [1, 2000]), num('covers', 'ft²', 5000, [50, 200_000])],
    compute: (v) => {
      const rate = (v.num('bag') / v.num('covers')) * 1000;
      const of = (slug: string) => (rate * v.num(slug)) / 100;
      return {
        figures: [
          figure('n-given', of('n-pct'), 'lb N/1000 ft²', 3, true),
          figure('product-rate', rate, 'lb/1000 ft²', 3),
          figure('p2o5', of('p-pct'), 'lb/1000 ft²', 3),
          figure('k2o', of('k-pct'), 'lb/1000 ft²', 3),
        ],
        notes: of('n-pct') > 1 ? [note('calc-over-a-pound', 'caution')] : [],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'liquid-feed',
    group: 'feed',
    care: 'spray',
    fields: [
      num('n-pct', '%', 28, [0.5, 60]),
      num('density', 'lb/gal', 10.7, [7, 16]),
      num('n-wanted', 'lb N/1000 ft²', 0.2, [0.01, 2]),
      num('area', 'ft²', 5000, [10, 2_000_000]),
    ],
    compute: (v) => {
      const perGallon = (v.num('n-pct') / 100) * v.num('density');
      const gallons = v.num('n-wanted') / perGallon;
      return {
        figures: [
          figure('ounces-per-1000', gallons * FLUID_OUNCES_PER_GALLON, 'fl oz/1000 ft²', 2, true),
          figure('n-per-gallon', perGallon, 'lb N/gal', 3),
          figure('total-gal', (gallons * v.num('area')) / 1000, 'gal', 3),
        ],
        notes: [],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'two-grades',
    group: 'feed',
    care: 'granules',
    fields: [
      num('n-wanted', 'lb N/1000 ft²', 0.8, [0.05, 2]),
      num('k-wanted', 'lb K₂O/1000 ft²', 0.5, [0, 3]),
      num('n-pct', '%', 24, [1, 82]),
      num('k-pct', '%', 6, [0, 62]),
      num('second-k-pct', '%', 50, [1, 62]),
    ],
    compute: (v) => {
      const first = v.num('n-wanted') / (v.num('n-pct') / 100);
      const carried = (first * v.num('k-pct')) / 100;
      const missing = Math.max(0, v.num('k-wanted') - carried);
      return {
        figures: [
          figure('first-rate', first, 'lb/1000 ft²', 3, true),
          figure('k-carried', carried, 'lb K₂O/1000 ft²', 3),
          figure('second-rate', missing / (v.num('second-k-pct') / 100), 'lb/1000 ft²', 3),
        ],
        notes: missing === 0 ? [note('calc-k-enough', 'good')] : [],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'combination',
    group: 'feed',
    care: 'granules',
    fields: [
      num('n-pct', '%', 15, [1, 60]),
      num('active-pct', '%', 0.2, [0.001, 10]),
      num('n-low', 'lb N/1000 ft²', 0.5, [0, 2]),
      num('n-high', 'lb N/1000 ft²', 1, [0.05, 2]),
      num('active-low', 'lb a.i./A', 0.3, [0, 20]),
      num('active-high', 'lb a.i./A', 0.4, [0.001, 20]),
      num('active-used', 'lb a.i./A', 0, [0, 20]),
      num('active-year', 'lb a.i./A', combinationCaps.imidaclopridYear, [0.001, 40]),
    ],
    compute: (v) => {
      const result = combination({
        nPct: v.num('n-pct'),
        activePct: v.num('active-pct'),
        nWindow: [v.num('n-low'), v.num('n-high')],
        activeWindow: [v.num('active-low'), v.num('active-high')],
        activeUsed: v.num('active-used'),
        activeYear: v.num('active-year'),
      });
      if (result.rate) {
        const [low, high] = result.rate;
        const n = v.num('n-pct') / 100;
        const active = (v.num('active-pct') / 100) * THOUSANDS_PER_ACRE;
        return {
          figures: [
            figure('rate-low', low, 'lb/1000 ft²', 3, true),
            figure('rate-high', high, 'lb/1000 ft²', 3, true),
            figure('n-at-low', low * n, 'lb N/1000 ft²', 3),
            figure('n-at-high', high * n, 'lb N/1000 ft²', 3),
            figure('active-at-low', low * active, 'lb a.i./A', 4),
            figure('active-at-high', high * active, 'lb a.i./A', 4),
          ],
          notes: [note('calc-combination-fits', 'good'), note('calc-combination-bloom', 'caution')],
        };
      }
      return {
        figures: [
          figure('active-at-n', result.activeAtNitrogen, 'lb a.i./A', 4),
          figure('n-at-active', result.nitrogenAtActive, 'lb N/1000 ft²', 3),
          figure('needed-low', result.neededPct[0], '%', 4),
          figure('needed-high', result.neededPct[1], '%', 4),
        ],
        notes: [note('calc-combination-none', 'stop')],
      };
    },
    source: MEMORY,
  },
  {
    slug: 'iron',
    group: 'feed',
    care: 'spray',
    fields: [
      num('iron-rate', 'oz/1000 ft²', ferrousSulfate.usualOz, [0.1, 16]),
      num('iron-pct', '%', 100 * ferrousSulfate.iron, [1, 30]),
      num('area', 'ft²', 5000, [10, 2_000_000]),
      num('carrier', 'gal/1000 ft²', 3, [0.5, 10]),
      num('air-high', '°F', 78, [20, 120]),
    ],
    compute: (v) => {
      const rate = v.num('iron-rate');
      const iron = (rate * v.num('iron-pct')) / 100;
      const hot =
        rate > ferrousSulfate.mostOz || (rate > ferrousSulfate.usualOz && v.num('air-high') >= 85);
      return {
        figures: [
          figure('total-oz', (rate * v.num('area')) / 1000, 'oz', 1, true),
          figure('iron', iron, 'oz Fe/1000 ft²', 2),
          figure('iron-acre', (iron * THOUSANDS_PER_ACRE) / 16, 'lb Fe/A', 3),
          figure('water', (v.num('carrier') * v.num('area')) / 1000, 'gal', 1),
        ],
        notes: [
          ...(hot ? [note('calc-iron-blackens', 'stop')] : []),
          note('calc-iron-stains', 'caution'),
        ],
      };
    },
    source: MEMORY,
  },
];
