/** A project that is not there: it never was, or it was deleted and can be brought back. */
import { deletedProject, notFound, type ProblemException } from '../../problems/problem.exception.ts';

type Row = { readonly deletedAt: Date | null };

export const isThere = <T extends Row>(project: T | null): project is T => project !== null && project.deletedAt === null;

export const missing = (project: Row | null): ProblemException => (project?.deletedAt ? deletedProject(project.deletedAt) : notFound('project', 'id'));
