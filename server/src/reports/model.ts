import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** The private link of a report. */
export interface ReportLinkRow extends Model<
  InferAttributes<ReportLinkRow>,
  InferCreationAttributes<ReportLinkRow>
> {
  token: string;
  reportId: string;
  companyId: string;
}

export const defineReportLink = (sequelize: Sequelize): ModelStatic<ReportLinkRow> =>
  sequelize.define<ReportLinkRow>(
    'report_link',
    {
      token: { type: DataTypes.STRING(64), primaryKey: true },
      reportId: { type: DataTypes.UUID, allowNull: false, unique: true },
      companyId: { type: DataTypes.UUID, allowNull: false },
    },
    { tableName: 'report_links', underscored: true },
  );
