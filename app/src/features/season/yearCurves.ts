import type { YearView } from '@/workers/yearView';

/** One curve of the year: its values a day, its band, the lines that matter and its scale. */
export interface CurveData {
  values: readonly (number | null)[];
  low?: readonly (number | null)[];
  high?: readonly (number | null)[];
  lines: readonly number[];
  unit: string;
  digits: number;
  from: number;
  to: number;
}

const extent = (series: readonly (readonly (number | null)[])[]): [number, number] => {
  const known = series.flat().filter((value): value is number => value !== null);
  return [Math.min(...known), Math.max(...known)];
};

function soil(year: YearView): CurveData {
  const values = year.days.map(({ soilF }) => soilF);
  const low = year.days.map(({ soilLowF }) => soilLowF);
  const high = year.days.map(({ soilHighF }) => soilHighF);
  const [least, most] = extent([values, low, high]);
  return {
    values,
    low,
    high,
    lines: [50, 55, 70],
    unit: '°F',
    digits: 0,
    from: Math.min(30, least) - 2,
    to: Math.max(80, most) + 2,
  };
}

const deepSoil = (year: YearView): CurveData => ({
  ...soil(year),
  values: year.soil4F,
  low: [],
  high: [],
  lines: [45, 55, 65],
});

/** Days either side over which a projection is drawn smooth: the eye wants the season, not the dice. */
const SMOOTH_DAYS = 8;

/** The measured part as it is, the projection as a running mean that narrows towards today. */
const smooth = (values: readonly number[], measuredDays: number): number[] =>
  values.map((value, index) => {
    const reach = Math.min(SMOOTH_DAYS, index - measuredDays, values.length - 1 - index);
    if (reach <= 0) return value;
    const around = values.slice(index - reach, index + reach + 1);
    return around.reduce((sum, own) => sum + own, 0) / around.length;
  });

const water = (year: YearView): CurveData => ({
  values: smooth(
    year.days.map(({ deficitIn }) => deficitIn),
    year.measuredDays,
  ),
  low: smooth(year.deficitLowIn, year.measuredDays),
  high: smooth(year.deficitHighIn, year.measuredDays),
  lines: [year.readilyIn],
  unit: 'in',
  digits: 2,
  from: 0,
  to: year.totalIn * 1.05,
});

const growth = (year: YearView): CurveData => ({
  values: year.days.map(({ growth: share }) => share * 100),
  lines: [10, 50],
  unit: '%',
  digits: 0,
  from: 0,
  to: 105,
});

const air = (year: YearView): CurveData => {
  const values = year.days.map(({ airHighF }) => airHighF);
  const [least, most] = extent([values]);
  return {
    values,
    lines: [85, 95],
    unit: '°F',
    digits: 0,
    from: Math.min(20, least),
    to: Math.max(100, most + 2),
  };
};

const rain = (year: YearView): CurveData => {
  let sum = 0;
  const values = year.days.map(({ rainIn }, index) =>
    index < year.measuredDays ? (sum += rainIn) : null,
  );
  return { values, lines: [], unit: 'in', digits: 1, from: 0, to: Math.max(4, sum * 1.1) };
};

/** What the strip of the year can show. */
export const YEAR_CURVES = { soil, deepSoil, water, growth, air, rain } as const;
export type YearCurve = keyof typeof YEAR_CURVES;
export const YEAR_CURVE_NAMES = Object.keys(YEAR_CURVES) as YearCurve[];
