import type { Source } from '../knowledge';
import { bulkDensity, sodPalletFt2 } from '../knowledge/amendments';
import { plugOrder, seedInFertilizer, sodOrder } from '../establish/volumes';
import { seedMixRate } from '../establish/seedRate';
import { seedMix, seedMixes } from '../knowledge/seedMixes';
import { choice, figure, note, num, type Calculator } from './calculator';

const MEMORY: Source = { kind: 'memory' };
const COMMON: Source = { kind: 'common-practice' };

/** Seed, sod and plugs. */
export const seedCalculators: readonly Calculator[] = [
  {
    slug: 'seed',
    group: 'seed',
    care: 'seed',
    fields: [
      num('seed-rate', 'lb/1000 ft²', 5, [0.1, 20]),
      num('area', 'ft²', 4200, [1, 2_000_000]),
      num('purity', '%', 98, [10, 100]),
      num('germination', '%', 85, [10, 100]),
    ],
    compute: (v) => {
      const live = (v.num('purity') * v.num('germination')) / 10_000;
      const bulk = v.num('seed-rate') / live;
      const total = (bulk * v.num('area')) / 1000;
      return {
        figures: [
          figure('total', total, 'lb', 2, true),
          figure('per-pass', total / 2, 'lb', 2),
          figure('bulk-rate', bulk, 'lb/1000 ft²', 3),
          figure('live-share', 100 * live, '%', 1),
        ],
        notes: [note('calc-two-pass', 'good')],
      };
    },
    source: { kind: 'derived', ref: 'pure live seed = purity × germination' },
  },
  {
    slug: 'seed-mix',
    group: 'seed',
    care: 'seed',
    fields: [
      choice(
        'mix',
        seedMixes.map(({ slug }) => slug),
        'mix-fescue-bluegrass',
      ),
      choice('seed-use', ['overseed', 'new'], 'overseed'),
      num('area', 'ft²', 4200, [1, 2_000_000]),
      num('purity', '%', 98, [10, 100]),
      num('germination', '%', 85, [10, 100]),
    ],
    compute: (v) => {
      const rate = seedMixRate(
        seedMix(v.choice('mix'))!,
        v.choice('seed-use') as 'overseed' | 'new',
        {
          purity: v.num('purity') / 100,
          germination: v.num('germination') / 100,
        },
      );
      const total = (rate.bulkLbPer1000 * v.num('area')) / 1000;
      return {
        figures: [
          figure('total', total, 'lb', 2, true),
          figure('per-pass', total / 2, 'lb', 2),
          figure('bulk-rate', rate.bulkLbPer1000, 'lb/1000 ft²', 3),
          ...rate.parts.flatMap(({ species, seedsPerFt2, countShare }) => [
            figure(`seeds-${species}`, seedsPerFt2, '/ft²', 0),
            figure(`count-${species}`, 100 * countShare, '%', 0),
          ]),
        ],
        notes: [note('calc-two-pass', 'good'), note('calc-mix-count', 'good')],
      };
    },
    source: COMMON,
  },
  {
    slug: 'sod',
    group: 'seed',
    fields: [
      num('area', 'ft²', 3860, [1, 2_000_000]),
      num('waste', '%', 5, [0, 30]),
      num('pallet', 'ft²', sodPalletFt2.usual, [100, 1000]),
      num('roll', 'ft²', 10, [1, 1000]),
    ],
    compute: (v) => {
      const order = sodOrder(v.num('area'), v.num('waste') / 100, v.num('pallet'), v.num('roll'));
      const over = order.palletsExact - Math.floor(order.palletsExact);
      return {
        figures: [
          figure('pallets', order.pallets, '', 0, true),
          figure('pallets-exact', order.palletsExact, '', 3),
          figure('order', order.orderFt2, 'ft²', 0),
          figure('rolls', order.rolls, '', 0),
        ],
        notes: over > 0 && over < 0.05 ? [note('calc-pallet-just-over', 'caution')] : [],
      };
    },
    source: MEMORY,
  },
  {
    slug: 'plugs',
    group: 'seed',
    fields: [
      num('area', 'ft²', 1000, [1, 200_000]),
      num('plug-spacing', 'in', 12, [3, 36]),
      num('plug-size', 'in', 2, [1, 6]),
      choice('plug-pattern', ['square', 'triangle'], 'square'),
    ],
    compute: (v) => {
      const order = plugOrder(
        v.num('area'),
        v.num('plug-spacing'),
        v.num('plug-size'),
        v.choice('plug-pattern') as 'square' | 'triangle',
      );
      return {
        figures: [
          figure('plugs', order.plugs, '', 0, true),
          figure('sod-needed', order.sodFt2, 'ft²', 0),
        ],
        notes: [],
      };
    },
    source: { kind: 'derived', ref: '144 ÷ spacing²; a triangle holds 1.1547 times as many' },
  },
  {
    slug: 'seed-in-organic',
    group: 'seed',
    care: 'seed',
    fields: [
      num('volume-ratio', ': 1', 4, [0.5, 20]),
      num('organic-density', 'lb/ft³', bulkDensity.organicGranule, [10, 80]),
      num('seed-density', 'lb/ft³', bulkDensity.fescueSeed, [5, 50]),
      num('organic-rate', 'lb/1000 ft²', 12.8, [1, 60]),
      num('seed-wanted', 'lb/1000 ft²', 4, [0.1, 20]),
    ],
    compute: (v) => {
      const mixed = seedInFertilizer(
        v.num('volume-ratio'),
        v.num('organic-density'),
        v.num('seed-density'),
        v.num('organic-rate'),
        v.num('seed-wanted'),
      );
      return {
        figures: [
          figure('seed-carried', mixed.seedLbPer1000, 'lb/1000 ft²', 3, true),
          figure('seed-only', mixed.seedOnlyLbPer1000, 'lb/1000 ft²', 3),
          figure('mass-ratio', mixed.massRatio, ': 1', 2),
        ],
        notes: [
          ...(mixed.seedOnlyLbPer1000 > 0 ? [note('calc-seed-pass', 'caution')] : []),
          note('calc-hopper-parts', 'caution'),
        ],
      };
    },
    source: COMMON,
  },
];
