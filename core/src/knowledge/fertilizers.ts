import type { Source } from './source';

/** A generic granular fertilizer by its grade; no trade product. */
export interface Fertilizer {
  slug: string;
  /** % N, P₂O₅, K₂O by weight. */
  grade: readonly [n: number, p2o5: number, k2o: number];
  /** Share of the nitrogen that is released slowly. */
  slowShare: number;
  /** Salt index of the blend, sodium nitrate = 100, per weight. */
  saltIndex: number;
  bagLb: number;
  organic: boolean;
  source: Source;
}

const MEMORY: Source = { kind: 'memory' };

/** Grades that any supplier has; salt index by the carriers in them. */
export const fertilizers: readonly Fertilizer[] = [
  {
    slug: '24-0-11-half-slow',
    grade: [24, 0, 11],
    slowShare: 0.5,
    saltIndex: 45,
    bagLb: 50,
    organic: false,
    source: MEMORY,
  },
  {
    slug: '25-0-10-quick',
    grade: [25, 0, 10],
    slowShare: 0.2,
    saltIndex: 56,
    bagLb: 50,
    organic: false,
    source: MEMORY,
  },
  {
    slug: '38-0-6-coated',
    grade: [38, 0, 6],
    slowShare: 0.75,
    saltIndex: 34,
    bagLb: 50,
    organic: false,
    source: MEMORY,
  },
  {
    slug: '6-4-0-organic',
    grade: [6, 4, 0],
    slowShare: 0.9,
    saltIndex: 4,
    bagLb: 32,
    organic: true,
    source: MEMORY,
  },
  {
    slug: '18-24-12-starter',
    grade: [18, 24, 12],
    slowShare: 0.2,
    saltIndex: 60,
    bagLb: 50,
    organic: false,
    source: MEMORY,
  },
];

/** The fertilizer of a slug, or `undefined` when there is none. */
export const fertilizer = (slug: string): Fertilizer | undefined =>
  fertilizers.find((entry) => entry.slug === slug);
