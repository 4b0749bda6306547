/** Patrignani & Ochsner 2015 and Karcher & Richardson 2003, with colours worked in the domain notes. */
import fc from 'fast-check';
import { darkGreenIndex, isGreen, PhotoTally } from './photoMeasure';

it.each([
  [[70, 110, 60], true],
  [[190, 180, 110], false],
  [[96, 128, 96], true],
  [[120, 160, 70], true],
  [[128, 100, 68], false],
] as const)('%p is green: %s', ([r, g, b], green) => expect(isGreen(r, g, b)).toBe(green));

it.each([
  [[70, 110, 60], 0.638],
  [[60, 95, 50], 0.644],
  [[120, 160, 70], 0.4182],
  [[190, 180, 110], 0.2779],
] as const)('the index of %p is %s', ([r, g, b], index) =>
  expect(Math.abs(darkGreenIndex(r, g, b) - index)).toBeLessThan(0.0005),
);

/** A picture with an exact share of green pixels, of shade, and of bare soil, each with some noise. */
function picture(green: number, shade: number, pixels = 20_000) {
  let state = 7;
  const random = () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
  const rgba = new Uint8ClampedArray(pixels * 4);
  const noise = () => Math.round((random() - 0.5) * 8);
  for (let pixel = 0; pixel < pixels; pixel += 1) {
    const share = ((pixel * 7919) % pixels) / pixels;
    const [r, g, b] =
      share < green ? [70, 110, 60] : share < green + shade ? [20, 22, 18] : [150, 120, 80];
    rgba.set([r! + noise(), g! + noise(), b! + noise(), 255], pixel * 4);
  }
  return rgba;
}

it('finds the cover of pictures whose cover is known, shade left out', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 0.7, noNaN: true }),
      fc.double({ min: 0, max: 0.25, noNaN: true }),
      (green, shade) => {
        const tally = new PhotoTally();
        tally.add(picture(green, shade));
        const { green: found, shade: dark } = tally.result();
        expect(Math.abs(found! - green / (1 - shade))).toBeLessThan(0.002);
        expect(Math.abs(dark / 20_000 - shade)).toBeLessThan(0.002);
      },
    ),
    { numRuns: 20 },
  );
});

it('finds the colour of a picture whose colour is known', () => {
  const tally = new PhotoTally();
  tally.add(picture(1, 0));
  expect(Math.abs(tally.result().darkGreen! - darkGreenIndex(70, 110, 60))).toBeLessThan(0.01);
});

it('is the same strip by strip as at once, and marks each pixel', () => {
  const rgba = picture(0.4, 0.1);
  const [whole, strips] = [new PhotoTally(), new PhotoTally()];
  const mask = new Uint8Array(20_000);
  whole.add(rgba, mask);
  for (let at = 0; at < rgba.length; at += 4000) strips.add(rgba.subarray(at, at + 4000));
  expect(strips.result()).toEqual(whole.result());
  expect(mask.filter((value) => value === 1).length / whole.result().counted).toBeCloseTo(
    whole.result().green!,
    12,
  );
});

it('says nothing of a picture that is all shade or holds no green', () => {
  const tally = new PhotoTally();
  tally.add(new Uint8ClampedArray(400));
  expect(tally.result()).toEqual({ green: null, darkGreen: null, counted: 0, shade: 100 });
});
