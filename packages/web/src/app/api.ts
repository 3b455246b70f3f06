/** The server's API. Every failure becomes a Problem, also when nobody answers. */
import type { Json, Problem } from '@keen/core';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';

export interface ProjectRow {
  readonly id: string;
  readonly name: string;
  readonly demo: boolean;
  readonly revision: number;
  readonly updatedAt: string;
  /** Null where the project cannot be read; `problem` says why. */
  readonly wall: { readonly widthMm: number; readonly ceilingMm: number } | null;
  readonly problem: Problem | null;
  readonly units: readonly {
    readonly id: string;
    readonly name: string;
    readonly widthMm: number;
    readonly heightMm: number;
    readonly alongMm: number;
    readonly upMm: number;
    readonly shelves: number;
  }[];
}

export interface StoredProject {
  readonly id: string;
  readonly demo: boolean;
  readonly revision: number;
  readonly document: Json;
}

export interface StoredWorkshop {
  readonly revision: number;
  readonly workshop: Json;
}

export interface StoredEntry {
  readonly sequence: number;
  readonly entry: Json;
}

export interface DeletedRow {
  readonly id: string;
  readonly name: string;
  readonly deletedAt: string;
}

export interface RevisionRow {
  /** The version it restored; null for an edit. */
  readonly restoredFrom: number | null;
  readonly number: number;
  readonly savedAt: string;
}

export const AWAY: Problem = { code: 'away', message: 'the server does not answer', where: 'server', accepted: 'try again when bin/start is running' };

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['projects'],
  endpoints: (build) => ({
    projects: build.query<ProjectRow[], void>({ query: () => 'projects', providesTags: ['projects'], keepUnusedDataFor: 0 }),
    createProject: build.mutation<StoredProject, Json>({
      query: (design) => ({ url: 'projects', method: 'POST', body: { design } }),
      invalidatesTags: ['projects'],
    }),
    /** A project file, or an archive with its photos: read on the server, whole or not at all. */
    openFile: build.mutation<StoredProject, Blob>({
      query: (file) => ({ url: 'bundles', method: 'POST', body: file, headers: { 'Content-Type': 'application/octet-stream' } }),
      invalidatesTags: ['projects'],
    }),
    renameProject: build.mutation<StoredProject, { id: string; name: string }>({
      query: ({ id, name }) => ({ url: `projects/${id}`, method: 'PATCH', body: { name } }),
      invalidatesTags: ['projects'],
    }),
    duplicateProject: build.mutation<StoredProject, string>({
      query: (id) => ({ url: `projects/${id}/duplicate`, method: 'POST' }),
      invalidatesTags: ['projects'],
    }),
    deleteProject: build.mutation<void, string>({ query: (id) => ({ url: `projects/${id}`, method: 'DELETE' }), invalidatesTags: ['projects'] }),
    deletedProjects: build.query<DeletedRow[], void>({ query: () => 'projects/deleted', providesTags: ['projects'], keepUnusedDataFor: 0 }),
    restoreProject: build.mutation<StoredProject, string>({
      query: (id) => ({ url: `projects/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['projects'],
    }),
  }),
});

export const {
  useDeletedProjectsQuery,
  useProjectsQuery,
  useCreateProjectMutation,
  useOpenFileMutation,
  useRenameProjectMutation,
  useDuplicateProjectMutation,
  useDeleteProjectMutation,
  useRestoreProjectMutation,
} = api;

/** The Problem inside an RTK Query error. */
export function problemOf(error: unknown): Problem {
  const data = (error as { data?: Partial<Problem> } | undefined)?.data;
  return data && typeof data.message === 'string' && typeof data.code === 'string'
    ? { code: data.code, message: data.message, where: data.where ?? '', accepted: data.accepted ?? '' }
    : AWAY;
}

export interface Answer<T> {
  readonly status: number;
  readonly body: T;
}

/** Asks the service worker to keep the answer, so that the page opens offline too (public/bench-worker.js). */
export const KEEP_COPY = { 'X-Offline-Copy': 'keep' } as const;

/**
 * A request outside RTK Query: for saving, which has its own order and retries.
 * @throws TypeError when nobody answers
 */
export async function request<T>(path: string, method = 'GET', body?: unknown, headers: Readonly<Record<string, string>> = {}): Promise<Answer<T>> {
  const response = await fetch(`/api/${path}`, {
    method,
    headers: { ...headers, ...(body === undefined ? {} : { 'Content-Type': 'application/json' }) },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  const text = await response.text();
  return { status: response.status, body: (text === '' ? undefined : JSON.parse(text)) as T };
}
