import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import type { LawnRevision, LocalDate } from '@alfombra/core';
import type { PlannedWork } from '@alfombra/core/planning';
import type { LawnWork } from './summarize';

/** A lawn's season as it was worked out, and what it stands on. */
export interface LawnSeasonRow extends Model<
  InferAttributes<LawnSeasonRow>,
  InferCreationAttributes<LawnSeasonRow>
> {
  lawnId: string;
  companyId: string;
  /** Hash of everything that went into it. */
  standsOn: string;
  body: LawnWork;
}

/** Who works out a company's seasons, and until when nobody else does. */
export interface SeasonLeaseRow extends Model<
  InferAttributes<SeasonLeaseRow>,
  InferCreationAttributes<SeasonLeaseRow>
> {
  companyId: string;
  holder: string;
  until: Date;
}

/** A lawn's plan as it was worked out last. */
export interface LawnPlanRow extends Model<
  InferAttributes<LawnPlanRow>,
  InferCreationAttributes<LawnPlanRow>
> {
  lawnId: string;
  companyId: string;
  day: LocalDate;
  works: PlannedWork[];
  /** The question about the lawn, gzipped JSON. */
  asked: Buffer;
  code: string;
  policy: string;
}

/** What moved in a lawn's plan from one working out to the next. */
export interface LawnRevisionRow extends Model<
  InferAttributes<LawnRevisionRow>,
  InferCreationAttributes<LawnRevisionRow>
> {
  id: CreationOptional<number>;
  lawnId: string;
  companyId: string;
  day: LocalDate;
  moves: LawnRevision['moves'];
}

export const defineLawnPlan = (sequelize: Sequelize): ModelStatic<LawnPlanRow> =>
  sequelize.define<LawnPlanRow>(
    'lawn_plan',
    {
      lawnId: { type: DataTypes.UUID, primaryKey: true },
      companyId: { type: DataTypes.UUID, allowNull: false },
      day: { type: DataTypes.DATEONLY, allowNull: false },
      works: { type: DataTypes.JSON, allowNull: false },
      asked: { type: DataTypes.BLOB('medium'), allowNull: false },
      code: { type: DataTypes.CHAR(43), allowNull: false },
      policy: { type: DataTypes.CHAR(43), allowNull: false },
    },
    { tableName: 'lawn_plans', underscored: true },
  );

export const defineLawnRevision = (sequelize: Sequelize): ModelStatic<LawnRevisionRow> =>
  sequelize.define<LawnRevisionRow>(
    'lawn_revision',
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      lawnId: { type: DataTypes.UUID, allowNull: false },
      companyId: { type: DataTypes.UUID, allowNull: false },
      day: { type: DataTypes.DATEONLY, allowNull: false },
      moves: { type: DataTypes.JSON, allowNull: false },
    },
    { tableName: 'lawn_revisions', underscored: true },
  );

export const defineLawnSeason = (sequelize: Sequelize): ModelStatic<LawnSeasonRow> =>
  sequelize.define<LawnSeasonRow>(
    'lawn_season',
    {
      lawnId: { type: DataTypes.UUID, primaryKey: true },
      companyId: { type: DataTypes.UUID, allowNull: false },
      standsOn: { type: DataTypes.CHAR(43), allowNull: false },
      body: { type: DataTypes.JSON, allowNull: false },
    },
    { tableName: 'lawn_seasons', underscored: true },
  );

export const defineSeasonLease = (sequelize: Sequelize): ModelStatic<SeasonLeaseRow> =>
  sequelize.define<SeasonLeaseRow>(
    'season_lease',
    {
      companyId: { type: DataTypes.UUID, primaryKey: true },
      holder: { type: DataTypes.UUID, allowNull: false },
      until: { type: DataTypes.DATE(3), allowNull: false },
    },
    { tableName: 'season_leases', underscored: true },
  );
