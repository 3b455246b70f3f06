/** The whole plan as JSON for the command: every part with its sum, weights, sag, the load path, findings as text. */
import { fixWords } from '../checks/words/fixes.ts';
import { findingWords } from '../checks/words/findings.ts';
import { VERDICT_WORDS } from '../checks/verdict.ts';
import { verdictSummary } from './verdict-summary.ts';
import { labelWords } from '../checks/words/labels.ts';
import { carriesRange, loadLimits } from '../hang/limits.ts';
import type { Design } from '../model/design.ts';
import type { HangHelp } from '../proposals/hang-helps.ts';
import type { Plan, CabinetPlan } from '../planner/plan.ts';
import type { ExplainedLength } from '../explained/explained-length.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import type { Json } from './codec.ts';
import { featureWords } from './cut-list-csv.ts';
import { exactMm } from './nest-plan.ts';

/** @param helpsOf changes that would help a cabinet's hanging, where shown: each takes plans of its own */
export function planJson(plan: Plan, design: Design, helpsOf: (unit: string) => readonly HangHelp[] = () => []): Json {
  return {
    name: design.name,
    units: plan.cabinets.map((cabinetPlan) => cabinetJson(cabinetPlan, design, helpsOf(cabinetPlan.id))),
    unplanned: plan.unplanned.map(({ id, name, fault: { code, path, message, accepted } }) => ({ id, name, code, where: path.join('.'), message, accepted })),
  };
}

function cabinetJson(cabinetPlan: CabinetPlan, design: Design, helps: readonly HangHelp[]): Json {
  const { cabinet, parts, weights, loaded, sag, hang, findings } = cabinetPlan;
  const { width, height, depth } = cabinet.outside;
  return {
    id: cabinetPlan.id,
    name: cabinetPlan.name,
    outside: { width: dimensionJson(width), height: dimensionJson(height), depth: dimensionJson(depth) },
    parts: parts.map((line) => ({
      mark: line.mark,
      count: line.count,
      names: line.names.map(labelWords),
      panels: [...line.panels],
      length: dimensionJson(line.length),
      width: dimensionJson(line.width),
      thickness: exactMm(line.thickness),
      stock: line.stock,
      grain: line.grain,
      edgesBanded: [...line.bands],
      mirrorOf: line.mirrorOf,
      features: line.features.map((feature) => ({
        kind: feature.kind,
        face: feature.face,
        from: feature.from,
        at: exactMm(feature.at),
        width: exactMm(feature.width),
        depth: exactMm(feature.depth),
        play: exactMm(feature.play),
        tiltDeg: feature.tiltDeg,
        guest: feature.guest,
        words: featureWords(feature, line, design.units[cabinetPlan.id]!.unit),
      })),
    })),
    weights: {
      empty: figureJson(weights.empty.mass),
      contents: weights.contents.map(({ compartment, mass }) => ({ compartment: compartment.id, mass: figureJson(mass) })),
      loaded: figureJson(loaded.mass),
      centreOfGravityMm: { along: loaded.along, up: loaded.up, out: loaded.out },
    },
    sag: sag.map(({ panel, now, later, limit, bending }) => ({
      panel,
      now: figureJson(now),
      later: figureJson(later),
      limit: figureJson(limit),
      bending: figureJson(bending),
    })),
    hang: {
      state: hang.state,
      verdict: VERDICT_WORDS[hang.state],
      ...verdictSummary(cabinetPlan, design.units[cabinetPlan.id]!.unit),
      ruledOutBy: hang.ruledOutBy,
      helps: helps.map(({ fix, state, carriesKg, weakest }) => ({
        does: fixWords(fix.label, design.units[cabinetPlan.id]!.unit),
        verdict: VERDICT_WORDS[state],
        carriesKg,
        weakest,
      })),
      plannedKg: hang.plannedKg,
      ...loadLimits(cabinetPlan.hangInput),
      range: { ...carriesRange(cabinetPlan.hangInput) },
      refusals: hang.refusals.map((reason) => ({ ...reason })),
      weight: figureJson(hang.weight),
      outward: figureJson(hang.forces.outward),
      spacerPush: figureJson(hang.forces.spacerPush),
      tip: hang.forces.hook && figureJson(hang.forces.hook.tip),
      pullLimit: hang.forces.hook && figureJson(hang.forces.hook.pullLimit),
      links: hang.links.map(({ id, kind, name, use, otherRules, panels, partly }) => ({
        id,
        kind,
        name: labelWords(name),
        use: figureJson(use),
        ...(partly ? { partFilled: partly.replace('part-', '') } : {}),
        ...(otherRules ? { straightSum: otherRules.straight, sumOfSquares: otherRules.squares } : {}),
        panels: [...panels],
      })),
      cleat: {
        boardWidth: exactMm(cabinet.hanging.boardWidth),
        longFace: exactMm(cabinet.hanging.longFace),
        shortFace: exactMm(cabinet.hanging.shortFace),
        bevelDeg: cabinet.hanging.bevelDeg,
        engagement: cabinet.hanging.rip && figureJson(cabinet.hanging.rip.engagement),
      },
    },
    findings: findings.map((finding) => ({
      check: finding.check,
      severity: finding.severity,
      panels: [...finding.panels],
      ...findingWords(finding, design.units[cabinetPlan.id]!.unit),
    })),
  };
}

function dimensionJson({ value, terms, over }: ExplainedLength): Json {
  return {
    value: exactMm(value),
    sum: terms.map(({ label, value: each, times }) => ({ name: labelWords(label), value: exactMm(each), times })),
    ...(over === 1 ? {} : { sharedBy: over }),
  };
}

function figureJson(figure: ExplainedValue): Json {
  return {
    value: figure.value,
    unit: figure.unit,
    formula: figure.text,
    source: figure.source,
    terms: figure.terms.map(({ symbol, label, value, unit }) => ({ symbol, name: labelWords(label), value, unit })),
  };
}
