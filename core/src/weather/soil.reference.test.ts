/**
 * Worked examples of the soil model, its calibration and the crossing rule. Form: Zheng, Hunt &
 * Running 1993, Climate Research 2:183-191; calibration: standard estimation theory; digits computed
 * apart in double precision.
 */
import {
  crossing,
  dailyMeanFromReading,
  driftingBias,
  fiveDayMean,
  responseAtDepth,
  soilTemperature,
} from '.';

const AIR = [48, 52, 55, 61, 58, 50, 47, 56, 63, 66];
const run = (offset: number, response: number, warming = 1) =>
  soilTemperature(
    AIR.map((air) => air + offset),
    { response, startF: 46, warming, freezeRule: false },
  );

describe('the running model on ten days', () => {
  it.each([
    [
      '4 in in sun',
      run(1.5, 0.2),
      [46.7, 48.06, 49.75, 52.3, 53.74, 53.29, 52.33, 53.37, 55.59, 57.97],
    ],
    [
      'EX-2.3: 4 in in shade',
      run(-2, 0.2),
      [46, 46.8, 48.04, 50.23, 51.39, 50.71, 49.57, 50.45, 52.56, 54.85],
    ],
    [
      'EX-2.3: 2 in in sun',
      run(1.5, 0.3),
      [47.05, 48.99, 51.24, 54.62, 56.08, 54.71, 52.85, 54.24, 57.32, 60.37],
    ],
    [
      'canopy form',
      run(0, 0.25, Math.exp(-0.9)),
      [46.2, 46.79, 47.63, 48.99, 49.9, 49.91, 49.18, 49.88, 51.21, 52.71],
    ],
  ])('%s', (_, got, expected) => {
    expected.forEach((value, day) =>
      expect(Math.abs((got[day] as number) - value)).toBeLessThan(0.006),
    );
  });

  it('steps towards constant air as 1 − (1 − α)^n', () => {
    const soil = soilTemperature(
      Array.from({ length: 8 }, () => 60),
      { response: 0.3, startF: 40 },
    );
    expect(soil[7]).toBeCloseTo(40 + 20 * (1 - 0.7 ** 8), 9);
  });
  it('moves at most 0.3 °F a day while the ground freezes', () => {
    const soil = soilTemperature([10, 10, 10], { response: 0.3, startF: 32 });
    expect(soil).toEqual([31.7, expect.closeTo(31.4, 9), expect.closeTo(31.1, 9)]);
  });
  it('answers faster near the surface', () => {
    expect(responseAtDepth(2)).toBe(0.3);
    expect(responseAtDepth(5)).toBeCloseTo(0.175, 9);
    expect(responseAtDepth(30)).toBe(0.1);
  });
});

describe('the five-day crossing rule', () => {
  const run5 = (value: number) => Array.from({ length: 5 }, () => value);
  const means = fiveDayMean(run(1.5, 0.2));
  it('EX-2.10: gives the means of days 5 to 10', () => {
    expect(means.slice(0, 4)).toEqual([null, null, null, null]);
    [50.11, 51.43, 52.28, 53.01, 53.66, 54.51].forEach((value, i) =>
      expect(Math.abs((means[4 + i] as number) - value)).toBeLessThan(0.006),
    );
  });
  it('crosses 53 °F on day 8, confirmed on day 10, and 55 °F not yet', () => {
    expect(crossing(means, 53, 'rising', { confirmDays: 3 })).toBe(7);
    expect(crossing(means, 55, 'rising', { confirmDays: 3 })).toBeNull();
  });
  it('takes a crossing back when a cold spell undoes it, and waits for the lasting one', () => {
    const spring = [...run5(56), ...run5(50), ...run5(58), ...run5(60)];
    expect(crossing(spring, 55, 'rising')).toBe(10);
    const dip = [50, ...run5(56), 54, 54, ...run5(57)];
    expect(crossing(dip, 55, 'rising')).toBe(1);
    expect(crossing([...run5(74), ...run5(69), ...run5(75), ...run5(68)], 70, 'falling')).toBe(15);
  });
  it('has no crossing where the soil was never on the other side: warm winters, cool summers', () => {
    expect(crossing([...run5(60), ...run5(63)], 55, 'rising')).toBeNull();
    expect(crossing([...run5(60), ...run5(54)], 70, 'falling')).toBeNull();
    // Seen in the days before the window, it counts.
    expect(crossing([54, ...run5(60), ...run5(63)], 55, 'rising', { from: 1 })).toBe(1);
  });
  it('is not fooled by one hot day', () => {
    const flat = Array.from({ length: 20 }, (_, i) => (i === 10 ? 70 : 50));
    expect(Math.max(...fiveDayMean(flat).filter((v) => v !== null))).toBeCloseTo(54, 9);
    expect(crossing(fiveDayMean(flat), 55, 'rising')).toBeNull();
  });
});

describe('calibration with a probe', () => {
  const readings = [
    { residualF: 2.4, spots: 5, spotSdF: 1.2, day: 3 },
    { residualF: 1.6, spots: 5, spotSdF: 0.9, day: 10 },
    { residualF: 3.1, spots: 3, spotSdF: 1.5, day: 17 },
  ];
  it('EX-2.4: readings of one day are a shrunken mean', () => {
    const steps = driftingBias(readings.map((reading) => ({ ...reading, day: 0 })));
    const last = steps[steps.length - 1]!;
    expect(last.biasF).toBeCloseTo(2.121, 3);
    expect(last.variance).toBeCloseTo(0.1853, 4);
  });
  it('EX-2.5: filters the same readings as they come', () => {
    const steps = driftingBias(readings);
    [2.267, 1.816, 2.312].forEach((b, i) => expect(steps[i]?.biasF).toBeCloseTo(b, 3));
    [0.5081, 0.2784, 0.3859].forEach((p, i) => expect(steps[i]?.variance).toBeCloseTo(p, 4));
    [0.9445, 0.6756, 0.3859].forEach((k, i) => expect(steps[i]?.gain).toBeCloseTo(k, 4));
    [0.771, -0.592, 1.006].forEach((z, i) => expect(steps[i]?.z).toBeCloseTo(z, 3));
  });
  it('asks for a wild reading again and believes the second', () => {
    const wild = { residualF: 25, spots: 5, spotSdF: 1, day: 18 };
    const steps = driftingBias([...readings, wild, { ...wild, day: 19 }]);
    expect(steps.map(({ accepted }) => accepted)).toEqual([true, true, true, false, true]);
  });
  it('EX-2.8: takes the day’s wave out of a 15:00 reading (van Wijk & de Vries 1963): 60.9 → 53.13 °F', () => {
    const wave = {
      surfaceHalfRangeF: 12,
      surfaceMaximumHour: 13.5,
      dampingDepthIn: 0.117265 / 0.0254,
    };
    expect(dailyMeanFromReading(60.9, 15, 2, wave)).toBeCloseTo(53.13, 2);
  });
});
