import type { LocalDate } from '@alfombra/core';
import type { YearView } from '@/workers/yearView';

export interface WeekRow {
  /** First day of the week. */
  date: LocalDate;
  /** Means of the week, °F; rain is its sum, in; the deficit is that of its last day. */
  soilF: number | null;
  highF: number;
  lowF: number;
  rainIn: number;
  deficitIn: number;
  growth: number;
}

const WEEK = 7;

/** The year by weeks from 1 January; the last row may be short. */
export function yearTable(year: YearView): WeekRow[] {
  const rows: WeekRow[] = [];
  for (let start = 0; start < year.days.length; start += WEEK) {
    const days = year.days.slice(start, start + WEEK);
    const mean = (values: readonly number[]) =>
      values.reduce((sum, value) => sum + value, 0) / values.length;
    const soil = days.flatMap(({ soilF }) => (soilF === null ? [] : [soilF]));
    rows.push({
      date: days[0]!.date,
      soilF: soil.length > 0 ? mean(soil) : null,
      highF: mean(days.map(({ airHighF }) => airHighF)),
      lowF: mean(days.map(({ airLowF }) => airLowF)),
      rainIn: days.reduce((sum, { rainIn }) => sum + rainIn, 0),
      deficitIn: days[days.length - 1]!.deficitIn,
      growth: mean(days.map(({ growth }) => growth)),
    });
  }
  return rows;
}
