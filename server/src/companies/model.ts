import type { Company } from '@alfombra/core';
import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

export interface CompanyRow extends Model<
  InferAttributes<CompanyRow>,
  InferCreationAttributes<CompanyRow>
> {
  id: string;
  name: string;
  demo: boolean;
  clock: Company['clock'];
  policy: Company['policy'];
  version: number;
}

export function defineCompany(sequelize: Sequelize): ModelStatic<CompanyRow> {
  return sequelize.define<CompanyRow>(
    'company',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      name: { type: DataTypes.STRING(120), allowNull: false },
      demo: { type: DataTypes.BOOLEAN, allowNull: false },
      clock: { type: DataTypes.JSON, allowNull: false },
      policy: { type: DataTypes.JSON, allowNull: false },
      version: { type: DataTypes.INTEGER, allowNull: false },
    },
    { tableName: 'companies', underscored: true },
  );
}
