import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** A run of bytes of a photo; together, in order of `start`, they are the photo. */
export interface PhotoPieceRow extends Model<
  InferAttributes<PhotoPieceRow>,
  InferCreationAttributes<PhotoPieceRow>
> {
  id: CreationOptional<number>;
  photoId: string;
  start: number;
  bytes: Buffer;
}

export const definePhotoPiece = (sequelize: Sequelize): ModelStatic<PhotoPieceRow> =>
  sequelize.define<PhotoPieceRow>(
    'photo_piece',
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      photoId: { type: DataTypes.UUID, allowNull: false },
      start: { type: DataTypes.INTEGER, allowNull: false },
      bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
    },
    { tableName: 'photo_pieces', underscored: true },
  );
