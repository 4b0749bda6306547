import { polygonArea } from '@alfombra/core';
import { walkedOutline, type Fix } from '@alfombra/core/measuring';
import { amountWords, areaDoubt, doubtWords } from '@/features/season/productWords';
import { i18next } from '@/i18n';
import '@/i18n/deepWords';
import { testLawn } from '@/testdata/testLawn';
import { standInWalker } from './locationSource';
import { boxOf } from './usePlanView';

describe('the stand-in walker', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  it('walks round 64 by 38 ft with spikes that are left out', async () => {
    const fixes: Fix[] = [];
    const stop = await standInWalker((fix) => fixes.push(fix));
    jest.advanceTimersByTime(10_000);
    stop();
    const walked = walkedOutline(fixes)!;
    expect(polygonArea(walked.outline) / (64 * 38)).toBeGreaterThan(0.85);
    expect(polygonArea(walked.outline) / (64 * 38)).toBeLessThan(1.15);
    expect(walked.spikes).toBeGreaterThan(0);
    expect(walked.closureFt).toBeLessThan(10);
  });
  it('stops when it is told to', async () => {
    const fixes: Fix[] = [];
    (await standInWalker((fix) => fixes.push(fix)))();
    jest.advanceTimersByTime(5_000);
    expect(fixes).toEqual([]);
  });
});

describe('what the canvas shows', () => {
  it('has room round the shapes, and a plot when there are none', () => {
    expect(boxOf([])).toMatchObject({ width: 100, height: 80 });
    const box = boxOf([
      { x: 0, y: 0 },
      { x: 100, y: 50 },
    ]);
    expect(box.left).toBeLessThan(0);
    expect(box.left + box.width).toBeGreaterThan(100);
    expect(boxOf([{ x: 5, y: 5 }]).width).toBeGreaterThanOrEqual(20);
  });
});

describe('amounts of a zone whose area is not sure', () => {
  const line = {
    slug: 'x',
    name: 'x',
    unit: 'fl oz',
    ratePerAcre: 1,
    ratePer1000: 1,
    total: 10,
    measure: 'fl-oz' as const,
  };
  it('carry both ends of the interval', () => {
    const zone = testLawn().zones[0]!;
    zone.edges[0] = 'assumed';
    const doubt = areaDoubt([zone])!;
    expect(doubt.low).toBeLessThan(1);
    expect(doubt.high - 1).toBeCloseTo(1 - doubt.low, 9);
    const words = doubtWords(i18next.t, line, { low: 0.9, high: 1.1 });
    expect(words).toBe('between 9 and 11 fl oz as the area may be off');
  });
  it.each([
    [8.8, '8.8 fl oz for 6,000 ft²'],
    [0.05, '1 mL for 6,000 ft²'],
    [0.002, 'Too little to measure for 6,000 ft²: mix the least batch of the mix card'],
    [0.0000576, 'Too little to measure for 6,000 ft²: mix the least batch of the mix card'],
  ])('%s fl oz in the unit of a tool that can hold it', (total, words) => {
    expect(amountWords(i18next.t, { ...line, total }, 6000)).toBe(words);
  });
  it('say nothing where nobody measures better, or there is no zone', () => {
    expect(areaDoubt([])).toBeNull();
    const wide = testLawn().zones[0]!;
    const huge = {
      ...wide,
      outline: wide.outline.map(({ x, y }) => ({ x: x * 100, y: y * 100 })),
    };
    expect(areaDoubt([huge])).toBeNull();
  });
});
