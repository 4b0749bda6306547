import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** What a threshold of the soil is about: it decides its place on a screen and its dye. */
export type ThresholdTopic = 'turf' | 'weed' | 'seed' | 'disease' | 'insect' | 'feeding';

/** A soil temperature at which something begins, read from the five-day mean at a depth. */
export interface SoilThreshold {
  slug: string;
  topic: ThresholdTopic;
  /** Depth that the value is written for, in. */
  depthIn: 2 | 4;
  valueF: number;
  /** Values that other sources give, °F. */
  rangeF: readonly [number, number];
  direction: 'rising' | 'falling';
  /** Days in a row that the mean must hold. */
  confirmDays: number;
  /** Season of the grass it is about; `null`: any lawn. */
  season: 'cool' | 'warm' | null;
  source: Source;
}

const row = (
  slug: string,
  topic: ThresholdTopic,
  depthIn: 2 | 4,
  valueF: number,
  direction: 'rising' | 'falling',
  {
    range = [valueF, valueF],
    days = 5,
    season = null,
  }: {
    range?: readonly [number, number];
    days?: number;
    season?: 'cool' | 'warm' | null;
  } = {},
): SoilThreshold => ({
  slug,
  topic,
  depthIn,
  valueF,
  rangeF: range,
  direction,
  confirmDays: days,
  season,
  source: MEMORY,
});

/**
 * Thresholds of the year at 2 or 4 in. Regional defaults from memory; a calibrated probe moves the
 * day, not the value.
 */
export const soilThresholds: readonly SoilThreshold[] = [
  row('cool-roots-start', 'turf', 4, 40, 'rising', { season: 'cool' }),
  row('knotweed-germinates', 'weed', 2, 40, 'rising', { range: [38, 45] }),
  row('cool-green-up', 'turf', 4, 45, 'rising', { range: [40, 50], season: 'cool' }),
  row('pre-emergent-opens', 'weed', 2, 50, 'rising', { days: 3 }),
  row('cool-seed-spring', 'seed', 2, 50, 'rising', { range: [50, 55], season: 'cool' }),
  row('grubs-move-up', 'insect', 4, 50, 'rising'),
  row('crabgrass-germinates', 'weed', 2, 55, 'rising', { days: 3 }),
  row('nutsedge-emerges', 'weed', 4, 55, 'rising', { range: [50, 60] }),
  row('warm-green-up', 'turf', 4, 55, 'rising', { range: [50, 60], season: 'warm' }),
  row('large-patch-spring', 'disease', 4, 55, 'rising', { range: [55, 65], season: 'warm' }),
  row('foxtail-germinates', 'weed', 2, 58, 'rising', { range: [55, 62] }),
  row('necrotic-ring-spring', 'disease', 2, 58, 'rising', { range: [58, 68], season: 'cool' }),
  row('kyllinga-regrows', 'weed', 4, 60, 'rising', { range: [60, 65] }),
  row('goosegrass-germinates', 'weed', 2, 62, 'rising', { range: [60, 65] }),
  row('spurge-germinates', 'weed', 2, 62, 'rising', { range: [62, 75] }),
  row('crabgrass-peak', 'weed', 2, 63, 'rising', { range: [60, 70] }),
  row('warm-feeding-starts', 'feeding', 4, 65, 'rising', { season: 'warm' }),
  row('warm-seed', 'seed', 2, 65, 'rising', { range: [65, 70], season: 'warm' }),
  row('summer-patch-preventive', 'disease', 2, 65, 'rising', { season: 'cool' }),
  row('chinch-scouting', 'insect', 4, 67, 'rising', { range: [65, 70], season: 'warm' }),
  row('mole-cricket-hatch', 'insect', 4, 72, 'rising', { range: [72, 75], season: 'warm' }),
  row('cool-roots-decline', 'turf', 4, 75, 'rising', { range: [75, 80], season: 'cool' }),
  row('cool-seed-fall', 'seed', 2, 75, 'falling', { range: [60, 75], season: 'cool' }),
  row('warm-overseed', 'seed', 4, 72, 'falling', { range: [65, 72], season: 'warm' }),
  row('annual-bluegrass-germinates', 'weed', 2, 70, 'falling', { days: 3 }),
  row('winter-annuals-germinate', 'weed', 2, 70, 'falling', { range: [60, 70] }),
  row('large-patch-fall', 'disease', 2, 70, 'falling', { range: [65, 75], season: 'warm' }),
  row('spring-dead-spot-first', 'disease', 4, 70, 'falling', { season: 'warm' }),
  row('take-all-falling', 'disease', 4, 70, 'falling', { range: [60, 70], season: 'warm' }),
  row('broadleaf-best', 'weed', 4, 65, 'falling', { range: [45, 65] }),
  row('spring-dead-spot-second', 'disease', 4, 60, 'falling', { season: 'warm' }),
  row('warm-dormancy', 'turf', 4, 55, 'falling', { season: 'warm' }),
  row('grubs-move-down', 'insect', 4, 50, 'falling'),
  row('late-nitrogen-ends', 'feeding', 4, 45, 'falling', { season: 'cool' }),
  row('dormant-seeding', 'seed', 2, 40, 'falling', { days: 7, season: 'cool' }),
  row('cool-dormancy', 'turf', 4, 40, 'falling', { days: 7, season: 'cool' }),
  row('soil-freezes', 'turf', 2, 31, 'falling', { days: 3 }),
];
