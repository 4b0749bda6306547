import type { Source } from '../knowledge';
import { granuleJob, nextSetting } from '../rates';
import { effectiveSwath, patternSwaths } from '../rates/spreaderPattern';
import { GRAMS_PER_OUNCE, OUNCES_PER_POUND } from '../units';
import { figure, note, num, series, type Calculator } from './calculator';

const COMMON: Source = { kind: 'common-practice' };
/** A catch within this of the target is left alone, %. */
const CLOSE_PCT = 5;

const off = (got: number, wanted: number) => 100 * (got / wanted - 1);
const settingNote = (error: number) =>
  Math.abs(error) <= CLOSE_PCT ? note('calc-setting-good', 'good') : note('calc-setting-again');

/** Spreaders: what really comes out, how even it is, and how a job is split. */
export const spreadCalculators: readonly Calculator[] = [
  {
    slug: 'spreader-check',
    group: 'spread',
    care: 'granules',
    fields: [
      num('length', 'ft', 50, [5, 1000]),
      num('swath', 'ft', 10, [0.5, 60]),
      num('used', 'lb', 1.62, [0.01, 400]),
      num('target', 'lb/1000 ft²', 3.2, [0.05, 400]),
      num('setting', '', 10, [0.1, 100]),
    ],
    compute: (v) => {
      const rate = (v.num('used') / (v.num('length') * v.num('swath'))) * 1000;
      const error = off(rate, v.num('target'));
      return {
        figures: [
          figure('real-rate', rate, 'lb/1000 ft²', 3, true),
          figure('error', error, '%', 2),
          figure('next-setting', nextSetting(v.num('setting'), rate, v.num('target')), '', 2),
        ],
        notes: [settingNote(error)],
      };
    },
    source: COMMON,
  },
  {
    slug: 'drop-catch',
    group: 'spread',
    care: 'granules',
    fields: [
      num('width', 'ft', 1.75, [0.5, 12]),
      num('length', 'ft', 40, [2, 500]),
      num('caught', 'g', 132, [0.1, 20_000]),
      num('target', 'lb/1000 ft²', 3.5, [0.05, 400]),
      num('setting', '', 10, [0.1, 100]),
    ],
    compute: (v) => {
      const area = v.num('width') * v.num('length');
      const pounds = v.num('caught') / (GRAMS_PER_OUNCE * OUNCES_PER_POUND);
      const rate = (pounds / area) * 1000;
      const error = off(rate, v.num('target'));
      const wanted = ((v.num('target') * area) / 1000) * GRAMS_PER_OUNCE * OUNCES_PER_POUND;
      return {
        figures: [
          figure('real-rate', rate, 'lb/1000 ft²', 3, true),
          figure('wanted-catch', wanted, 'g', 1),
          figure('error', error, '%', 1),
          figure('next-setting', nextSetting(v.num('setting'), v.num('caught'), wanted), '', 2),
        ],
        notes: [settingNote(error)],
      };
    },
    source: COMMON,
  },
  {
    slug: 'pattern',
    group: 'spread',
    fields: [
      series('pans', 'g', '2 5 8 10 11 11 10 9 8 4 2', [0, 10_000], 5),
      num('pan-spacing', 'ft', 2, [0.5, 5]),
    ],
    compute: (v) => {
      const pans = v.list('pans');
      if (pans.every((value) => value === 0)) {
        return { figures: [], notes: [note('calc-nothing-caught', 'stop')] };
      }
      const rows = patternSwaths(pans, v.num('pan-spacing'));
      const swath = effectiveSwath(rows);
      const half = Math.floor(pans.length / 2);
      const sum = (list: number[]) => list.reduce((all, value) => all + value, 0);
      const left = sum(pans.slice(0, half));
      const right = sum(pans.slice(pans.length - half));
      const lean = (100 * (right - left)) / (right + left);
      return {
        figures: [
          ...(swath === null ? [] : [figure('swath', swath, 'ft', 0, true)]),
          ...rows.map(({ swathFt, cvPct }) => figure(`cv-${swathFt}`, cvPct, '%', 1)),
          figure('lean', lean, '%', 0),
        ],
        notes: [
          swath === null ? note('calc-uneven', 'stop') : note('calc-swath', 'good', { swath }),
          ...(Math.abs(lean) > 15 ? [note('calc-leans', 'caution')] : []),
        ],
      };
    },
    source: { kind: 'common-practice', ref: 'even up to a coefficient of variation of 15 %' },
  },
  {
    slug: 'two-pass',
    group: 'spread',
    care: 'granules',
    fields: [
      num('rate', 'lb/1000 ft²', 4, [0.05, 400]),
      num('area', 'ft²', 6800, [10, 2_000_000]),
      num('bag', 'lb', 50, [1, 2000]),
    ],
    compute: (v) => {
      const job = granuleJob(v.num('rate'), v.num('area'), v.num('bag'));
      return {
        figures: [
          figure('total', job.totalLb, 'lb', 2, true),
          figure('per-pass', job.lbPerPass, 'lb', 2),
          figure('bags', job.bags, '', 0),
          figure('bag-covers', job.bagCoversFt2, 'ft²', 0),
          figure('left-over', job.leftOverLb, 'lb', 1),
        ],
        notes: [note('calc-two-pass', 'good')],
      };
    },
    source: COMMON,
  },
];
