import {
  yearOf,
  type LocalDate,
  type WeatherBundle,
  type WeatherImportResult,
} from '@alfombra/core';
import { parseWeatherCsv } from '@alfombra/core/service';
import { Op } from 'sequelize';
import { HttpFailure } from '../http/failure';
import type { Models } from '../models';
import type { StationDayRow } from './model';
import type { WeatherStation } from '../standins/weatherStation';

export class WeatherService {
  constructor(
    private readonly models: Models,
    private readonly stations: ReadonlyMap<string, WeatherStation>,
  ) {}

  private station(stationId: string): WeatherStation {
    const station = this.stations.get(stationId);
    if (!station) throw new HttpFailure('not-found', 'There is no such weather station.');
    return station;
  }

  /** The year at a station as it stands on a day; imported days take the place of made-up ones. */
  async bundle(companyId: string, stationId: string, today: LocalDate): Promise<WeatherBundle> {
    const station = this.station(stationId);
    const imported = await this.models.stationDays.findAll({
      where: { companyId, stationId, date: { [Op.between]: [`${yearOf(today)}-01-01`, today] } },
    });
    const real = new Map(imported.map((row) => [row.date, row.body]));
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
      past: station.past(yearOf(today)),
    };
  }

  /** A mark that changes when a company's imported days do. */
  async stamp(companyId: string): Promise<string> {
    const latest = await this.models.stationDays.max<Date | null, StationDayRow>('updatedAt', {
      where: { companyId },
    });
    return latest ? new Date(latest).toISOString() : 'none';
  }

  /** Takes a file of daily weather; with any fault in it nothing is kept. */
  async importCsv(
    companyId: string,
    stationId: string,
    csv: string,
    keep: boolean,
  ): Promise<WeatherImportResult> {
    this.station(stationId);
    const { days, errors } = parseWeatherCsv(csv);
    const kept = keep && errors.length === 0 && days.length > 0;
    if (kept) {
      await this.models.stationDays.bulkCreate(
        days.map((day) => ({ companyId, stationId, date: day.date, body: day })),
        { updateOnDuplicate: ['body', 'updatedAt'] },
      );
    }
    return {
      days: days.length,
      from: days[0]?.date ?? null,
      to: days[days.length - 1]?.date ?? null,
      kept,
      errors,
    };
  }
}
