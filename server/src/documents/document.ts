import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** A row whose content is one JSON body with a version: lawns, visits, records, readings. */
export interface DocumentRow extends Model<
  InferAttributes<DocumentRow>,
  InferCreationAttributes<DocumentRow>
> {
  id: string;
  companyId: string;
  version: number;
  body: object;
  /** Only on documents of a lawn. */
  lawnId: CreationOptional<string>;
  date: CreationOptional<string>;
  updatedAt: CreationOptional<Date>;
}

export type DocumentModel = ModelStatic<DocumentRow>;

/**
 * Defines the model of a document table.
 * @param ofLawn the table has `lawn_id` and `date` beside the body
 */
export function defineDocument(
  sequelize: Sequelize,
  tableName: string,
  { ofLawn }: { ofLawn: boolean },
): DocumentModel {
  return sequelize.define<DocumentRow>(
    tableName,
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      companyId: { type: DataTypes.UUID, allowNull: false },
      version: { type: DataTypes.INTEGER, allowNull: false },
      body: { type: DataTypes.JSON, allowNull: false },
      updatedAt: DataTypes.DATE,
      ...(ofLawn
        ? {
            lawnId: { type: DataTypes.UUID, allowNull: false },
            date: { type: DataTypes.DATEONLY, allowNull: false },
          }
        : {}),
    } as Parameters<typeof sequelize.define<DocumentRow>>[1],
    { tableName, underscored: true },
  );
}
