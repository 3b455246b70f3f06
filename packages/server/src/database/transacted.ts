/** Transactions: tried again after a deadlock, and honest about a commit whose answer was lost. */
import type { Transaction } from 'sequelize';
import type { Sequelize } from 'sequelize-typescript';
import { isDatabaseAway } from './database-errors.ts';

const MAX_TRIES = 5;

/** The connection was lost during COMMIT: the changes may have been kept, or not. */
export class CommitUnknown extends Error {
  constructor(cause: unknown) {
    super('the connection was lost during COMMIT', { cause });
    this.name = 'CommitUnknown';
  }
}

const isDeadlock = (error: unknown): boolean => {
  const code = (error as { parent?: { code?: string } } | null)?.parent?.code;
  return code === 'ER_LOCK_DEADLOCK' || code === 'ER_LOCK_WAIT_TIMEOUT';
};

/** Runs and commits. After a deadlock nothing was kept, so it runs again. @throws CommitUnknown */
export async function transacted<T>(sequelize: Sequelize, run: (transaction: Transaction) => Promise<T>): Promise<T> {
  for (let tried = 1; ; tried++) {
    const transaction = await sequelize.transaction();
    let result: T;
    try {
      result = await run(transaction);
    } catch (error) {
      // Where the connection is gone the database rolls back by itself.
      await transaction.rollback().catch(() => {});
      if (tried < MAX_TRIES && isDeadlock(error)) continue;
      throw error;
    }
    try {
      await transaction.commit();
      return result;
    } catch (error) {
      if (isDatabaseAway(error)) throw new CommitUnknown(error);
      throw error;
    }
  }
}
