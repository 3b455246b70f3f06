/**
 * All checks of a cabinet by itself, most severe findings first; conflicts on the wall are in place-checks.ts. A new check goes into one of the lists, its
 * words into words/.
 */
import { BOX_CHECKS } from './box-checks.ts';
import type { CheckContext } from './context.ts';
import { CONTENTS_CHECKS } from './contents-checks.ts';
import { CUT_CHECKS } from './cut-checks.ts';
import { GRAIN_CHECKS } from './grain-checks.ts';
import { CUTTING_CHECKS } from './cutting-checks.ts';
import { SEVERITY_RANK, type Finding } from './finding.ts';
import { CLEAT_CHECKS } from './cleat-checks.ts';
import { GROUND_CHECKS } from './ground-checks.ts';
import { HANG_CHECKS } from './hang-checks.ts';
import { JOINERY_CHECKS } from './joinery-checks.ts';
import { MAKING_CHECKS } from './making-checks.ts';
import { ROW_CHECKS } from './row-checks.ts';
import { SCREW_CHECKS } from './screw-checks.ts';
import { WALL_CHECKS } from './wall-checks.ts';

export const checkCabinet = (context: CheckContext): Finding[] =>
  bySeverity(
    [
      ...GROUND_CHECKS,
      ...HANG_CHECKS,
      ...WALL_CHECKS,
      ...CLEAT_CHECKS,
      ...SCREW_CHECKS,
      ...BOX_CHECKS,
      ...JOINERY_CHECKS,
      ...MAKING_CHECKS,
      ...CUT_CHECKS,
      ...CONTENTS_CHECKS,
      ...ROW_CHECKS,
      ...CUTTING_CHECKS,
      ...GRAIN_CHECKS,
    ].flatMap((check) => check(context)),
  );

export const bySeverity = (findings: readonly Finding[]): Finding[] => [...findings].sort((a, b) => SEVERITY_RANK[b.severity] - SEVERITY_RANK[a.severity]);
