import type { SharedReport } from '@alfombra/core';
import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** What a report shows of the lawn: as it was on the day that it was written. */
export type ReportSnapshot = Pick<SharedReport, 'company' | 'technician' | 'lawn' | 'questions'>;

/** The private link of a report: its token's hash, and what the token is made from with the server's key. */
export interface ReportLinkRow extends Model<
  InferAttributes<ReportLinkRow>,
  InferCreationAttributes<ReportLinkRow>
> {
  reportId: string;
  companyId: string;
  nonce: string;
  tokenHash: string;
  shown: ReportSnapshot;
  /** Version of the report that `shown` was taken for. */
  shownVersion: number;
}

export const defineReportLink = (sequelize: Sequelize): ModelStatic<ReportLinkRow> =>
  sequelize.define<ReportLinkRow>(
    'report_link',
    {
      reportId: { type: DataTypes.UUID, primaryKey: true },
      companyId: { type: DataTypes.UUID, allowNull: false },
      nonce: { type: DataTypes.CHAR(32), allowNull: false },
      tokenHash: { type: DataTypes.CHAR(64), allowNull: false, unique: true },
      shown: { type: DataTypes.JSON, allowNull: false },
      shownVersion: { type: DataTypes.INTEGER, allowNull: false },
    },
    { tableName: 'report_links', underscored: true },
  );
