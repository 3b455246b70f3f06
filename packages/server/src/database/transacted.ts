/** A transaction that is tried again when the database broke it off to undo a deadlock: nothing of it had been kept. */
import type { Transaction } from 'sequelize';
import type { Sequelize } from 'sequelize-typescript';

const TRIES = 5;

const isDeadlock = (error: unknown): boolean => {
  const code = (error as { parent?: { code?: string } } | null)?.parent?.code;
  return code === 'ER_LOCK_DEADLOCK' || code === 'ER_LOCK_WAIT_TIMEOUT';
};

export async function transacted<T>(sequelize: Sequelize, run: (transaction: Transaction) => Promise<T>): Promise<T> {
  for (let tried = 1; ; tried++) {
    try {
      return await sequelize.transaction(run);
    } catch (error) {
      if (tried === TRIES || !isDeadlock(error)) throw error;
    }
  }
}
