import { setTimeout as wait } from 'node:timers/promises';
import { Transaction, type Sequelize } from 'sequelize';

/** MariaDB's own numbers: deadlock found, lock wait timed out. Both say to begin again. */
const AGAIN = new Set([1213, 1205]);
const MOST_TRIES = 6;
const LONGEST_PAUSE_MS = 40;

const errno = (error: unknown): number | undefined =>
  (error as { parent?: { errno?: number } } | null)?.parent?.errno;

/**
 * Work in one transaction that is begun again when it lost to another one. It sees what others have
 * committed and locks no gaps: rows that are not there yet are nobody's.
 */
export async function retrying<Value>(
  sequelize: Sequelize,
  work: (transaction: Transaction) => Promise<Value>,
): Promise<Value> {
  for (let tries = 1; ; tries += 1) {
    try {
      return await sequelize.transaction(
        { isolationLevel: Transaction.ISOLATION_LEVELS.READ_COMMITTED },
        work,
      );
    } catch (error) {
      if (tries >= MOST_TRIES || !AGAIN.has(errno(error) ?? 0)) throw error;
      await wait(Math.random() * LONGEST_PAUSE_MS * tries);
    }
  }
}
