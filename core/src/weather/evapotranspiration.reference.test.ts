/**
 * Radiation and reference evapotranspiration: examples 8, 9, 10 and 15 of FAO-56 (Allen, Pereira,
 * Raes & Smith 1998), and Hargreaves & Samani 1985 worked by hand.
 */
import fc from 'fast-check';
import {
  referenceEvapotranspiration,
  solarFromRange,
  solarFromSunshine,
  sunOf,
} from './evapotranspiration';

const radians = (degrees: number) => (degrees * Math.PI) / 180;

it('example 8 and 9: 20° S on 3 September', () => {
  const sun = sunOf(-0.35, 246);
  expect(sun.distance).toBeCloseTo(0.985, 3);
  expect(sun.declination).toBeCloseTo(0.12, 3);
  expect(sun.sunset).toBeCloseTo(1.527, 3);
  expect(sun.radiation).toBeCloseTo(32.2, 1);
  expect(sun.daylightHours).toBeCloseTo(11.7, 1);
});
it('example 10: 22.9° S in May, 220 hours of sun in the month', () => {
  const sun = sunOf(radians(-22.9), 135);
  expect(sun.radiation).toBeCloseTo(25.1, 1);
  expect(sun.daylightHours).toBeCloseTo(10.9, 1);
  expect(solarFromSunshine(220 / 31, sun.daylightHours, sun.radiation)).toBeCloseTo(14.5, 1);
});
it('example 15: radiation from the range of the air', () => {
  expect(solarFromRange(26.6, 14.8, 40.6)).toBeCloseTo(22.3, 1);
});
it('EX-2.14: Hargreaves, 26.6/14.8 °C under 40.6 MJ is 5.039 mm', () => {
  const inches = referenceEvapotranspiration(26.6 * 1.8 + 32, 14.8 * 1.8 + 32, 40.6);
  expect(inches * 25.4).toBeCloseTo(5.039, 3);
});
it('EX-2.15: Hargreaves, 90/66 °F at 40° N in mid-July is 0.2386 in', () => {
  const sun = sunOf(radians(40), 196);
  expect(sun.radiation).toBeCloseTo(40.8, 1);
  expect(referenceEvapotranspiration(90, 66, sun.radiation)).toBeCloseTo(0.2386, 4);
});
it('has no negative radiation or use anywhere on earth', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -90, max: 90, noNaN: true }),
      fc.integer({ min: 1, max: 366 }),
      fc.double({ min: -60, max: 100, noNaN: true }),
      (latitude, day, low) => {
        const sun = sunOf(radians(latitude), day);
        expect(sun.radiation).toBeGreaterThanOrEqual(0);
        expect(sun.daylightHours).toBeGreaterThanOrEqual(0);
        expect(sun.daylightHours).toBeLessThanOrEqual(24);
        expect(referenceEvapotranspiration(low + 15, low, sun.radiation)).toBeGreaterThanOrEqual(0);
      },
    ),
  );
});
