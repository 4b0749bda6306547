import * as mariadb from 'mariadb';
import { Sequelize } from 'sequelize';
import type { Config } from '../config';

/** Longest wait for a connection, ms. */
const CONNECT_WITHIN_MS = 20_000;

/** Longest wait for one of the pool's, ms: an answer that says no beats one that comes after a minute. */
const ACQUIRE_WITHIN_MS = 10_000;

/** Opens the pool to MariaDB on loopback. Nothing is sent until the first query. */
export function connect(database: Config['database']): Sequelize {
  return new Sequelize(database.name, database.user, database.password, {
    dialect: 'mariadb',
    dialectModule: mariadb,
    host: '127.0.0.1',
    port: database.port,
    logging: false,
    pool: { max: 10, min: 0, idle: 10_000, acquire: ACQUIRE_WITHIN_MS },
    // The driver gives up after a second, which a busy machine needs to come round to the socket.
    dialectOptions: { connectTimeout: CONNECT_WITHIN_MS },
    define: { underscored: true, charset: 'utf8mb4' },
  });
}
