/** The ticked projects, each fetched once as its file. */
import { readProjectFile, type Problem, type TripProject } from '@keen/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { AWAY } from '../../app/api.ts';

export interface TripProjects {
  /** In the requested order; null while one is loading. */
  readonly projects: readonly TripProject[] | null;
  readonly problems: ReadonlyMap<string, Problem>;
}

async function readProject(id: string): Promise<TripProject | Problem> {
  try {
    const answer = await fetch(`/api/projects/${encodeURIComponent(id)}/file`);
    if (!answer.ok) return (await answer.json()) as Problem;
    const read = readProjectFile(await answer.text());
    return read.ok ? { id, ...read.value } : read.problem;
  } catch {
    return AWAY;
  }
}

/** `revisions`: of each ticked project, so that a changed one is fetched again. */
export function useTripProjects(revisions: ReadonlyMap<string, number>): TripProjects {
  const [read, setRead] = useState<ReadonlyMap<string, TripProject | Problem>>(new Map());
  const begun = useRef(new Set<string>());
  const wanted = useMemo(() => [...revisions].map(([id, revision]) => ({ id, key: `${id} ${revision}` })), [revisions]);
  useEffect(() => {
    for (const { id, key } of wanted) {
      if (begun.current.has(key)) continue;
      begun.current.add(key);
      void readProject(id).then((project) => setRead((before) => new Map(before).set(key, project)));
    }
  }, [wanted]);
  return useMemo(() => {
    const found = wanted.flatMap(({ id, key }) => {
      const project = read.get(key);
      return project ? [{ id, project }] : [];
    });
    return {
      projects: found.length < wanted.length ? null : found.flatMap(({ project }) => ('design' in project ? [project] : [])),
      problems: new Map(found.flatMap(({ id, project }) => ('design' in project ? [] : [[id, project] as const]))),
    };
  }, [read, wanted]);
}
