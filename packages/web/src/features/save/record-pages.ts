/** The shop record of a project, read page by page: an answer has at most so many entries, in the order they were committed. */
import type { Problem } from '@keen/core';
import { KEEP_COPY, request, type StoredEntry } from '../../app/api.ts';

/** Entries of a whole page; a shorter one is the last (docs/api.md). */
export const PAGE = 200;

/** Entries that are sent in one request. */
export const MAX_SENT = 200;

/** All entries after a position, or the problem the server answered with. Throws a TypeError when nobody answers. */
export async function entriesAfter(id: string, after: number, headers: Readonly<Record<string, string>> = {}): Promise<StoredEntry[] | Problem> {
  const all: StoredEntry[] = [];
  for (;;) {
    const from = all.at(-1)?.sequence ?? after;
    const { status, body } = await request<StoredEntry[] | Problem>(`projects/${id}/record?after=${from}`, 'GET', undefined, headers);
    if (status >= 400 || !Array.isArray(body)) return body as Problem;
    all.push(...body);
    if (body.length < PAGE) return all;
  }
}

/** The whole record, kept for opening it without the desk. */
export const wholeRecord = (id: string): Promise<StoredEntry[] | Problem> => entriesAfter(id, 0, KEEP_COPY);
