/** How a cabinet of any family meets the wall (out = 0): wall cleat, cabinet cleat, spacer and hanging rail; or screws straight through a rail or board. */
import type { WordKey } from '../checks/words/labels.ts';
import type { Entered } from '../length/entered.ts';
import { toMm, roundToNm, ZERO, type Length } from '../length/length.ts';
import { ENGAGEMENT, RIPPED_LONG_FACES, SHORT_FACE, tanDeg } from '../solid/hanging.ts';
import { frame, rectangle, type Panel } from '../solid/panel.ts';
import { hangsOnCleat, type Hanging } from '../solid/cabinet.ts';
import { ALONG, UP, vector } from '../solid/vector.ts';
import { thicknessSource } from '../stock/thickness.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { evaluate } from '../explained/explained-value.ts';
import { Unbuildable } from './family.ts';
import { own, panelOf, type HungFrame } from './box-frame.ts';

export interface HangingPlan {
  readonly panels: readonly Panel[];
  readonly hanging: Hanging;
}

export function placeHanging(base: HungFrame): HangingPlan {
  const { spec: spec } = base;
  if (!hangsOnCleat(spec.hanging)) return againstTheWall(base);
  const choice = spec.hanging;
  const { product, used, kerf } = base.stockOf(choice.stock);
  const t = used.value;
  const outside = choice.kind === 'outside';
  const source = thicknessSource(product, used);

  const thickness = { value: toMm(t), source };
  const both = evaluate(RIPPED_LONG_FACES, {
    B: { value: toMm(choice.boardWidth.nm), source: own(spec, 'hanging', 'boardWidth') },
    t: thickness,
    k: { value: toMm(kerf) },
    θ: { value: choice.bevelDeg, source: own(spec, 'hanging', 'bevelDeg') },
  });
  const longFace = roundToNm(both.value / 2);
  const shortFigure = evaluate(SHORT_FACE, { long: { value: both.value / 2 }, t: thickness, θ: choice.bevelDeg });
  const shortFace = roundToNm(shortFigure.value);
  const engagement = evaluate(ENGAGEMENT, { 't wall': thickness, 't cabinet': thickness, θ: choice.bevelDeg });

  const under = outside ? base.topUp : base.ceiling;
  const valley = (under - choice.drop.nm - longFace) as Length;
  const contact = (valley + roundToNm((toMm(t) / 2) * tanDeg(choice.bevelDeg))) as Length;
  const left = outside ? base.behind.left : base.insideLeft;
  const cabinetLength = outside ? base.behind.length : base.insideWidth;
  // On a wall rail nobody enters them: they follow from the rail's ends.
  const fromInset = (which: 'leftInset' | 'rightInset') => (choice.wallRail === null ? { source: own(spec, 'hanging', which) } : {});
  const wallLength = explainedLength([
    ...cabinetLength.terms,
    ...(choice.leftInset.nm ? [minus('left-inset', choice.leftInset.nm, fromInset('leftInset'))] : []),
    ...(choice.rightInset.nm ? [minus('right-inset', choice.rightInset.nm, fromInset('rightInset'))] : []),
  ]);
  if (wallLength.value <= 0)
    throw new Unbuildable({
      code: 'insets',
      path: ['hanging', choice.rightInset.nm >= choice.leftInset.nm ? 'rightInset' : 'leftInset'],
      message: 'the insets leave nothing of the wall half',
      accepted: `both together less than ${toMm(cabinetLength.value)} mm`,
    });
  const ripped = (key: WordKey, value: Length): ExplainedLength => explainedLength([plus(key, value)]);

  const cabinetHalf = (name: string, key: WordKey, at: number, length: ExplainedLength): Panel =>
    panelOf(
      base,
      'cabinet-half',
      name,
      { key },
      {
        frame: frame(vector(left + at, valley, 0), ALONG, UP),
        length,
        width: ripped('long-face', longFace),
        stock: choice.stock,
        outline: rectangle(length.value, longFace, { near: -choice.bevelDeg }),
      },
    );
  const brackets = outside && choice.brackets && !base.wholeHalf ? bracketsOf(spec, choice.brackets, cabinetLength.value) : null;
  const hooks = brackets?.map(({ name, at, length }) => cabinetHalf(name, 'cleat-bracket', at, length)) ?? [cabinetHalf('', 'cabinet-half', 0, cabinetLength)];
  const notch = choice.wallRail === null ? choice.notch : null;
  const panels: Panel[] = [
    ...hooks,
    panelOf(
      base,
      'wall-half',
      '',
      { key: 'wall-half' },
      {
        frame: frame(vector(left + choice.leftInset.nm, valley - shortFace, 0), ALONG, UP),
        length: wallLength,
        width: ripped('short-face', shortFace),
        stock: choice.stock,
        onWall: true,
        outline: rectangle(wallLength.value, shortFace, { far: choice.bevelDeg }),
        ...(notch ? { cuts: [notchCut(notch)] } : {}),
      },
    ),
  ];
  panels.push(...hangingRail(base));
  const spacer = outside ? choice.spacer : null;
  if (spacer) {
    const foot = base.behindFoot ?? base.behind;
    panels.push(
      panelOf(
        base,
        'spacer',
        '',
        { key: 'spacer' },
        {
          frame: frame(vector(foot.left, base.footUp ?? 0, 0), ALONG, UP),
          length: foot.length,
          width: explainedLength([plus('spacer-height', spacer.height.nm, { source: own(spec, 'hanging', 'spacer', 'height') })]),
          stock: spacer.stock,
        },
      ),
    );
  }
  const pitch = outside && !spacer ? choice.lowerCleat : null;
  if (pitch) {
    // The same board and rip, lower down: all hooks of a cabinet open upward together.
    const lower = panels.flatMap((half): Panel[] => {
      if (half.role !== 'cabinet-half' && half.role !== 'wall-half') return [];
      const { along, up, out } = half.frame.origin;
      return [{ ...half, id: `${half.id}/lower`, name: { key: `lower-${half.role}` }, frame: frame(vector(along, up - pitch.nm, out), ALONG, UP) }];
    });
    panels.push(...lower);
  }
  const standoff = outside ? (spacer ? 'spacer' : pitch ? 'lower-cleat' : 'nothing') : 'carcass';
  const standoffUp = {
    spacer: (base.footUp ?? 0) + (spacer?.height.nm ?? 0) / 2,
    'lower-cleat': contact - (pitch?.nm ?? 0),
    carcass: base.floorMid,
    nothing: valley - shortFace,
  }[standoff];
  return {
    panels,
    hanging: {
      kind: choice.kind,
      bevelDeg: choice.bevelDeg,
      cleatThickness: t,
      stripOff: ZERO,
      gap: t,
      standoff,
      spacerThickness: spacer ? base.stockOf(spacer.stock).used.value : pitch ? t : ZERO,
      wallHalf: `${spec.id}/wall-half`,
      cabinetHalf: hooks[0]!.id,
      brackets: hooks.map(({ id }) => id),
      notch: notch && {
        from: (left + choice.leftInset.nm + notch.at.nm) as Length,
        to: (left + choice.leftInset.nm + notch.at.nm + notch.length.nm) as Length,
        depth: notch.depth.nm,
      },
      plate: null,
      second: null,
      spacer: spacer ? `${spec.id}/spacer` : null,
      hangingRail: choice.rail ? `${spec.id}/hanging-rail` : null,
      lower: pitch ? { wallHalf: `${spec.id}/wall-half/lower`, cabinetHalf: `${spec.id}/cabinet-half/lower` } : null,
      onRail: choice.wallRail !== null && outside,
      valleyUp: valley,
      contactUp: contact,
      standoffUp: Math.round(standoffUp) as Length,
      shortFace,
      longFace,
      rip: { longFaces: both, shortFace: shortFigure, engagement },
      boardWidth: choice.boardWidth.nm,
      boardFrom: own(spec, 'hanging', 'boardWidth'),
      drop: choice.drop.nm,
      wallScrew: { ...choice.wallScrew, length: choice.wallScrew.length.nm },
      cabinetScrew: { ...choice.cabinetScrew, length: choice.cabinetScrew.length.nm },
      antiLift: choice.antiLift,
    },
  };
}

/** Brackets of one length: one at each end, the others evenly spaced. */
function bracketsOf(spec: HungFrame['spec'], { count, length }: { readonly count: number; readonly length: Entered }, over: Length) {
  if (length.nm * count > over)
    throw new Unbuildable({
      code: 'brackets',
      path: ['hanging', 'brackets', 'length'],
      message: 'the brackets would stand in one another',
      accepted: `up to ${Math.floor(toMm(over) / count)} mm each for ${count} brackets`,
    });
  const each = explainedLength([plus('bracket-length', length.nm, { source: own(spec, 'hanging', 'brackets', 'length') })]);
  return Array.from({ length: count }, (_, index) => ({
    name: index === 0 ? 'left' : index === count - 1 ? 'right' : `between-${index}`,
    at: Math.round(((over - length.nm) * index) / (count - 1)),
    length: each,
  }));
}

const notchCut = ({ at, length, depth }: NonNullable<HungFrame['spec']['hanging']['notch']>): Panel['cuts'][number] => ({
  kind: 'notch',
  id: 'notch',
  edge: 'near',
  at: (at.nm + Math.round(length.nm / 2)) as Length,
  width: length.nm,
  depth: depth.nm,
  round: false,
  reason: { key: 'cleat-notch' },
});

/** Inside, under the top and against the back; none where it is not wanted. */
function hangingRail(base: HungFrame): Panel[] {
  const { spec: spec, insideLeft, insideRear, insideWidth, ceiling } = base;
  const { rail } = spec.hanging;
  if (!rail) return [];
  const at = frame(vector(insideLeft, ceiling - rail.nm, insideRear), ALONG, UP);
  const width = explainedLength([plus('rail-height', rail.nm, { source: own(spec, 'hanging', 'rail') })]);
  return [panelOf(base, 'hanging-rail', '', { key: 'hanging-rail' }, { frame: at, length: insideWidth, width, stock: spec.stock })];
}

/**
 * No cleat: screws through the hanging rail, or through a board on the wall, straight into the studs; or keyhole plates let into it, on the heads of such
 * screws. The carcass bears on the wall. Families offer this only with a rail or such a board.
 */
function againstTheWall(base: HungFrame): HangingPlan {
  const { spec: spec, board } = base;
  const { rail, ...choice } = spec.hanging;
  const panels = hangingRail(base);
  const [railPanel] = panels;
  const strip = board
    ? { ...board, off: ZERO }
    : railPanel && { id: railPanel.id, foot: (base.ceiling - rail!.nm) as Length, height: rail!.nm, thickness: railPanel.thickness, off: base.insideRear };
  if (!strip) throw new RangeError(`'${spec.id}' has neither a hanging rail nor a board on the wall to be screwed through`);
  const top = (strip.foot + strip.height) as Length;
  const byPlates = choice.kind === 'plates';
  const second = byPlates ? null : choice.second;
  return {
    panels,
    hanging: {
      kind: choice.kind,
      bevelDeg: 0,
      cleatThickness: strip.thickness,
      stripOff: strip.off,
      gap: ZERO,
      standoff: 'carcass',
      spacerThickness: ZERO,
      wallHalf: strip.id,
      cabinetHalf: strip.id,
      brackets: [strip.id],
      notch: null,
      plate: byPlates ? { ratedKg: choice.plate.ratedKg, ratedFrom: own(spec, 'hanging', 'plate', 'ratedKg'), proud: choice.plate.proud.nm } : null,
      second: second && { ...second, ratedFrom: own(spec, 'hanging', 'second', 'ratedN') },
      spacer: null,
      hangingRail: railPanel?.id ?? null,
      lower: null,
      onRail: false,
      valleyUp: top,
      contactUp: top,
      standoffUp: base.footUp ?? ZERO,
      shortFace: strip.height,
      longFace: ZERO,
      rip: null,
      boardWidth: choice.boardWidth.nm,
      boardFrom: own(spec, 'hanging', 'boardWidth'),
      drop: ZERO,
      // A plate sits on the head of one screw.
      wallScrew: { ...choice.wallScrew, length: choice.wallScrew.length.nm, ...(byPlates ? { upper: 1, lower: 0 } : {}) },
      cabinetScrew: { ...choice.cabinetScrew, length: choice.cabinetScrew.length.nm, count: 0 },
      antiLift: byPlates && choice.antiLift,
    },
  };
}
