import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

export interface UserRow extends Model<InferAttributes<UserRow>, InferCreationAttributes<UserRow>> {
  id: string;
  companyId: string;
  name: string;
  email: string;
  role: 'technician' | 'owner';
  licence: string;
  passwordHash: string;
}

export interface SessionRow extends Model<
  InferAttributes<SessionRow>,
  InferCreationAttributes<SessionRow>
> {
  tokenHash: string;
  userId: string;
  expiresAt: Date;
}

export function defineUser(sequelize: Sequelize): ModelStatic<UserRow> {
  return sequelize.define<UserRow>(
    'user',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      companyId: { type: DataTypes.UUID, allowNull: false },
      name: { type: DataTypes.STRING(120), allowNull: false },
      email: { type: DataTypes.STRING(160), allowNull: false },
      role: { type: DataTypes.STRING(20), allowNull: false },
      licence: { type: DataTypes.STRING(60), allowNull: false },
      passwordHash: { type: DataTypes.STRING(255), allowNull: false },
    },
    { tableName: 'users', underscored: true },
  );
}

export function defineSession(sequelize: Sequelize): ModelStatic<SessionRow> {
  return sequelize.define<SessionRow>(
    'session',
    {
      tokenHash: { type: DataTypes.CHAR(64), primaryKey: true },
      userId: { type: DataTypes.UUID, allowNull: false },
      expiresAt: { type: DataTypes.DATE, allowNull: false },
    },
    { tableName: 'sessions', underscored: true },
  );
}
