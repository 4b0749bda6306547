import * as mariadb from 'mariadb';
import { Sequelize } from 'sequelize';
import type { Config } from '../config';

/** Opens the pool to MariaDB on loopback. Nothing is sent until the first query. */
export function connect(database: Config['database']): Sequelize {
  return new Sequelize(database.name, database.user, database.password, {
    dialect: 'mariadb',
    dialectModule: mariadb,
    host: '127.0.0.1',
    port: database.port,
    logging: false,
    pool: { max: 10, min: 0, idle: 10_000 },
    define: { underscored: true, charset: 'utf8mb4' },
  });
}
