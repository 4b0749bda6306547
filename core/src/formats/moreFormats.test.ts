/** GHCN-Daily's layout: readme of NOAA's archive (tenths of °C and mm; attribute columns). */
import { addDays, localDate } from '../units';
import { parseProbeCsv, parseWeatherCsv, writeProbeCsv, writeYearCsv } from '.';

const GHCN_HEAD =
  '"STATION","DATE","LATITUDE","LONGITUDE","ELEVATION","NAME","PRCP","PRCP_ATTRIBUTES","SNWD","SNWD_ATTRIBUTES","TMAX","TMAX_ATTRIBUTES","TMIN","TMIN_ATTRIBUTES","AWND","AWND_ATTRIBUTES"';
const ghcn = (...rows: string[]) => parseWeatherCsv([GHCN_HEAD, ...rows].join('\n'));

describe('a station file of the daily archive', () => {
  it('is known by its headings and read in its own units', () => {
    const { days, errors, gaps } = ghcn(
      '"X1","2026-01-02","40","-80","200","MADE UP","254",",,W","51",",,W","  100",",,W","  -50",",,W","  20",",,W"',
      '"X1","2026-01-01","40","-80","200","MADE UP","0",",,W","",,"   0",",,W"," -100",",,W","",',
    );
    expect(errors).toEqual([]);
    expect(gaps).toBe(0);
    expect(days[0]).toMatchObject({ date: '2026-01-01', tmaxF: 32, tminF: 14, rainIn: 0 });
    expect(days[1]).toMatchObject({ tmaxF: 50, tminF: 23, rainIn: 1 });
    expect(days[1]!.snowIn).toBeCloseTo(2.008, 3);
    expect(days[1]!.windMph).toBeCloseTo(4.474, 3);
  });
  it('counts days without a high as gaps and names a bad figure', () => {
    const { days, errors, gaps } = ghcn(
      '"X1","2026-01-01","40","-80","200","M","0",",","",,"",,"-100",",","",',
      '"X1","2026-01-02","40","-80","200","M","wet",",","",,"0",",","-100",",","",',
    );
    expect(days).toEqual([]);
    expect(gaps).toBe(1);
    expect(errors).toEqual([{ row: 3, column: 'PRCP', message: '"wet" is not a number' }]);
  });
  it('takes one station at a time', () => {
    const row = (id: string) =>
      `"${id}","2026-01-01","4","8","2","M","0",",","",,"0",",","-9",",","",`;
    expect(ghcn(row('A'), row('B')).errors[0]).toMatchObject({ row: 1, column: 'STATION' });
  });
});

describe('hourly weather', () => {
  const hours = (date: string, count = 24) =>
    Array.from(
      { length: count },
      (_, h) => `${date} ${String(h).padStart(2, '0')}:00,${40 + h},0.01,80`,
    );
  it('makes days of it', () => {
    const { days, errors } = parseWeatherCsv(
      ['time,air_f,rain_in,rh_pct', ...hours('2026-04-01'), ...hours('2026-04-02')].join('\n'),
    );
    expect(errors).toEqual([]);
    expect(days).toHaveLength(2);
    expect(days[0]).toMatchObject({ tmaxF: 63, tminF: 40, rhPct: 80 });
    expect(days[0]!.rainIn).toBeCloseTo(0.24, 9);
  });
  it('leaves a short day out, and converts °C and mm', () => {
    const { days, gaps } = parseWeatherCsv(
      ['time,air_f,rain_in,rh_pct', ...hours('2026-04-01', 12)].join('\n'),
    );
    expect([days.length, gaps]).toEqual([0, 1]);
    const metric = parseWeatherCsv(
      [
        'time,air_c,rain_mm',
        ...Array.from({ length: 24 }, (_, h) => `2026-04-01T${h}:00,${h === 12 ? 20 : 10},2.54`),
      ].join('\n'),
    );
    expect(metric.days[0]).toMatchObject({ tmaxF: 68, tminF: 50 });
    expect(metric.days[0]!.rainIn).toBeCloseTo(2.4, 9);
  });
  it('names a bad hour at its row', () => {
    const { errors } = parseWeatherCsv(
      'time,air_f\nnoon,50\n2026-04-01 13:00,\n2026-04-01 14:00,x',
    );
    expect(errors.map(({ row, column }) => [row, column])).toEqual([
      [2, 'time'],
      [3, 'air_f'],
      [4, 'air_f'],
    ]);
  });
});

describe('probe readings', () => {
  const zones = [
    { id: '0190a000-0000-7000-8000-000000000001', name: 'Front' },
    { id: '0190a000-0000-7000-8000-000000000002', name: 'Back' },
  ];
  it('come back as they went out', () => {
    const readings = zones.map(({ id }, index) => ({
      id: `0190a000-0000-7000-8000-00000000001${index}`,
      zoneId: id,
      date: localDate('2026-04-08'),
      hour: 9.5,
      depthIn: 2,
      valuesF: [54.1, 55, 53.6],
    }));
    const { readings: back, errors } = parseProbeCsv(writeProbeCsv(readings, zones), zones);
    expect(errors).toEqual([]);
    expect(back).toEqual(readings.map(({ id: _, ...rest }) => rest));
  });
  it('are refused at their row and column', () => {
    const { errors } = parseProbeCsv(
      'zone,date,hour,depth_in,values_f\nSide,2026-04-08,9,2,54\nBack,2026-02-30,9,2,54\nback,2026-04-08,25,2,54\nBack,2026-04-08,9,2,',
      zones,
    );
    expect(errors.map(({ row, column }) => [row, column])).toEqual([
      [2, 'zone'],
      [3, 'date'],
      [4, 'hour'],
      [5, 'values_f'],
    ]);
  });
});

it('writes a year with the past told from the projection', () => {
  const day = (index: number) => ({
    date: addDays(localDate('2026-04-08'), index),
    measured: index === 0,
    soilF: 50.06,
    soilLowF: null,
    soilHighF: 51,
    airHighF: 60,
    airLowF: 40,
    rainIn: 0.125,
    deficitIn: 0.5,
    growth: 0.333,
    verdicts: [],
  });
  const lines = writeYearCsv([day(0), day(1)]).split('\r\n');
  expect(lines[1]).toBe('2026-04-08,yes,50.1,,51,60,40,0.13,0.5,33');
  expect(lines[2]!.startsWith('2026-04-09,no,')).toBe(true);
});
