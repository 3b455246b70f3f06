/**
 * Unsaved work in this browser's IndexedDB: it survives a reload, a crash of the page and a missing server. One row per project and tab; no tab overwrites
 * another's row. What a closed tab left is merged into this tab's row, or set aside until a person decides.
 */
import { designCodec, liftDesign, merge, outcomeOf, recordCodec, VERSION, type Design, type Json, type RecordEntry } from '@keen/core';
import { openDB, type IDBPDatabase } from 'idb';

export interface Held {
  readonly project: string;
  readonly session: string;
  /** Revision the change was made on, and the document of that revision. */
  readonly base: number;
  readonly baseDocument: Json;
  readonly document: Json;
  readonly entries: readonly Json[];
  /** Format version of both documents; absent in rows from before there were two. */
  readonly version?: number;
}

/** A row that was read. */
export interface HeldChange {
  readonly session: string;
  readonly base: { readonly revision: number; readonly design: Design };
  readonly design: Design;
  readonly entries: readonly RecordEntry[];
}

/** A row a person has to decide about: it conflicts with this tab's change, or cannot be read. */
export interface SetAside {
  readonly session: string;
  /** Paths changed differently in both; empty where the row cannot be read. */
  readonly conflicts: readonly string[];
  readonly document: Json;
}

export interface TakenUp {
  /** This tab's row, with what closed tabs left merged in; null where nothing waits. */
  readonly own: HeldChange | null;
  readonly setAside: readonly SetAside[];
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
const rowsOf = async (project: string): Promise<Held[]> => ((await (await database()).getAll(STORE)) as Held[]).filter((row) => row.project === project);

/** Everything that waits of a project, readable or not, for download as a file. */
export const heldDocuments = async (project: string): Promise<Json[]> => (await rowsOf(project)).map(({ document }) => document);

/** Deletes everything that waits of a project, including what other tabs hold. */
export const releaseAll = async (project: string): Promise<void> => {
  for (const { session } of await rowsOf(project)) await release(project, session);
};

/** Number of waiting rows in this browser, of all projects. */
export const waitingCount = async (): Promise<number> => (await database()).count(STORE);

/**
 * Takes over what waits for a project: this tab's row, and those of closed tabs. Rows that merge become this tab's one row, in one transaction; the others
 * stay as they are and are returned as set aside.
 */
export async function takeUp(project: string, session: string): Promise<TakenUp> {
  const gone = new Set<string>();
  // Before the transaction: awaiting anything else would end it.
  for (const row of await rowsOf(project)) if (row.session !== session && (row.session.includes(ASIDE) || (await isGone(row.session)))) gone.add(row.session);
  const transaction = (await database()).transaction(STORE, 'readwrite');
  const all = ((await transaction.store.getAll()) as Held[]).filter((row) => row.project === project);
  const { own, setAside, write, remove } = combined(all, session, gone);
  for (const row of write) await transaction.store.put(row);
  for (const name of remove) await transaction.store.delete([project, name]);
  await transaction.done;
  return { own, setAside };
}

interface Combined extends TakenUp {
  readonly write: readonly Held[];
  readonly remove: readonly string[];
}

/** What becomes of the rows of one project. Pure. */
export function combined(rows: readonly Held[], session: string, gone: ReadonlySet<string>): Combined {
  const setAside: SetAside[] = [];
  const write: Held[] = [];
  const remove: string[] = [];
  const usable: { readonly row: Held; readonly change: HeldChange }[] = [];
  for (const row of rows) {
    if (row.session !== session && !gone.has(row.session)) continue;
    const read = outcomeOf(() => readHeld(row));
    if (read.ok) usable.push({ row, change: read.value });
    else {
      setAside.push({ session: row.session === session ? aside(session) : row.session, conflicts: [], document: row.document });
      // This tab will write under its own name: an unreadable row moves out of the way.
      if (row.session === session) write.push({ ...row, session: aside(session) });
      if (row.session === session) remove.push(session);
    }
  }
  // This tab's row first; then the newest base, so that older changes are applied to newer ones.
  usable.sort((a, b) => Number(b.row.session === session) - Number(a.row.session === session) || b.row.base - a.row.base);
  let own = null as HeldChange | null;
  for (const { row, change } of usable) {
    if (own === null) own = { ...change, session };
    else {
      const { design, conflicts }: Merged = mergedDesign(own, change);
      own = { ...own, design, entries: allEntries(own.entries, change.entries) };
      if (conflicts.length > 0) setAside.push({ session: row.session, conflicts, document: row.document });
      if (conflicts.length > 0) continue;
    }
    if (row.session !== session) remove.push(row.session);
  }
  if (own) write.push(written(rows[0]!.project, own));
  return { own, setAside, write, remove };
}

interface Merged {
  readonly design: Design;
  readonly conflicts: readonly string[];
}

/** One change applied to another; where they conflict, the first alone and the conflicting paths. */
function mergedDesign(own: HeldChange, other: HeldChange): Merged {
  const [mine, theirs] = [designCodec.write(own.design), designCodec.write(other.design)];
  const { merged, conflicts } = merge(designCodec.write(other.base.design), theirs, mine);
  if (conflicts.length > 0) return { design: own.design, conflicts };
  const read = outcomeOf(() => designCodec.read(merged, 'held'));
  return read.ok ? { design: read.value, conflicts: [] } : { design: own.design, conflicts: ['design'] };
}

/** Record entries never conflict. */
function allEntries(own: readonly RecordEntry[], other: readonly RecordEntry[]): readonly RecordEntry[] {
  const known = new Set(own.map(({ id }) => id));
  return [...own, ...other.filter(({ id }) => !known.has(id))];
}

function readHeld({ session, base, baseDocument, document, entries, version = 1 }: Held): HeldChange {
  return {
    session,
    base: { revision: base, design: designCodec.read(liftDesign(baseDocument, version), 'held') },
    design: designCodec.read(liftDesign(document, version), 'held'),
    entries: entries.map((entry) => recordCodec.read(entry, 'held')),
  };
}

const written = (project: string, { session, base, design, entries }: HeldChange): Held => ({
  project,
  session,
  base: base.revision,
  baseDocument: designCodec.write(base.design),
  document: designCodec.write(design),
  entries: entries.map((entry) => recordCodec.write(entry)),
  version: VERSION,
});

const ASIDE = '/aside/';
/** Under this name a row belongs to no tab. */
const aside = (session: string): string => `${session}${ASIDE}${Date.now()}`;

/** This tab's name; a reload keeps it. */
export function sessionName(): string {
  const key = 'keen-session';
  try {
    const known = sessionStorage.getItem(key);
    if (known) return known;
    sessionStorage.setItem(key, fallbackName);
  } catch {
    // Without storage, the tab has a name until it is closed.
  }
  return fallbackName;
}
let fallbackName: string = crypto.randomUUID();

const lockName = (session: string): string => `keen-session-${session}`;

let claimed: Promise<string> | undefined;

/**
 * Holds this tab's lock while it lives, so that another tab can tell a live session from one that is gone. Claimed once for the whole life
 * of the page: what one project left in the outbox is this tab's own when it is opened again. A duplicated tab gets a name of its own.
 */
export const claimSession = (): Promise<string> => (claimed ??= claim());

async function claim(): Promise<string> {
  const session = sessionName();
  if (!('locks' in navigator)) return session;
  const got = await new Promise<boolean>((resolve) => {
    void navigator.locks.request(lockName(session), { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise(() => {}) : undefined;
    });
  });
  if (got) return session;
  fallbackName = crypto.randomUUID();
  try {
    sessionStorage.removeItem('keen-session');
  } catch {
    // Nothing was kept.
  }
  return claim();
}

/** True when no tab of this browser holds the session any more. */
async function isGone(session: string): Promise<boolean> {
  if (!('locks' in navigator)) return false;
  return (await navigator.locks.request(lockName(session), { ifAvailable: true }, (lock) => lock !== null)) as boolean;
}
