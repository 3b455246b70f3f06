/** The open project: design, undo history, and save state. Everything else is derived. */
import { applyEdit, type Design, type Edit, type Problem, type RecordEntry, type Workshop } from '@keen/core';
import type { SetAside } from '../save/outbox.ts';
import { createSlice, isDraft, original, type PayloadAction } from '@reduxjs/toolkit';

export type SaveState =
  | { readonly kind: 'saved'; readonly at: number }
  | { readonly kind: 'unsaved' }
  | { readonly kind: 'saving' }
  /** Kept in this browser; the server is away. */
  | { readonly kind: 'held' }
  /** The answer to a save was lost: the server is asked whether it is saved. */
  | { readonly kind: 'checking' }
  | { readonly kind: 'refused'; readonly problem: Problem }
  | { readonly kind: 'two-versions' };

/** Two versions of one design that cannot be merged. */
export interface TwoVersions {
  readonly theirs: Design;
  readonly revision: number;
  readonly conflicts: readonly string[];
}

interface Step {
  readonly design: Design;
  /** Consecutive edits of one field are one step. */
  readonly key: string;
}

export interface ProjectState {
  readonly id: string;
  readonly demo: boolean;
  readonly design: Design;
  /** Last state agreed with the server. */
  readonly base: { readonly revision: number; readonly design: Design };
  readonly past: readonly Step[];
  readonly future: readonly Design[];
  readonly save: SaveState;
  readonly twoVersions: TwoVersions | null;
  /** Conflicting changes of closed tabs, until a person decides. */
  readonly setAside: readonly SetAside[];
  /** Queued entries the server refuses, and why. */
  readonly refusedEntries: readonly RefusedEntry[];
  readonly record: readonly RecordEntry[];
  /** The server's number of the newest entry known here. */
  readonly sequence: number;
  /** Entries the server has not confirmed. */
  readonly queue: readonly RecordEntry[];
  readonly workshop: Workshop;
  readonly workshopRevision: number;
  /** A one-time notice, with an undo where it makes sense. */
  readonly notice: { readonly text: string; readonly undo: boolean; readonly id: number } | null;
  readonly problem: Problem | null;
}

export type ProjectSlice = { readonly open: ProjectState | null };

const MAX_STEPS = 200;
const CLOSED: ProjectSlice = { open: null };

type Opened = Pick<ProjectState, 'id' | 'demo' | 'design' | 'base' | 'record' | 'queue' | 'workshop' | 'workshopRevision' | 'save'> & {
  readonly sequence?: number;
  readonly setAside?: readonly SetAside[];
};

export const projectSlice = createSlice({
  name: 'project',
  initialState: CLOSED,
  reducers: {
    projectOpened: (_state, { payload }: PayloadAction<Opened>): ProjectSlice => ({
      open: { sequence: 0, setAside: [], refusedEntries: [], ...payload, past: [], future: [], twoVersions: null, notice: null, problem: null },
    }),
    projectClosed: (): ProjectSlice => CLOSED,

    /** An edit by a person. `key` names the field: consecutive edits with one key are one undo step. */
    edited: (state, { payload: { edit, key, notice } }: PayloadAction<{ edit: Edit; key: string; notice?: string }>): ProjectSlice =>
      change(state, (open) => {
        const design = applyEdit(open.design, edit);
        if (design === open.design) return open;
        const last = open.past.at(-1);
        const past = last && key !== '' && last.key === key ? open.past : [...open.past, { design: open.design, key }].slice(-MAX_STEPS);
        return {
          ...open,
          design,
          past,
          future: [],
          save: pending(open),
          notice: notice === undefined ? open.notice : { text: notice, undo: true, id: (open.notice?.id ?? 0) + 1 },
        };
      }),
    /** Leaving a field: the next edit of it is a new step. */
    fieldLeft: (state): ProjectSlice =>
      change(state, (open) => ({ ...open, past: open.past.map((step, index) => (index === open.past.length - 1 ? { ...step, key: '' } : step)) })),
    undone: (state): ProjectSlice =>
      change(state, (open) => {
        const last = open.past.at(-1);
        return last
          ? { ...open, design: last.design, past: open.past.slice(0, -1), future: [open.design, ...open.future], save: pending(open), notice: null }
          : open;
      }),
    redone: (state): ProjectSlice =>
      change(state, (open) => {
        const [next, ...future] = open.future;
        return next ? { ...open, design: next, past: [...open.past, { design: open.design, key: '' }], future, save: pending(open) } : open;
      }),

    saveStarted: (state): ProjectSlice => change(state, (open) => ({ ...open, save: { kind: 'saving' } })),
    saveDone: (state, { payload: { revision, design, at } }: PayloadAction<{ revision: number; design: Design; at: number }>): ProjectSlice =>
      change(state, (open) => ({ ...open, base: { revision, design }, save: open.design === design ? { kind: 'saved', at } : { kind: 'unsaved' } })),
    saveHeld: (state): ProjectSlice => change(state, (open) => ({ ...open, save: { kind: 'held' } })),
    saveUnknown: (state): ProjectSlice => change(state, (open) => ({ ...open, save: { kind: 'checking' } })),
    saveRefused: (state, { payload }: PayloadAction<Problem>): ProjectSlice =>
      change(state, (open) => ({ ...open, save: { kind: 'refused', problem: payload } })),
    /** A change from elsewhere merged with ours; one undo removes ours from it again. */
    merged: (state, { payload: { design, theirs, revision } }: PayloadAction<{ design: Design; theirs: Design; revision: number }>): ProjectSlice =>
      change(state, (open) => ({
        ...open,
        design,
        base: { revision, design: theirs },
        // Earlier steps do not contain their change: going back to one would silently remove it.
        past: [{ design: theirs, key: '' }],
        future: [],
        save: { kind: 'unsaved' },
        notice: { text: 'Changed elsewhere too: both changes are in', undo: false, id: (open.notice?.id ?? 0) + 1 },
      })),
    versionsDiffer: (state, { payload }: PayloadAction<TwoVersions>): ProjectSlice =>
      change(state, (open) => ({ ...open, twoVersions: payload, save: { kind: 'two-versions' } })),
    /** Ours goes on top of theirs; theirs stays in the history. */
    oursKept: (state): ProjectSlice =>
      change(state, (open) =>
        open.twoVersions
          ? { ...open, base: { revision: open.twoVersions.revision, design: open.twoVersions.theirs }, twoVersions: null, save: { kind: 'unsaved' } }
          : open,
      ),
    theirsTaken: (state, { payload: at }: PayloadAction<number>): ProjectSlice =>
      change(state, (open) =>
        open.twoVersions
          ? {
              ...open,
              design: open.twoVersions.theirs,
              base: { revision: open.twoVersions.revision, design: open.twoVersions.theirs },
              past: [...open.past, { design: open.design, key: '' }],
              future: [],
              twoVersions: null,
              save: { kind: 'saved', at },
            }
          : open,
      ),

    entryAdded: (state, { payload }: PayloadAction<RecordEntry>): ProjectSlice =>
      change(state, (open) => ({ ...open, record: [...open.record, payload], queue: [...open.queue, payload] })),
    /** Sent entries as the server keeps them. A known id keeps its first content. */
    recordConfirmed: (state, { payload }: PayloadAction<readonly ConfirmedEntry[]>): ProjectSlice =>
      change(state, (open) => {
        const kept = new Map(payload.map(({ entry }) => [entry.id, entry]));
        return {
          ...open,
          queue: open.queue.filter(({ id }) => !kept.has(id)),
          record: open.record.map((entry) => kept.get(entry.id) ?? entry),
          sequence: advanced(open.sequence, payload),
        };
      }),
    /** Entries of other devices. */
    recordFollowed: (state, { payload: { entries, sequence } }: PayloadAction<{ entries: readonly RecordEntry[]; sequence: number }>): ProjectSlice =>
      change(state, (open) => {
        const known = new Set(open.record.map(({ id }) => id));
        const fresh = entries.filter(({ id }) => !known.has(id));
        return { ...open, sequence: Math.max(open.sequence, sequence), record: fresh.length === 0 ? open.record : [...open.record, ...fresh] };
      }),
    /** A design saved by another device, taken over where nothing of ours is in it. There is no undo, because it would remove theirs. */
    designFollowed: (state, { payload: { design, revision, at } }: PayloadAction<{ design: Design; revision: number; at: number }>): ProjectSlice =>
      change(state, (open) => ({
        ...open,
        design,
        base: { revision, design },
        past: [],
        future: [],
        save: open.save.kind === 'held' ? open.save : { kind: 'saved', at },
      })),
    workshopChanged: (state, { payload: { workshop, revision } }: PayloadAction<{ workshop: Workshop; revision: number }>): ProjectSlice =>
      change(state, (open) => ({ ...open, workshop, workshopRevision: revision })),
    /** Entries the server refuses: not sent again, and kept until a person decides. */
    entriesRefused: (state, { payload }: PayloadAction<readonly RefusedEntry[]>): ProjectSlice =>
      change(state, (open) => ({ ...open, refusedEntries: [...open.refusedEntries, ...payload] })),
    refusedEntriesRemoved: (state, { payload: at }: PayloadAction<number>): ProjectSlice =>
      change(state, (open) => {
        const refused = new Set(open.refusedEntries.map(({ id }) => id));
        const stays = ({ id }: RecordEntry): boolean => !refused.has(id);
        const queue = open.queue.filter(stays);
        const isSaved = queue.length === 0 && open.design === open.base.design;
        return { ...open, refusedEntries: [], queue, record: open.record.filter(stays), save: isSaved ? { kind: 'saved', at } : { kind: 'unsaved' } };
      }),
    setAsideDecided: (state, { payload: session }: PayloadAction<string>): ProjectSlice =>
      change(state, (open) => ({ ...open, setAside: open.setAside.filter((each) => each.session !== session) })),
    problemReported: (state, { payload }: PayloadAction<Problem>): ProjectSlice => change(state, (open) => ({ ...open, problem: payload })),
    problemDismissed: (state): ProjectSlice => change(state, (open) => ({ ...open, problem: null })),
    noticeRead: (state): ProjectSlice => change(state, (open) => ({ ...open, notice: null })),
  },
});

export interface RefusedEntry {
  readonly id: string;
  readonly problem: Problem;
}

export interface ConfirmedEntry {
  readonly sequence: number;
  readonly entry: RecordEntry;
}

/** How far the record is known after these entries: only without a gap, because a gap holds entries of other devices. */
function advanced(from: number, confirmed: readonly ConfirmedEntry[]): number {
  let at = from;
  for (const { sequence } of [...confirmed].sort((a, b) => a.sequence - b.sequence)) if (sequence === at + 1) at = sequence;
  return at;
}

/** Reducers here return the next state; they read the state itself, not a draft, whose parts are never identical to a payload's. */
function change(state: ProjectSlice, by: (open: ProjectState) => ProjectState): ProjectSlice {
  const { open } = isDraft(state) ? (original(state as object) as ProjectSlice) : state;
  return open ? { open: by(open) } : state;
}
/** While two versions conflict nothing is sent. */
const pending = ({ save }: ProjectState): SaveState =>
  save.kind === 'two-versions' || save.kind === 'held' || save.kind === 'checking' || save.kind === 'saving' ? save : { kind: 'unsaved' };

export const {
  projectOpened,
  projectClosed,
  edited,
  fieldLeft,
  undone,
  redone,
  saveStarted,
  saveDone,
  saveHeld,
  saveUnknown,
  saveRefused,
  merged,
  versionsDiffer,
  oursKept,
  theirsTaken,
  entryAdded,
  recordConfirmed,
  recordFollowed,
  designFollowed,
  workshopChanged,
  setAsideDecided,
  entriesRefused,
  refusedEntriesRemoved,
  problemReported: problemReported,
  problemDismissed,
  noticeRead,
} = projectSlice.actions;
