import type { DailyWeather } from '@alfombra/core';
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** A day of real weather that a company imported for a station. */
export interface StationDayRow extends Model<
  InferAttributes<StationDayRow>,
  InferCreationAttributes<StationDayRow>
> {
  id: CreationOptional<number>;
  companyId: string;
  stationId: string;
  date: string;
  body: DailyWeather;
  updatedAt: CreationOptional<Date>;
}

export function defineStationDay(sequelize: Sequelize): ModelStatic<StationDayRow> {
  return sequelize.define<StationDayRow>(
    'stationDay',
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      companyId: { type: DataTypes.UUID, allowNull: false },
      stationId: { type: DataTypes.STRING(60), allowNull: false },
      date: { type: DataTypes.DATEONLY, allowNull: false },
      body: { type: DataTypes.JSON, allowNull: false },
      updatedAt: DataTypes.DATE,
    },
    { tableName: 'station_days', underscored: true },
  );
}

/** How often a company has taken in weather for a station; raised with the days themselves. */
export interface StationVersionRow extends Model<
  InferAttributes<StationVersionRow>,
  InferCreationAttributes<StationVersionRow>
> {
  companyId: string;
  stationId: string;
  version: number;
}

export const defineStationVersion = (sequelize: Sequelize): ModelStatic<StationVersionRow> =>
  sequelize.define<StationVersionRow>(
    'station_version',
    {
      companyId: { type: DataTypes.UUID, primaryKey: true },
      stationId: { type: DataTypes.STRING(60), primaryKey: true },
      version: { type: DataTypes.INTEGER, allowNull: false },
    },
    { tableName: 'station_versions', underscored: true },
  );
