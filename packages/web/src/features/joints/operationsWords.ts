/** Cuts the shop cannot make, in a few words: what, and on which parts. */
import { exactTextWithUnit, type DisplayUnit, type Operation, type PartLine } from '@keen/core';

export function operationsWords(operations: readonly Operation[], parts: readonly PartLine[], unit: DisplayUnit): string {
  const byWhat = new Map<string, Set<string>>();
  for (const { panel, work } of operations) {
    const mark = parts.find(({ panels }) => panels.includes(panel))?.mark ?? panel;
    const what =
      work.kind === 'holes'
        ? `holes of ${exactTextWithUnit(work.diameter, unit)}`
        : work.kind === 'slot' || work.kind === 'slanted-slot' || work.kind === 'edge-groove'
          ? `slots ${exactTextWithUnit(work.depth, unit)} deep`
          : work.kind === 'bevel'
            ? `a bevel of ${Math.round(Math.abs(work.deg) * 10) / 10}°`
            : work.kind === 'notch'
              ? 'notches'
              : work.kind === 'width'
                ? 'pieces to rip to width'
                : 'slanted edges';
    byWhat.set(what, (byWhat.get(what) ?? new Set()).add(mark));
  }
  return [...byWhat].map(([what, marks]) => `${what} (${[...marks].join(', ')})`).join('; ');
}
