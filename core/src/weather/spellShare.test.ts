import { normalDraws, seededRandom } from './seededRandom';
import { spellShare } from './spellShare';

/** Years whose months keep a share of the month before, under the noise of days. */
function yearsThatKeep(share: number, count: number) {
  const draw = normalDraws(seededRandom(7));
  return Array.from({ length: count }, (_, index) => {
    let month = 0;
    const anomalyF = Array.from({ length: 366 }, (_day, day) => {
      if (day % 30 === 0) month = share * month + Math.sqrt(1 - share ** 2) * 5 * draw();
      return month + draw();
    });
    return { year: 2001 + index, anomalyF, rainIn: new Array<number>(366).fill(0) };
  });
}

it('keeps what is usual where no year is known', () => {
  expect(spellShare([])).toBeCloseTo(0.35);
});
it('learns from many years whether a spell lasts', () => {
  expect(spellShare(yearsThatKeep(0, 40))).toBeLessThan(0.15);
  expect(spellShare(yearsThatKeep(0.6, 40))).toBeGreaterThan(0.6);
});
it('trusts few years little', () => {
  const few = spellShare(yearsThatKeep(0, 2));
  expect(few).toBeGreaterThan(0.2);
  expect(few).toBeLessThan(0.36);
});
it('stays a share', () => {
  const years = yearsThatKeep(0.99, 40);
  expect(spellShare(years)).toBeLessThanOrEqual(1);
});
