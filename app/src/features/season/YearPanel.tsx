import { addDays, monthOf, type Step } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { Button, Card, Chip, daySpan, monthName, number, shortDay, Title, Words } from '@/ui';
import { DayCard } from './DayCard';
import { HeatThread } from './HeatThread';
import { YearChart } from './YearChart';
import { YEAR_CURVE_NAMES, type YearCurve } from './yearCurves';
import { yearTable } from './yearTable';
import type { YearView } from '@/workers/yearView';
import { saveFile } from '@/features/plan/saveFile';
import { exchange } from '@/features/property/useExchange';

/** Soil, water, growth and heat of a year; drag to a day to read what may be done on it. */
export function YearPanel({
  year,
  steps,
  name,
}: {
  year: YearView;
  steps: readonly Step[];
  /** Goes into the name of the file. */
  name: string;
}) {
  const { t } = useTranslation();
  const [curve, setCurve] = useState<YearCurve>('soil');
  const [day, setDay] = useState(Math.min(year.measuredDays, year.days.length) - 1);
  const [table, setTable] = useState(false);
  const at = Math.min(day, year.days.length - 1);
  const read = year.days[at]!;
  const open = steps.filter(
    ({ window }) => window.opens <= read.date && read.date <= window.closes,
  );
  return (
    <View className="gap-4 lg:flex-row lg:items-start">
      <View className="gap-4 lg:flex-1">
        <Card>
          <View className="flex-row flex-wrap gap-2">
            {YEAR_CURVE_NAMES.map((slug) => (
              <Chip
                key={slug}
                label={t(`year.curve.${slug}`)}
                chosen={slug === curve}
                onPress={() => setCurve(slug)}
              />
            ))}
          </View>
          <YearChart year={year} curve={curve} day={at} steps={steps} onDay={setDay} />
          <Words size="note" tone="quiet">
            {t(`year.about.${curve}`)}
          </Words>
        </Card>
        <DayCard read={read} open={open} />
      </View>
      <View className="gap-4 lg:flex-1">
        <Thresholds year={year} onDay={(date) => setDay(indexOf(year, date))} />
        <Heat year={year} />
        <Nitrogen year={year} />
        <View className="flex-row gap-2">
          <View className="flex-1">
            <Button
              kind="plain"
              label={table ? t('year.hideTable') : t('year.showTable')}
              onPress={() => setTable(!table)}
              testID="year-table"
            />
          </View>
          <View className="flex-1">
            <Button
              kind="plain"
              label={t('year.csv')}
              onPress={() =>
                void exchange().then(({ writeYearCsv }) =>
                  saveFile(`${name}-year.csv`, 'text/csv', writeYearCsv(year.days)),
                )
              }
            />
          </View>
        </View>
        {table ? <WeekTable year={year} /> : null}
      </View>
    </View>
  );
}

const indexOf = (year: YearView, date: string): number =>
  Math.max(
    0,
    year.days.findIndex((entry) => entry.date >= date),
  );

/** Days on which the soil passes what weeds, grasses and insects go by. */
function Thresholds({ year, onDay }: { year: YearView; onDay: (date: string) => void }) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  const dated = year.thresholds
    .flatMap(({ threshold, crossing }) => (crossing ? [{ threshold, crossing }] : []))
    .sort((a, b) => (a.crossing.date < b.crossing.date ? -1 : 1));
  const coming = dated.filter(({ crossing }) => crossing.date >= addDays(year.today, -14));
  const shown = all ? dated : coming.slice(0, 6);
  return (
    <Card testID="thresholds">
      <Title>{t('year.thresholds')}</Title>
      {shown.map(({ threshold, crossing }) => (
        <View key={threshold.slug} className="flex-row items-start gap-3">
          <View className="min-w-0 flex-1">
            <Words weight="semi">{t(`threshold.${threshold.slug}`)}</Words>
            <Words size="note" tone="second">
              {t(`year.at.${threshold.direction}`, {
                value: threshold.valueF,
                depth: threshold.depthIn,
              })}
            </Words>
          </View>
          <View className="items-end">
            <Pressable
              role="button"
              onPress={() => onDay(crossing.date)}
              className="min-h-[48px] min-w-[48px] items-end justify-center"
            >
              <Words weight="bold" tone="cool" tabular>
                {crossing.measured
                  ? t('year.was', { date: shortDay(crossing.date) })
                  : shortDay(crossing.date)}
              </Words>
            </Pressable>
            {crossing.measured ? null : (
              <Words size="note" tone="second" tabular>
                {daySpan(crossing.early, crossing.late)}
              </Words>
            )}
          </View>
        </View>
      ))}
      <Button
        kind="quiet"
        label={all ? t('common.less') : t('year.allThresholds', { count: dated.length })}
        onPress={() => setAll(!all)}
      />
    </Card>
  );
}

/** Heat summed since a day of the year against the windows that go by it. */
function Heat({ year }: { year: YearView }) {
  const { t } = useTranslation();
  return (
    <Card>
      <Title>{t('year.heat')}</Title>
      {year.degreeDays.map(({ slug, sumFDays, windowFDays, opens, closes }) => (
        <View key={slug} className="gap-1">
          <View className="flex-row gap-3">
            <Words weight="semi" className="flex-1">
              {t(`heat.${slug}`)}
            </Words>
            <Words tabular weight="bold" tone="cool">
              {opens && closes ? daySpan(opens, closes) : opens ? shortDay(opens) : '–'}
            </Words>
          </View>
          <HeatThread sumFDays={sumFDays} windowFDays={windowFDays} />
          <Words size="note" tone="second" tabular>
            {t('year.heatSum', {
              value: number(sumFDays, 0),
              from: number(windowFDays[0], 0),
              to: number(windowFDays[1], 0),
            })}
          </Words>
        </View>
      ))}
    </Card>
  );
}

/** A year's nitrogen over the months, by growth alone. */
function Nitrogen({ year }: { year: YearView }) {
  const { t } = useTranslation();
  const most = Math.max(...year.nitrogenByMonth, 0.01);
  return (
    <Card>
      <Title>{t('year.nitrogen')}</Title>
      <View className="h-[120px] flex-row items-end gap-1">
        {year.nitrogenByMonth.map((lb, index) => (
          <View key={index} className="flex-1 items-center gap-1">
            <View
              className="w-full rounded-sm bg-weld"
              style={{ height: Math.max(2, (80 * lb) / most) }}
            />
            <Words size="note" tone="second" numberOfLines={1} aria-hidden>
              {monthName(index + 1).slice(0, 1)}
            </Words>
            <Words className="sr-only">{`${monthName(index + 1)}: ${number(lb, 2)}`}</Words>
          </View>
        ))}
      </View>
      <Words size="note" tone="second" tabular>
        {t('year.nitrogenMost', {
          month: monthName(year.nitrogenByMonth.indexOf(most) + 1),
          value: number(most, 2),
        })}
      </Words>
      <Words size="note" tone="quiet">
        {t(`year.nitrogenNote.${year.season}`)}
      </Words>
    </Card>
  );
}

/** The year by weeks, for whoever would rather read than look. */
function WeekTable({ year }: { year: YearView }) {
  const { t } = useTranslation();
  const columns = ['week', 'soil', 'air', 'rain', 'deficit', 'growth'] as const;
  const cell = (text: string, key: string, head = false) => (
    <Words
      key={key}
      role={(head ? 'columnheader' : 'cell') as 'cell'}
      size="note"
      tabular
      weight={head ? 'bold' : 'regular'}
      className="flex-1"
    >
      {text}
    </Words>
  );
  return (
    <Card>
      <View role="table" aria-label={t('year.tableTitle')} testID="week-table">
        <View role="row" className="flex-row gap-1 border-b-2 border-line pb-1">
          {columns.map((slug) => cell(t(`year.column.${slug}`), slug, true))}
        </View>
        {yearTable(year).map((row) => (
          <View
            key={row.date}
            role="row"
            className={`flex-row gap-1 py-0.5 ${monthOf(row.date) % 2 === 0 ? 'bg-panel' : ''}`}
          >
            {cell(shortDay(row.date), 'week')}
            {cell(row.soilF === null ? '–' : number(row.soilF, 0), 'soil')}
            {cell(`${number(row.lowF, 0)}–${number(row.highF, 0)}`, 'air')}
            {cell(number(row.rainIn, 1), 'rain')}
            {cell(number(row.deficitIn, 1), 'deficit')}
            {cell(number(row.growth * 100, 0), 'growth')}
          </View>
        ))}
      </View>
    </Card>
  );
}
