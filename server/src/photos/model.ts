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

/** A photo that has arrived in full, as it was redrawn; without bytes: it was no picture. */
export interface PhotoFileRow extends Model<
  InferAttributes<PhotoFileRow>,
  InferCreationAttributes<PhotoFileRow>
> {
  photoId: string;
  companyId: string;
  size: number;
  bytes: Buffer | null;
}

export const definePhotoFile = (sequelize: Sequelize): ModelStatic<PhotoFileRow> =>
  sequelize.define<PhotoFileRow>(
    'photo_file',
    {
      photoId: { type: DataTypes.UUID, primaryKey: true },
      companyId: { type: DataTypes.UUID, allowNull: false },
      size: { type: DataTypes.INTEGER, allowNull: false },
      bytes: { type: DataTypes.BLOB('medium'), allowNull: true },
    },
    { tableName: 'photo_files', underscored: true },
  );

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
