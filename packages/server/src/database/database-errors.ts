/** Errors that are the database's state and not the statement's fault. */

/** Refused, lost, shut down, or without a free connection. Names of MariaDB and mysql2. */
const AWAY_CODES = new Set([
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOTFOUND',
  'ER_SERVER_SHUTDOWN',
  'ER_NORMAL_SHUTDOWN',
  'ER_SHUTDOWN_COMPLETE',
  'ER_CON_COUNT_ERROR',
  'ER_TOO_MANY_USER_CONNECTIONS',
  'ER_QUERY_INTERRUPTED',
  'ER_CONNECTION_KILLED',
  'ER_NEW_ABORTING_CONNECTION',
  'ER_ABORTING_CONNECTION',
]);
/** Contention that is over in a moment. */
const BUSY_CODES = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT']);
const FULL_CODES = new Set(['ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ENOSPC', 'EDQUOT']);
const AWAY_NAMES = /^Sequelize(Connection|HostNotFound|HostNotReachable|InvalidConnection|AccessDenied)/;
const AWAY_MESSAGES =
  /ECONNREFUSED|ECONNRESET|EPIPE|PROTOCOL_CONNECTION_LOST|closed state|connection is closed|Connection lost|connection manager was closed|Pool (is|was)|has been ended by the other party|server has gone away|Server shutdown in progress/i;

interface Coded {
  readonly name?: string;
  readonly message?: string;
  readonly code?: string;
  readonly parent?: unknown;
  readonly cause?: unknown;
}

/** An error with what it was made from, the outermost first. */
function chain(error: unknown): Coded[] {
  const all: Coded[] = [];
  for (let at = error as Coded | undefined; at && typeof at === 'object' && all.length < 8; at = (at.parent ?? at.cause) as Coded | undefined) all.push(at);
  return all;
}

export const isDatabaseAway = (error: unknown): boolean =>
  chain(error).some(({ name = '', message = '', code = '' }) => AWAY_CODES.has(code) || AWAY_NAMES.test(name) || AWAY_MESSAGES.test(message));

export const isDatabaseBusy = (error: unknown): boolean => chain(error).some(({ code = '' }) => BUSY_CODES.has(code));

export const isDiskFull = (error: unknown): boolean => chain(error).some(({ code = '' }) => FULL_CODES.has(code));
