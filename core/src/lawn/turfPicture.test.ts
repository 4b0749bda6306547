import { turfPicture } from './turfPicture';

/** Lehmer's generator: the test's own draws. */
function draws(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/** Share of pixels that are greener than they are red or blue. */
function greenShare(green: number, seed = 3): number {
  const { rgb } = turfPicture(draws(seed), green, 160, 120);
  let count = 0;
  for (let at = 0; at < rgb.length; at += 3) {
    if (rgb[at + 1]! > rgb[at]! && rgb[at + 1]! > rgb[at + 2]!) count += 1;
  }
  return count / (rgb.length / 3);
}

it('is greener the more of it lives, and bare without', () => {
  const shares = [0, 0.3, 0.6, 1].map((green) => greenShare(green));
  expect(shares[0]).toBe(0);
  shares.slice(1).forEach((share, index) => expect(share).toBeGreaterThan(shares[index]!));
});

it('is the same for the same seed', () => {
  expect(greenShare(0.5, 8)).toBe(greenShare(0.5, 8));
  expect(greenShare(0.5, 8)).not.toBe(greenShare(0.5, 9));
});
