import {
  addDays,
  meanAir,
  pastYear,
  yearOf,
  type DailyWeather,
  type LocalDate,
  type WeatherBundle,
  type WeatherImportResult,
} from '@alfombra/core';
import { parseWeatherCsv } from '@alfombra/core/service';
import { col, fn, Op, where } from 'sequelize';
import { HttpFailure } from '../http/failure';
import { retrying } from '../database/retrying';
import type { Models } from '../models';
import { askThread, startThread } from '../threads/thread';
import type { WeatherStation } from '../standins/weatherStation';

/** A year with fewer days of its own than this is not whole. */
const WHOLE_YEAR_DAYS = 350;
const MOST_PAST_YEARS = 20;
const MOST_ERRORS = 200;

/** A file of more letters than this, some years of days, is read in a thread of its own. */
const LONG_FILE = 20_000;
const READ_WITHIN_MS = 60_000;
/** Days written before somebody else's request may come in between. */
const ROWS_AT_ONCE = 100;

type WeatherImport = ReturnType<typeof parseWeatherCsv>;

async function readCsv(csv: string): Promise<WeatherImport> {
  if (csv.length <= LONG_FILE) return parseWeatherCsv(csv);
  const thread = startThread(new URL('./csvWorker.ts', import.meta.url));
  try {
    return await askThread<WeatherImport>(thread, csv, READ_WITHIN_MS);
  } finally {
    await thread.terminate();
  }
}

export class WeatherService {
  constructor(
    private readonly models: Models,
    private readonly stations: ReadonlyMap<string, WeatherStation>,
  ) {}

  has(stationId: string): boolean {
    return this.stations.has(stationId);
  }

  private station(stationId: string): WeatherStation {
    const station = this.stations.get(stationId);
    if (!station) throw new HttpFailure('not-found', 'There is no such weather station.');
    return station;
  }

  /** The year at a station as it stands on a day; imported days take the place of made-up ones. */
  async bundle(companyId: string, stationId: string, today: LocalDate): Promise<WeatherBundle> {
    const station = this.station(stationId);
    const imported = await this.imported(
      companyId,
      stationId,
      `${yearOf(today)}-01-01`,
      addDays(today, 1),
    );
    const real = new Map(imported.map((day) => [day.date, day]));
    const days = station.measured(today).map((day) => real.get(day.date) ?? day);
    return {
      station: {
        id: station.id,
        name: station.name,
        region: station.region,
        latitude: station.latitude,
        standIn: station.standIn && real.size < days.length,
      },
      today,
      days,
      forecast: station.forecast(today),
      climate: station.climate(),
      past: await this.past(companyId, station, yearOf(today)),
    };
  }

  /** Years before one: the company's own where it took in a whole year, else the station's. */
  private async past(
    companyId: string,
    station: WeatherStation,
    before: number,
  ): Promise<WeatherBundle['past']> {
    const normal = station.climate().map(meanAir);
    const own: WeatherBundle['past'] = [];
    // A year at a time: twenty at once would hold everybody else's requests for as long as they are read.
    for (const year of await this.wholeYears(companyId, station.id, before)) {
      const days = await this.imported(companyId, station.id, `${year}-01-01`, `${year + 1}-01-01`);
      own.push(pastYear(year, days, normal));
    }
    const taken = new Set(own.map(({ year }) => year));
    return [...own, ...station.past(before).filter(({ year }) => !taken.has(year))].slice(
      0,
      MOST_PAST_YEARS,
    );
  }

  /** The latest years before one of which a company has taken in nearly every day, in their order. */
  private async wholeYears(
    companyId: string,
    stationId: string,
    before: number,
  ): Promise<readonly number[]> {
    const year = fn('YEAR', col('date'));
    const rows = (await this.models.stationDays.findAll({
      where: { companyId, stationId, date: { [Op.lt]: `${before}-01-01` } },
      attributes: [[year, 'year']],
      group: [year],
      having: where(fn('COUNT', col('date')), Op.gte, WHOLE_YEAR_DAYS),
      order: [[year, 'DESC']],
      limit: MOST_PAST_YEARS,
      raw: true,
    })) as unknown as readonly { year: number }[];
    return rows.map((row) => Number(row.year)).reverse();
  }

  /** Days that a company has taken in, in their order: from one on, before another. */
  private async imported(
    companyId: string,
    stationId: string,
    from: string,
    before: string,
  ): Promise<DailyWeather[]> {
    const rows = await this.models.stationDays.findAll({
      where: { companyId, stationId, date: { [Op.gte]: from, [Op.lt]: before } },
      attributes: ['body'],
      order: [['date', 'ASC']],
      raw: true,
    });
    // Read without a model, a body may come as the text that it is kept as.
    return rows.map(({ body }: { body: DailyWeather | string }) =>
      typeof body === 'string' ? (JSON.parse(body) as DailyWeather) : body,
    );
  }

  /** How often a company has taken in weather, by station; what was never touched is at 0. */
  async versions(companyId: string): Promise<ReadonlyMap<string, number>> {
    const rows = await this.models.stationVersions.findAll({ where: { companyId }, raw: true });
    return new Map(rows.map(({ stationId, version }) => [stationId, version]));
  }

  /** Takes a file of daily weather; with any fault in it nothing is kept. */
  async importCsv(
    companyId: string,
    stationId: string,
    csv: string,
    keep: boolean,
    today: LocalDate,
  ): Promise<WeatherImportResult> {
    this.station(stationId);
    const { days, errors, gaps } = await readCsv(csv);
    const ahead = days.find(({ date }) => date > today);
    if (ahead) {
      errors.push({ row: 1, column: 'date', message: `${ahead.date} is after today (${today})` });
    }
    const kept = keep && errors.length === 0 && days.length > 0;
    if (kept) {
      await retrying(this.models.sequelize, async (transaction) => {
        // Raised first, which also makes two imports of one station wait for each other.
        const at = { companyId, stationId };
        const [row] = await this.models.stationVersions.findOrCreate({
          where: at,
          defaults: { ...at, version: 0 },
          transaction,
        });
        await row.increment('version', { transaction });
        for (let from = 0; from < days.length; from += ROWS_AT_ONCE) {
          await this.models.stationDays.bulkCreate(
            days
              .slice(from, from + ROWS_AT_ONCE)
              .map((day) => ({ companyId, stationId, date: day.date, body: day })),
            { updateOnDuplicate: ['body', 'updatedAt'], transaction },
          );
        }
      });
    }
    return {
      days: days.length,
      from: days[0]?.date ?? null,
      to: days[days.length - 1]?.date ?? null,
      kept,
      gaps,
      // A file of a hundred thousand faults is no file of weather; the first of them say so.
      errors: errors.slice(0, MOST_ERRORS),
    };
  }
}
