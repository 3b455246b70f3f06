/** @jest-environment ./src/test/browser.mjs */
/** Tabs opened, edited, closed and reloaded in any order, online or offline: no edit is ever lost silently. */
import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, test } from '@jest/globals';
import { designCodec, entered, merge, recordCodec, type Design, type Json, type RecordEntry } from '@keen/core';
import fc from 'fast-check';
import { DESIGN } from '../../test/print-room.ts';
import { hold, release, takeUp, waitingCount, type Held } from './outbox.ts';

/** Locks held by open tabs. */
const alive = new Set<string>();
Object.defineProperty(navigator, 'locks', {
  value: { request: (name: string, _options: object, then: (lock: object | null) => unknown) => Promise.resolve(then(alive.has(name) ? null : {})) },
});

const START = designCodec.write(DESIGN);
const PLACES = ['name', 'ink.width', 'ink.height', 'ink.depth'] as const;
type Place = (typeof PLACES)[number];

const read = (document: Json): Design => designCodec.read(document, 'document');
const valueAt = (document: Json, place: Place): string => {
  const design = document as any;
  const [unit, field] = place.split('.');
  return (field === undefined ? design.name : design.units[unit!][field]) as string;
};
const withValue = (document: Json, place: Place, value: string): Json => {
  const copy = JSON.parse(JSON.stringify(document)) as any;
  const [unit, field] = place.split('.');
  if (field === undefined) copy.name = value;
  else copy.units[unit!][field] = value;
  return copy as Json;
};

interface Tab {
  readonly session: string;
  base: { revision: number; document: Json };
  document: Json;
  entries: readonly RecordEntry[];
}

/** A browser with its tabs, and the server it may reach. */
class World {
  readonly tabs = new Map<number, Tab>();
  /** Sessions of closed tabs that a reload restores. */
  private readonly sessions = new Map<number, string>();
  readonly history: Json[] = [START];
  readonly record = new Set<string>();
  readonly superseded = new Set<string>();
  readonly edits: { place: Place; value: string }[] = [];
  readonly facts: string[] = [];
  private count = 0;

  async open(n: number, isReload: boolean): Promise<void> {
    if (this.tabs.has(n)) return;
    const session = (isReload && this.sessions.get(n)) || `s${this.count++}`;
    this.sessions.set(n, session);
    alive.add(`keen-session-${session}`);
    const stored = { revision: this.history.length, document: this.history.at(-1)! };
    const { own } = await takeUp('p', session);
    const tab: Tab = own
      ? {
          session,
          base: { revision: own.base.revision, document: designCodec.write(own.base.design) },
          document: designCodec.write(own.design),
          entries: own.entries,
        }
      : { session, base: stored, document: stored.document, entries: [] };
    this.tabs.set(n, tab);
  }

  async edit(n: number, place: Place): Promise<void> {
    const tab = this.tabs.get(n);
    if (!tab) return;
    const value = place === 'name' ? `name ${this.count++}` : `${500 + this.count++} mm`;
    this.superseded.add(`${place}=${valueAt(tab.document, place)}`);
    tab.document = withValue(tab.document, place, value);
    this.edits.push({ place, value });
    await this.keep(tab);
  }

  async enter(n: number): Promise<void> {
    const tab = this.tabs.get(n);
    if (!tab) return;
    const id = `fact-${this.count++}`;
    tab.entries = [...tab.entries, { id, at: '2026-03-01T09:00:00Z', kind: 'thickness', reading: { product: 'birch-18', value: entered('17.8 mm') } }];
    this.facts.push(id);
    await this.keep(tab);
  }

  close(n: number): void {
    const tab = this.tabs.get(n);
    if (!tab) return;
    alive.delete(`keen-session-${tab.session}`);
    this.tabs.delete(n);
  }

  /** Like the saver: merges on a stale base, and waits for a person where that is impossible. */
  async save(n: number): Promise<void> {
    const tab = this.tabs.get(n);
    if (!tab) return;
    for (const { id } of tab.entries) this.record.add(id);
    tab.entries = [];
    if (tab.base.revision !== this.history.length) {
      const { merged, conflicts } = merge(tab.base.document, tab.document, this.history.at(-1)!);
      if (conflicts.length > 0) return this.keep(tab);
      tab.document = designCodec.write(read(merged));
    }
    this.history.push(tab.document);
    tab.base = { revision: this.history.length, document: tab.document };
    await release('p', tab.session);
  }

  /** Every place where an edit or fact can be. */
  found(rows: readonly Held[]): { readonly lostEdits: readonly unknown[]; readonly lostFacts: readonly string[] } {
    const documents = [...this.history, ...[...this.tabs.values()].map(({ document }) => document), ...rows.map(({ document }) => document)];
    const entries = new Set([
      ...this.record,
      ...rows.flatMap((row) => row.entries.map((entry) => recordCodec.read(entry, 'held').id)),
      ...[...this.tabs.values()].flatMap((tab) => tab.entries.map(({ id }) => id)),
    ]);
    return {
      lostEdits: this.edits.filter(
        ({ place, value }) => !this.superseded.has(`${place}=${value}`) && !documents.some((document) => valueAt(document, place) === value),
      ),
      lostFacts: this.facts.filter((id) => !entries.has(id)),
    };
  }

  private keep({ session, base, document, entries }: Tab): Promise<void> {
    return hold({
      project: 'p',
      session,
      base: base.revision,
      baseDocument: base.document,
      document,
      entries: entries.map((entry) => recordCodec.write(entry)),
    });
  }
}

const allRows = (): Promise<Held[]> =>
  new Promise((done) => {
    const request = indexedDB.open('keen-outbox');
    request.onsuccess = () => {
      const rows = request.result.transaction('held').objectStore('held').getAll();
      rows.onsuccess = () => {
        request.result.close();
        done(rows.result as Held[]);
      };
    };
  });
const emptied = async (): Promise<void> => {
  for (const { project, session } of await allRows()) await release(project, session);
  alive.clear();
};

beforeEach(async () => {
  await waitingCount();
  await emptied();
});

describe('held edits', () => {
  test('A and B edit offline, B closes, A reloads: both edits are there', async () => {
    const world = new World();
    await world.open(0, false);
    await world.open(1, false);
    await world.edit(0, 'ink.width');
    await world.edit(1, 'ink.height');
    world.close(1);
    world.close(0);
    await world.open(0, true);
    const { document } = world.tabs.get(0)!;
    expect([valueAt(document, 'ink.width'), valueAt(document, 'ink.height')]).toEqual(world.edits.map(({ value }) => value));
    expect(await allRows()).toHaveLength(1);
  });

  test('where both edited the same, the other stays in a row of its own until a person decides', async () => {
    const world = new World();
    await world.open(0, false);
    await world.open(1, false);
    await world.edit(0, 'ink.width');
    await world.edit(1, 'ink.width');
    world.close(1);
    const { own, setAside } = await takeUp('p', world.tabs.get(0)!.session);
    expect(own!.design.units['ink']!.width.text).toBe(world.edits[0]!.value);
    expect(setAside.map(({ conflicts }) => conflicts)).toEqual([['units.ink.width']]);
    expect(await allRows()).toHaveLength(2);
  });

  test('a row that cannot be read moves aside before this tab writes over it', async () => {
    await hold({ project: 'p', session: 's1', base: 1, baseDocument: START, document: { strange: true }, entries: [] });
    const { own, setAside } = await takeUp('p', 's1');
    expect([own, setAside.map(({ document }) => document)]).toEqual([null, [{ strange: true }]]);
    await hold({ project: 'p', session: 's1', base: 1, baseDocument: START, document: START, entries: [] });
    const [again] = (await takeUp('p', 's1')).setAside;
    expect(again!.document).toEqual({ strange: true });
  });

  test('a tab that is alive keeps its row', async () => {
    const world = new World();
    await world.open(0, false);
    await world.edit(0, 'name');
    await world.open(1, false);
    expect(valueAt(world.tabs.get(1)!.document, 'name')).toBe(valueAt(START, 'name'));
    expect(await allRows()).toHaveLength(1);
  });

  test('in any order of opening, editing, saving, closing and reloading nothing is lost', async () => {
    const tab = fc.nat(2);
    const act = fc.oneof(
      { weight: 3, arbitrary: fc.record({ kind: fc.constant('edit' as const), tab, place: fc.constantFrom(...PLACES) }) },
      { weight: 2, arbitrary: fc.record({ kind: fc.constantFrom('open' as const, 'reload' as const), tab }) },
      { weight: 2, arbitrary: fc.record({ kind: fc.constant('close' as const), tab }) },
      { weight: 1, arbitrary: fc.record({ kind: fc.constantFrom('save' as const, 'enter' as const), tab }) },
    );
    await fc.assert(
      fc.asyncProperty(fc.array(act, { minLength: 4, maxLength: 24 }), async (acts) => {
        await emptied();
        const world = new World();
        await world.open(0, false);
        await world.open(1, false);
        for (const each of acts) {
          if (each.kind === 'edit') await world.edit(each.tab, each.place);
          else if (each.kind === 'open') await world.open(each.tab, false);
          else if (each.kind === 'reload') await world.open(each.tab, true);
          else if (each.kind === 'close') world.close(each.tab);
          else if (each.kind === 'save') await world.save(each.tab);
          else await world.enter(each.tab);
        }
        expect(world.found(await allRows())).toEqual({ lostEdits: [], lostFacts: [] });
      }),
      { numRuns: 150 },
    );
  });
});
