/** All checks of a unit, the gravest findings first. A new check goes into one of the five lists, its words into words/findings.ts. */
import { BOX_CHECKS } from './box-checks.ts';
import type { CheckContext } from './context.ts';
import { CUTTING_CHECKS } from './cutting-checks.ts';
import type { Finding, Severity } from './finding.ts';
import { CLEAT_CHECKS } from './cleat-checks.ts';
import { HANG_CHECKS } from './hang-checks.ts';
import { SCREW_CHECKS } from './screw-checks.ts';

const GRAVITY: Readonly<Record<Severity, number>> = { stop: 0, change: 1, look: 2 };

export const checkUnit = (context: CheckContext): Finding[] =>
  [...HANG_CHECKS, ...CLEAT_CHECKS, ...SCREW_CHECKS, ...BOX_CHECKS, ...CUTTING_CHECKS]
    .flatMap((check) => check(context))
    .sort((a, b) => GRAVITY[a.severity] - GRAVITY[b.severity]);
