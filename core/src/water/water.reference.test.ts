/**
 * Water of a lawn: Christiansen 1942, the Irrigation Association's scheduling multiplier (2005) and
 * FAO-56's one-layer balance, worked by hand.
 */
import fc from 'fast-check';
import {
  adjustedShare,
  catchCans,
  cycleSoak,
  intakeOf,
  rateFromFlow,
  rootZone,
  runTime,
  slopeClass,
  soilBalance,
  taperedCupIn,
  tunedRun,
} from '.';

const CANS = [
  0.42, 0.38, 0.55, 0.47, 0.31, 0.5, 0.44, 0.36, 0.48, 0.4, 0.52, 0.29, 0.45, 0.39, 0.53, 0.33,
];

describe('catch cans', () => {
  const caught = catchCans(CANS, 20);
  it('EX-5.1: sixteen cans in 20 minutes', () => {
    expect(caught.meanIn).toBeCloseTo(0.42625, 5);
    expect(caught.uniformity).toBeCloseTo(0.7566, 4);
    expect(caught.christiansen).toBeCloseTo(0.8446, 4);
    expect(caught.rateInPerHour).toBeCloseTo(1.279, 3);
  });
  it('an inch on average, on the driest quarter, and scheduled', () => {
    const minutes = runTime(1, caught.rateInPerHour, caught.uniformity);
    expect(minutes.average).toBeCloseTo(46.92, 2);
    expect(minutes.driestQuarter).toBeCloseTo(62.02, 2);
    expect(minutes.scheduled).toBeCloseTo(54.95, 2);
  });
  it('EX-5.2: rate from a meter, and the depth in a tapered cup', () => {
    expect(rateFromFlow(12, 1000)).toBeCloseTo(1.155, 3);
    expect(rateFromFlow(3, 15 * 15)).toBeCloseTo(1.283, 3);
    expect(taperedCupIn(150, 3.25)).toBeCloseTo(1.103, 3);
    expect(taperedCupIn(100, 4)).toBeCloseTo(0.4856, 4);
  });
  it('equal cans are perfect; fewer than four, or none caught, say so', () => {
    expect(catchCans([1, 1, 1, 1], 10)).toMatchObject({ uniformity: 1, christiansen: 1 });
    expect(() => catchCans([1, 1, 1], 10)).toThrow(RangeError);
    expect(() => catchCans([0, 0, 0, 0], 10)).toThrow(RangeError);
  });
});

describe('cycle and soak', () => {
  it.each([
    ['EX-5.4', 18.75, 1.6, 0.35, 0.1, 4.8, 4, 4.6875, 16.74],
    ['EX-5.5', 18.75, 1.6, 0.2, 0.06, 2.571, 8, 2.34375, 16.41],
    ['EX-5.6', 60, 0.5, 0.35, 0.1, 40, 2, 30, 15],
  ])('%s: %d min at %d in/h', (_, minutes, rate, intake, storage, longest, cycles, each, soak) => {
    const split = cycleSoak(minutes, rate, intake, storage);
    expect(split.longestRun).toBeCloseTo(longest, 2);
    expect(split.cycles).toBe(cycles);
    expect(split.minutesEach).toBeCloseTo(each, 9);
    expect(split.soakMinutes).toBeCloseTo(soak, 1);
  });
  it('runs once where the soil keeps up, and always adds up', () => {
    expect(cycleSoak(30, 0.3, 0.5, 0.1)).toMatchObject({ cycles: 1, soakMinutes: 0 });
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 90, noNaN: true }),
        fc.double({ min: 0.2, max: 2.5, noNaN: true }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (minutes, rate, intake) => {
          const split = cycleSoak(minutes, rate, intake, 0.06);
          expect(split.cycles * split.minutesEach).toBeCloseTo(minutes, 6);
          expect(split.minutesEach).toBeLessThanOrEqual(split.longestRun + 1e-6);
          if (split.cycles > 1) expect(split.soakMinutes).toBeGreaterThanOrEqual(15);
        },
      ),
    );
  });
  it('knows steep clay', () => {
    expect([0, 4, 5, 12, 13].map(slopeClass)).toEqual([0, 0, 1, 2, 3]);
    expect(intakeOf('clay', 15)).toEqual({ intake: 0.05, storage: 0.02 });
  });
});

describe('tuning by the day it wilts', () => {
  it('EX-5.3: 20 min and wilt on day 4 give 30, then 38.18, then stay', () => {
    expect(tunedRun(20, 4)).toBe(30);
    expect(tunedRun(30, 5.5)).toBeCloseTo(38.18, 2);
    expect(tunedRun(38.18, 7)).toBe(38.18);
  });
  it('gets shorter when it lasts, and never runs off', () => {
    expect(tunedRun(40, 10)).toBe(34);
    expect(tunedRun(40, 3, 7, 45)).toBe(45);
  });
});

describe('a root zone', () => {
  it.each([
    [0.14, 6, 0.84, 0.42],
    [0.17, 8, 1.36, 0.68],
    [0.07, 6, 0.42, 0.21],
    [0.05, 4, 0.2, 0.1],
  ])('EX-5.7: %d in/in over %d in', (perIn, depth, total, half) => {
    const zone = rootZone(perIn, depth, 0.5);
    expect(zone.totalIn).toBeCloseTo(total, 9);
    expect(zone.readilyIn).toBeCloseTo(half, 9);
  });
  it('EX-5.9: suffers later when it drinks little', () => {
    expect(adjustedShare(0.4, 0.2)).toBeCloseTo(0.3968, 4);
    expect(adjustedShare(0.4, 0.12)).toBeCloseTo(0.4781, 4);
  });
  it('EX-5.8: ten days on silt loam, watered when it suffers', () => {
    const et = [0.22, 0.24, 0.25, 0.2, 0.18, 0.26, 0.27, 0.25, 0.23, 0.24];
    const days = soilBalance({
      zone: { totalIn: 1.36, readilyIn: 0.68 },
      startIn: 0.2,
      demandIn: et.map((value) => value * 0.8),
      rainIn: [0, 0, 0, 0.45, 0, 0, 0, 0.08, 0, 0],
      irrigation: 'auto',
      efficiency: 0.75,
    });
    [0.376, 0.568, 0.768, 0, 0.144, 0.352, 0.568, 0.768, 0.184, 0.376].forEach((deficit, index) =>
      expect(days[index]!.deficitIn).toBeCloseTo(deficit, 9),
    );
    expect(days[2]!.grossIn).toBeCloseTo(1.024, 3);
    expect(days[3]!.drainageIn).toBeCloseTo(0.29, 9);
    expect(days[7]!.grossIn).toBeCloseTo(1.024, 3);
  });
  it('loses no water and never leaves 0 … total', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            demand: fc.double({ min: 0, max: 0.4, noNaN: true }),
            rain: fc.double({ min: 0, max: 3, noNaN: true }),
            irrigation: fc.double({ min: 0, max: 1, noNaN: true }),
          }),
          { minLength: 1, maxLength: 60 },
        ),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (days, start) => {
          const zone = { totalIn: 1, readilyIn: 0.4 };
          const balance = soilBalance({
            zone,
            startIn: start,
            demandIn: days.map(({ demand }) => demand),
            rainIn: days.map(({ rain }) => rain),
            irrigation: days.map(({ irrigation }) => irrigation),
            efficiency: 1,
          });
          let before = start;
          balance.forEach((day, index) => {
            expect(day.deficitIn).toBeGreaterThanOrEqual(-1e-12);
            expect(day.deficitIn).toBeLessThanOrEqual(zone.totalIn + 1e-12);
            const fell = days[index]!.rain;
            const counted = fell < 0.1 ? 0 : fell;
            const after = day.deficitIn - Math.min(day.irrigationIn, day.deficitIn);
            const change = day.usedIn - counted + day.runoffIn + day.drainageIn - day.irrigationIn;
            expect(after - before).toBeCloseTo(change, 9);
            before = after;
          });
        },
      ),
    );
  });
});
