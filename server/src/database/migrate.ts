import { QueryTypes, type QueryInterface, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations, type Migration } from './migrations';

/** Another server that starts at the same moment is done with the tables by then. */
const LOCK_WITHIN_S = 60;
/** MariaDB's own number: there is an index of this name. */
const INDEX_IS_THERE = 1061;

/** No schema change can be rolled back, so one that was cut off half-way is done again from its beginning. */
function repeatable(tables: QueryInterface): QueryInterface {
  const context = Object.create(tables) as QueryInterface;
  const addIndex = tables.addIndex.bind(tables) as (...index: unknown[]) => Promise<void>;
  context.addIndex = async (...index: unknown[]) => {
    try {
      await addIndex(...index);
    } catch (error) {
      const { errno } = (error as { parent?: { errno?: number } }).parent ?? {};
      if (errno !== INDEX_IS_THERE) throw error;
    }
  };
  return context;
}

/**
 * Brings the schema up to date, one server at a time; does nothing when it is.
 *
 * @returns names of the migrations that were done now
 * @throws Error when another server has held the tables for a minute
 */
export async function migrate(
  sequelize: Sequelize,
  steps: readonly Migration[] = migrations,
): Promise<string[]> {
  const umzug = new Umzug({
    migrations: steps.map(({ name, up }) => ({ name, up })),
    context: repeatable(sequelize.getQueryInterface()),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });
  // A lock of MariaDB belongs to a connection, and a transaction keeps one.
  return sequelize.transaction(async (transaction) => {
    const ask = <Row extends object>(sql: string) =>
      sequelize.query<Row>(sql, { type: QueryTypes.SELECT, transaction });
    const [lock] = await ask<{ got: number | null }>(
      `SELECT GET_LOCK(CONCAT('migrate ', DATABASE()), ${LOCK_WITHIN_S}) AS got`,
    );
    if (Number(lock?.got) !== 1) {
      throw new Error('Another server has been changing the tables for a minute.');
    }
    try {
      return (await umzug.up()).map(({ name }) => name);
    } finally {
      await ask(`SELECT RELEASE_LOCK(CONCAT('migrate ', DATABASE()))`);
    }
  });
}
