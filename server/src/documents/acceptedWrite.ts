import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** A client's write that was taken: the ledger that makes a repeated one harmless. */
export interface AcceptedWriteRow extends Model<
  InferAttributes<AcceptedWriteRow>,
  InferCreationAttributes<AcceptedWriteRow>
> {
  writeId: string;
  companyId: string;
  documentId: string;
}

export type AcceptedWriteModel = ModelStatic<AcceptedWriteRow>;

export const defineAcceptedWrite = (sequelize: Sequelize): AcceptedWriteModel =>
  sequelize.define<AcceptedWriteRow>(
    'accepted_write',
    {
      writeId: { type: DataTypes.UUID, primaryKey: true },
      companyId: { type: DataTypes.UUID, primaryKey: true },
      documentId: { type: DataTypes.UUID, allowNull: false },
    },
    { tableName: 'accepted_writes', underscored: true },
  );
