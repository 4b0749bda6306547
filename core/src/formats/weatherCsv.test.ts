import { parseWeatherCsv } from './weatherCsv';

const parse = (...lines: string[]) => parseWeatherCsv(lines.join('\n'));

it('reads °F and inches, in any order of columns', () => {
  const { days, errors } = parse(
    'tmin_f,date,rain_in,tmax_f',
    '40,2026-04-02,0.1,61',
    '38,2026-04-01,0,58',
  );
  expect(errors).toEqual([]);
  expect(days).toEqual([
    { date: '2026-04-01', tmaxF: 58, tminF: 38, rainIn: 0 },
    { date: '2026-04-02', tmaxF: 61, tminF: 40, rainIn: 0.1 },
  ]);
});

it('counts the days between the first and the last that are missing', () => {
  const days = (...dates: string[]) =>
    parse('date,tmax_f,tmin_f,rain_in', ...dates.map((date) => `${date},61,40,0`));
  expect(days('2026-04-01', '2026-04-02').gaps).toBe(0);
  expect(days('2026-04-01', '2026-04-05').gaps).toBe(3);
  expect(days('2026-04-01').gaps).toBe(0);
});

it('converts °C, mm and m/s by the heading', () => {
  const { days } = parse(
    'date,tmax (°C),tmin_c,rain_mm,rh_pct,wind_ms',
    '2026-07-01,30,20,25.4,70,2',
  );
  expect(days[0]).toMatchObject({ tmaxF: 86, tminF: 68, rainIn: 1, rhPct: 70 });
  expect(days[0]?.windMph).toBeCloseTo(4.47, 2);
});

it('refuses highs of a summer day that only degrees Celsius make sense of', () => {
  const read = (date: string, high: number) =>
    parse('date,tmax_f,tmin_f,rain_in', `${date},${high},18,0`);
  expect(read('2026-07-01', 31)).toMatchObject({
    days: [],
    errors: [
      { row: 2, column: 'tmax', message: '31 °F is no high of a summer day: is the column in °C?' },
    ],
  });
  expect(['2026-06-01', '2026-08-31'].map((day) => read(day, 39.9).errors.length)).toEqual([1, 1]);
  expect(['2026-05-31', '2026-09-01'].map((day) => read(day, 31).errors)).toEqual([[], []]);
  expect(read('2026-07-01', 40).errors).toEqual([]);
});

describe('faults are named at their row', () => {
  it.each([
    ['a missing column', ['date,tmax_f,rain_in', '2026-04-01,50,0'], 1, 'tmin', 'missing'],
    ['no unit', ['date,tmax,tmin_f,rain_in'], 1, 'tmax', 'unit'],
    ['an unknown unit', ['date,tmax_k,tmin_f,rain_in'], 1, 'tmax_k', 'unknown unit'],
    [
      'a duplicate day',
      ['date,tmax_f,tmin_f,rain_in', '2026-04-01,50,40,0', '2026-04-01,51,40,0'],
      3,
      'date',
      'row 2',
    ],
    [
      'no number',
      ['date,tmax_f,tmin_f,rain_in', '2026-04-01,warm,40,0'],
      2,
      'tmax',
      'not a number',
    ],
    ['no value', ['date,tmax_f,tmin_f,rain_in', '2026-04-01,,40,0'], 2, 'tmax', 'no value'],
    [
      'a high below the low',
      ['date,tmax_f,tmin_f,rain_in', '2026-04-01,30,40,0'],
      2,
      'tmaxF',
      'below',
    ],
    [
      'no day of the calendar',
      ['date,tmax_f,tmin_f,rain_in', '2026-02-30,50,40,0'],
      2,
      'date',
      'YYYY-MM-DD',
    ],
    ['an empty file', [''], 1, null, 'empty'],
  ] as const)('%s', (_, lines, row, column, message) => {
    const { errors } = parse(...lines);
    expect(
      errors.some((e) => e.row === row && e.column === column && e.message.includes(message)),
    ).toBe(true);
  });
  it('keeps the good rows beside the bad ones', () => {
    const { days, errors } = parse(
      'date,tmax_f,tmin_f,rain_in',
      '2026-04-01,50,40,0',
      '2026-04-02,x,40,0',
      '2026-04-03,52,41,0',
    );
    expect(days.map((d) => d.date)).toEqual(['2026-04-01', '2026-04-03']);
    expect(errors).toHaveLength(1);
  });
});
