/**
 * What is not on the server yet, kept in this browser's IndexedDB: it survives a reload, a crash of
 * the page and a server that is away. One entry for each project and tab.
 */
import { liftDesign, VERSION, type Json } from '@keen/core';
import { openDB, type IDBPDatabase } from 'idb';

export interface Held {
  readonly project: string;
  readonly session: string;
  /** The revision the change was made on, and the document that was. */
  readonly base: number;
  readonly baseDocument: Json;
  readonly document: Json;
  readonly entries: readonly Json[];
  /** Version of the file format both documents are written in; absent in what was held before there were two. */
  readonly version?: number;
}

const STORE = 'held';
let opened: Promise<IDBPDatabase> | undefined;

const database = (): Promise<IDBPDatabase> =>
  (opened ??= openDB('keen-outbox', 1, {
    upgrade(db) {
      db.createObjectStore(STORE, { keyPath: ['project', 'session'] });
    },
  }));

export const hold = async (held: Held): Promise<void> => void (await (await database()).put(STORE, { ...held, version: VERSION }));
export const release = async (project: string, session: string): Promise<void> => (await database()).delete(STORE, [project, session]);
export const heldFor = async (project: string): Promise<Held[]> =>
  ((await (await database()).getAll(STORE)) as Held[]).filter((row) => row.project === project).map(lifted);

/** What was held by an older program is read as this one writes it. */
const lifted = ({ version = 1, ...held }: Held): Held => ({
  ...held,
  baseDocument: liftDesign(held.baseDocument, version) as Json,
  document: liftDesign(held.document, version) as Json,
});

/** This tab's name; a reload keeps it. */
export function sessionName(): string {
  const key = 'keen-session';
  const known = sessionStorage.getItem(key);
  if (known) return known;
  const made = crypto.randomUUID();
  sessionStorage.setItem(key, made);
  return made;
}

const lockName = (session: string): string => `keen-session-${session}`;

/** Holds this tab's lock while it lives, so that another tab can tell a live session from one that is gone. A duplicated tab gets a name of its own. */
export async function claimSession(): Promise<string> {
  const session = sessionName();
  if (!('locks' in navigator)) return session;
  const got = await new Promise<boolean>((resolve) => {
    void navigator.locks.request(lockName(session), { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise(() => {}) : undefined;
    });
  });
  if (got) return session;
  sessionStorage.removeItem('keen-session');
  return claimSession();
}

/** True when no tab of this browser holds the session any more. */
export async function isGone(session: string): Promise<boolean> {
  if (!('locks' in navigator)) return false;
  return (await navigator.locks.request(lockName(session), { ifAvailable: true }, (lock) => lock !== null)) as boolean;
}
