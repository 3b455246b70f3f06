/** The first cabinet of a project, planned; undefined where it cannot be. Test support. */
import type { ProjectFile } from '../formats/project-file.ts';
import { plan, type UnitPlan } from '../plan/plan.ts';

export const planProject = ({ design, record, workshop }: ProjectFile): UnitPlan | undefined => plan(design, record, workshop).units[0];
