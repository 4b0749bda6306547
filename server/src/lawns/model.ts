import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
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
