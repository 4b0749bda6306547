import {
  comparePh,
  judgeSpots,
  probeVerdict,
  textureFromFeel,
  thatchVerdict,
  yearsPresent,
} from './siteVerdicts';

describe('what readings on site mean (common practice unless said)', () => {
  it.each([
    [7, 'soft', 'adequate'],
    [6, 'hard', 'adequate'],
    [4, 'hard', 'shallow'],
    [2, 'hard', 'blocked'],
    [0.5, 'soft', 'blocked'],
    [3, 'scrape', 'rock'],
    [5, 'wet-foul', 'waterlogged'],
  ] as const)('a rod at %s in that stopped %s: %s', (depth, stop, verdict) =>
    expect(probeVerdict(depth, stop)).toBe(verdict),
  );
  it('allows zoysia and bermuda more thatch than the others', () => {
    expect(thatchVerdict(0.6, 'kentucky-bluegrass')).toBe('too-thick');
    expect(thatchVerdict(0.6, 'zoysia-fine')).toBe('fine');
    expect(thatchVerdict(0.8, 'bermuda-hybrid')).toBe('too-thick');
  });
  it.each([
    [{ ball: false, ribbonIn: 0, grit: 'gritty' }, 'sand'],
    [{ ball: true, ribbonIn: 0, grit: 'gritty' }, 'loamy-sand'],
    [{ ball: true, ribbonIn: 0.6, grit: 'gritty' }, 'sandy-loam'],
    [{ ball: true, ribbonIn: 0.6, grit: 'smooth' }, 'silt-loam'],
    [{ ball: true, ribbonIn: 0.6, grit: 'neither' }, 'loam'],
    [{ ball: true, ribbonIn: 1.5, grit: 'neither' }, 'clay-loam'],
    [{ ball: true, ribbonIn: 2.5, grit: 'gritty' }, 'sandy-clay'],
    [{ ball: true, ribbonIn: 2.5, grit: 'neither' }, 'clay'],
  ] as const)('%o feels like %s (Thien 1979)', (answers, texture) =>
    expect(textureFromFeel(answers)).toBe(texture),
  );
  it('compares pH spots with the best one and does not read the kit’s noise', () => {
    expect(comparePh([6.4, 6.2, 5.2, 5.7], 0, 'tall-fescue')).toMatchObject({
      best: 6.4,
      spots: [
        { verdict: 'same' },
        { verdict: 'same' },
        { verdict: 'finding' },
        { verdict: 'within-kit-error' },
      ],
      bestVerdict: 'fine',
    });
    expect(comparePh([4.2], 0, 'kentucky-bluegrass')!.bestVerdict).toBe('low');
    expect(comparePh([], 0, 'tall-fescue')).toBeNull();
  });
  it('keeps one warm spot of five as a microclimate, never one of four', () => {
    expect(judgeSpots([54.1, 55, 53.6, 54.4, 66]).map(({ outlier }) => outlier)).toEqual([
      false,
      false,
      false,
      false,
      true,
    ]);
    expect(judgeSpots([54, 55, 53, 66]).some(({ outlier }) => outlier)).toBe(false);
    expect(judgeSpots([54, 54, 54, 54, 54]).some(({ outlier }) => outlier)).toBe(false);
    const odd = (values: number[]) => judgeSpots(values).map(({ outlier }) => outlier);
    // A misread spot stands out of three; of two nobody can tell which.
    expect(odd([120, 50, 49])).toEqual([true, false, false]);
    expect(odd([120, 50])).toEqual([false, false]);
    // Spots that agree to the tenth do not make the fifth wrong by a tenth.
    expect(odd([54, 54, 54, 54, 57])).toEqual([false, false, false, false, false]);
    expect(odd([54, 54, 54, 54, 57.1])).toEqual([false, false, false, false, true]);
  });
  it('reads years from a width', () => {
    expect(yearsPresent(6, 'rhizome|stolon')).toEqual([1, 3]);
    expect(yearsPresent(2, 'clump')).toEqual([3, 10]);
    expect(yearsPresent(0.2, 'tuber')).toEqual([1, 1]);
  });
});
