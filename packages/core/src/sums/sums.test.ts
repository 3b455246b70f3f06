/** The worked examples of docs/sums.md, to half a percent, and what a sum refuses. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Refusal } from '../problem/problem.ts';
import type { Result } from './sum.ts';
import { answerSum, listSums } from './sums.ts';

const near = (value: number) => ({
  asymmetricMatch: (got: unknown) => typeof got === 'number' && Math.abs(got - value) <= 0.005 * Math.max(Math.abs(value), 1e-9),
});
const split = (line: string): [string, string[]] => {
  const [name, ...args] = line.match(/(?:[^\s"]|"[^"]*")+/g)!;
  return [name!, args.map((each) => each.replaceAll('"', ''))];
};
const ask = (line: string) => answerSum(...split(line));

describe('examples', () => {
  test.each<[string, Record<string, number | boolean | string | number[]>]>([
    ['panel-weight length=900mm width=300mm thickness=18mm density=680kg/m3', { mass: 3.305, weight: 32.41 }],
    ['panel-weight length=900mm width=300mm thickness=18mm material=birch-plywood count=2', { mass: 6.61 }],
    ['screw-withdrawal kind=wood screw=#10 gravity=0.42 thread=1.75in duration=0.9', { allowable: 669 }],
    ['screw-withdrawal kind=lag diameter=0.25in gravity=0.42 thread=1in', { perLength: (173.2 * 4.4482216) / 25.4, allowable: 173.2 * 4.4482216 }],
    ['screw-lateral screw=#10 side=0.75in main=1.75in gap=0.5in sideGravity=0.42 mainGravity=0.42 duration=0.9', { allowable: 207 }],
    ['head-pull-through head=0.35in thickness=0.25in gravity=0.42 duration=0.9', { allowable: 134 }],
    ['screw-combined shear=140N tension=375N lateral=207N withdrawal=669N', { useInterpolated: 0.7616, useLinear: 1.2369 }],
    ['cleat-statics weight=900N out=215mm drop=620mm thickness=18mm bevel=45deg', { outward: 900, spacer: 299, tipRatio: 0.332, hooked: true, antiLift: 0 }],
    ['cleat-statics weight=700N out=420mm drop=350mm thickness=18mm bevel=45deg', { antiLift: 119, hooked: false }],
    ['cleat-rip board=152mm thickness=19mm kerf=3.2mm bevel=45deg', { wallLong: 83.24, wallShort: 64.24 }],
    ['cleat-prying weight=900N bevel=45deg thickness=18mm contact=67mm screw=38mm', { outward: 900, tension: 1980 }],
    ['lift-clearance wall=18mm cabinet=18mm bevel=45deg', { engagement: 18, clear: 24, gap: 18 }],
    ['stud-shares weight=700N left=0mm right=762mm studs=120mm,526mm', { simple: [250, 450], worst: 450 }],
    ['shelf-sag span=800mm depth=280mm thickness=18mm stiffness=9000MPa load=230N creep=1.8', { now: 1.25, later: 2.25 }],
    // A table row of docs/formulas/shelf-sag.md: 18 mm birch, 30 kg/m and its own 3.4: 645 mm.
    ['shelf-span depth=280mm thickness=18mm stiffness=9000MPa load=33.43kg/m creep=1.8', { span: 645 }],
    ['even-spacing inside=700mm count=3 thickness=18mm', { opening: 161.5, positions: [161.5, 341, 520.5] }],
    // (664 − 6) / 90 gives 7 more than the first; what is left, halved: (664 − 7·90 − 6)/2 = 14.
    ['slots inside=664mm item=80mm clearance=4mm thickness=6mm', { count: 8, pitch: 90, margin: 14 }],
    ['slots inside=200mm pitch=60mm thickness=20mm margin=10mm', { count: 3, margin: 30, positions: [30, 90, 150] }],
    ['length "expression=32in - 2*3/4in"', { value: 774.7 }],
    ['strips width=600mm count=4 kerf=3.2mm', { each: 147.6, count: 4, left: 0, cuts: 3 }],
    // 6 · 95 + 5 · 3.2 = 586; of the 14 left a kerf goes.
    ['strips width=600mm each=95mm kerf=3.2mm', { count: 6, left: 10.8, cuts: 6 }],
    ['strips width=600mm each=147.6mm kerf=3.2mm', { count: 4, left: 0, cuts: 3 }],
    // 2 left, less than a kerf: lost in the last cut.
    ['strips width=602mm each=147.6mm kerf=3.2mm', { count: 4, left: 0, cuts: 4 }],
    ['strips width=90mm each=95mm kerf=3.2mm', { count: 0, left: 90, cuts: 0 }],
    ['guide-offset base=75mm cutter=6mm', { offset: 72 }],
    ['mitre sides=4 lean=45deg', { tilt: 30, gauge: 35.26 }],
    ['mitre sides=4', { tilt: 45, gauge: 0 }],
    ['mitre sides=6', { tilt: 30, gauge: 0 }],
    // 600 · tan 8° = 84.32; 600 / cos 8° = 605.9; 18 · tan 8° = 2.530.
    ['tilt height=600mm angle=8deg thickness=18mm', { run: 84.32, length: 605.9, bevel: 8, extra: 2.53 }],
    // (1002² − 998²) / (4 · 600 · 800) = 0.0041667: 3.333 mm over 800.
    ['square-check width=600mm height=800mm first=1002mm second=998mm', { out: 3.3333, angle: 0.23873, longer: 'first' }],
    ['square-check width=600mm height=800mm first=1000mm second=1000mm', { out: 0, angle: 0, longer: 'neither' }],
    ['door width=800mm height=900mm leaves=2 reveal=2mm', { leafWidth: 397, leafHeight: 896, cups: [100, 796] }],
    ['door width=800mm height=1200mm leaves=2 overlay=16mm reveal=0mm between=3mm', { leafWidth: 414.5, leafHeight: 1232, cups: [100, 616, 1132] }],
    [
      'drawer width=400mm height=150mm depth=450mm side=13mm top=6mm bottom=10mm stock=12mm base=6mm jointDepth=6mm',
      { boxWidth: 374, boxHeight: 134, boxDepth: 450, sideLength: 450, frontLength: 362, baseWidth: 362, baseLength: 438 },
    ],
    [
      'drawer width=400mm height=150mm depth=450mm side=13mm top=6mm bottom=10mm stock=12mm base=6mm joint=butt',
      { frontLength: 350, baseWidth: 374, baseLength: 450 },
    ],
    ['shelf-pin diameter=5mm embedded=10mm lever=1mm bearing=23MPa', { yield: 416, allowable: 170 }],
    ['shelf-pin diameter=5mm embedded=10mm lever=1mm bearing=12MPa', { yield: 217, allowable: 89 }],
    // 0.9 · 9.80665 · (cos 8° / 0.2 − sin 8°) = 42.47; by 3: 127.4 N; over 30 N: five.
    ['magnet mass=0.9kg angle=8deg length=120mm pull=30N', { count: 5, hold: 150, needed: 127.42 }],
    ['magnet mass=0.05kg angle=80deg length=200mm pull=30N', { count: 2, hold: 60 }],
  ])('%s', (line, expected) => {
    const { results } = ask(line);
    for (const [key, value] of Object.entries(expected)) {
      const got = (results[key] as Result).value;
      if (Array.isArray(value)) expect(got).toEqual(value.map(near));
      else if (typeof value === 'number') expect(got).toEqual(near(value));
      else expect(got).toBe(value);
    }
  });

  test('results carry their unit, and the working names what went in', () => {
    const answer = ask('lift-clearance wall=18mm cabinet=3/4in bevel=45deg');
    expect(answer.results.engagement).toMatchObject({ unit: 'mm' });
    expect(answer.inputs.cabinet).toEqual({ value: 19.05, unit: 'mm' });
    expect(answer.working.length).toBeGreaterThan(0);
  });

  test('a mass where a force is wanted weighs g₀', () => {
    expect(ask('cleat-statics weight=100kg out=215mm drop=620mm thickness=18mm bevel=45deg').results.vertical).toMatchObject({
      value: expect.closeTo(980.665, 6),
    });
  });
});

describe('a dado stack', () => {
  const stack = (target: string) => ask(`dado-stack target=${target} blades=6.35mm chippers=3.175mm,3.175mm,1.5875mm shims=0.1mm,0.2mm,0.5mm`);
  test('the nearest width, with the fewest leaves', () => {
    // 6.35 + 3.175 + 3.175 + 0.2 = 12.9.
    expect(stack('12.9mm').results).toMatchObject({
      best: { width: { value: 12.9 }, over: { value: 0 }, chippers: { value: [3.175, 3.175] }, shims: { value: [0.2] } },
    });
  });
  test('as near on both sides: the wider; the next four widths beside it', () => {
    const { best, others } = stack('12.85mm').results as unknown as { best: { width: Result }; others: { width: Result }[] };
    expect(best.width.value).toBe(12.9);
    expect(others.map(({ width }) => width.value)).toEqual([12.8, 13, 12.7, 13.2]);
  });
  test('nothing within the tolerance is said, with the best there is', () => {
    const { results, cautions } = stack('30mm');
    expect(results['best']).toMatchObject({ width: { value: 15.0875 } });
    expect(cautions).toEqual([expect.stringContaining('14.9125 mm off')]);
  });
});

describe('boards', () => {
  const cut = (line: string) =>
    ask(`boards ${line}`).results as unknown as { boards: { stock: Result; cuts: Result; left: Result }[]; count: Result; bound: Result };
  test('a kerf between two pieces, and one more where a rest remains', () => {
    const { boards, count, bound } = cut('lengths=2*600mm,500mm stock=2400mm kerf=3mm');
    expect(boards).toEqual([{ stock: { value: 2400, unit: 'mm' }, cuts: { value: [600, 600, 500], unit: 'mm' }, left: { value: 691, unit: 'mm' } }]);
    expect([count.value, bound.value]).toEqual([1, 1]);
  });
  test('exactly full leaves nothing and wants no last kerf', () => {
    expect(cut('lengths=2*598.5mm stock=1200mm kerf=3mm').boards[0]!.left.value).toBe(0);
    expect(cut('lengths=2*598.5mm,1mm stock=1200mm kerf=3mm').count.value).toBe(2);
  });
  test('least stock in all comes first: what is on hand is short, so two short ones beat one long one', () => {
    const { boards } = cut('lengths=2*900mm stock=2400mm,2*1000mm kerf=3mm');
    expect(boards.map(({ stock }) => stock.value)).toEqual([1000, 1000]);
  });
  test('the same stock on fewer boards', () => {
    expect(cut('lengths=2*900mm stock=2000mm,1000mm kerf=3mm').boards.map(({ stock }) => stock.value)).toEqual([2000]);
  });
  test('as few as trying everything gives, and never under the bound', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 100, max: 900 }), { minLength: 1, maxLength: 6 }), fc.integer({ min: 1, max: 10 }), (lengths, kerf) => {
        const { count, bound } = cut(`lengths=${lengths.map((each) => `${each}mm`).join(',')} stock=1000mm kerf=${kerf}mm`);
        expect(count.value).toBe(fewest(lengths, kerf, []));
        expect(bound.value as number).toBeLessThanOrEqual(count.value as number);
      }),
      { numRuns: 60 },
    );
  });
  /** Every piece on every board there is, and on one more. */
  function fewest([piece, ...rest]: readonly number[], kerf: number, rooms: readonly number[]): number {
    if (piece === undefined) return rooms.length;
    const onto = rooms.flatMap((room, at) => (room >= piece + kerf ? [fewest(rest, kerf, rooms.with(at, room - piece - kerf))] : []));
    return Math.min(...onto, fewest(rest, kerf, [...rooms, 1000 - piece]));
  }
});

describe('refusals', () => {
  test.each<[string, string, string]>([
    ['panel-weight length=900mm width=300mm thickness=18mm', 'missing-key', ''],
    ['panel-weight length=900 width=300mm thickness=18mm density=680kg/m3', 'unit', 'length'],
    ['panel-weight length=900N width=300mm thickness=18mm density=680kg/m3', '', 'length'],
    ['panel-weight length=0mm width=300mm thickness=18mm density=680kg/m3', 'range', 'length'],
    ['panel-weight length=-9mm width=300mm thickness=18mm density=680kg/m3', 'range', 'length'],
    ['panel-weight length=9mm length=8mm width=300mm thickness=18mm density=680kg/m3', 'twice', 'length'],
    ['panel-weight colour=red', 'unknown-key', 'colour'],
    ['no-such-sum a=1', 'unknown-sum', 'sum'],
    ['cleat-statics weight=900N out=215mm drop=620mm thickness=18mm bevel=10deg', 'range', 'bevel'],
    ['cleat-statics weight=900N out=215mm drop=620mm thickness=18mm bevel=70deg', 'range', 'bevel'],
    ['cleat-prying weight=900N bevel=45deg thickness=18mm contact=30mm screw=38mm', '', 'screw'],
    ['screw-withdrawal screw=#11 gravity=0.42 thread=1in', '', 'screw'],
    ['stud-shares weight=700N left=0mm right=762mm studs=120mm,120mm', '', ''],
    ['shelf-sag span=800mm depth=280mm thickness=18mm stiffness=9000MPa', '', ''],
    ['length nonsense', 'value', 'nonsense'],
    ['strips width=600mm kerf=3.2mm', 'missing-key', 'count'],
    ['strips width=600mm kerf=3.2mm count=2 each=100mm', 'either-or', 'count'],
    ['strips width=10mm kerf=3.2mm count=5', 'range', 'count'],
    ['guide-offset base=75mm cutter=160mm', 'range', 'cutter'],
    ['mitre sides=2', 'range', 'sides'],
    ['boards lengths=2500mm stock=2400mm kerf=3mm', 'range', 'lengths'],
    ['boards lengths=3*900mm stock=2*1000mm kerf=3mm', 'range', 'stock'],
    ['boards lengths=3*4*900mm stock=1000mm kerf=3mm', 'value', 'lengths'],
    ['boards lengths=0*900mm stock=1000mm kerf=3mm', 'range', 'lengths'],
    ['dado-stack target=18mm blades=6mm chippers=3mm shims=', '', 'shims'],
    ['tilt height=600mm angle=90deg thickness=18mm', 'range', 'angle'],
    ['square-check width=600mm height=800mm first=1500mm second=1500mm', 'range', 'first'],
    ['square-check width=600mm height=800mm first=1400mm second=60mm', 'range', 'first'],
    ['door width=10mm height=900mm reveal=6mm', 'range', 'width'],
    ['drawer width=400mm height=150mm depth=450mm side=13mm top=6mm bottom=10mm stock=12mm base=6mm', 'missing-key', 'jointDepth'],
    ['drawer width=400mm height=150mm depth=450mm side=13mm top=6mm bottom=10mm stock=12mm base=6mm joint=butt jointDepth=6mm', 'either-or', 'jointDepth'],
    ['drawer width=400mm height=150mm depth=450mm side=13mm top=6mm bottom=10mm stock=12mm base=6mm jointDepth=12mm', 'range', 'jointDepth'],
    ['drawer width=40mm height=150mm depth=450mm side=13mm top=6mm bottom=10mm stock=12mm base=6mm jointDepth=6mm', 'range', 'width'],
  ])('%s', (line, code, where) => {
    let problem: unknown;
    try {
      ask(line);
    } catch (error) {
      problem = error instanceof Refusal ? error.problem : error;
    }
    expect(problem).toMatchObject({ code: code || expect.any(String), accepted: expect.stringMatching(/./) });
    if (where) expect((problem as { where: string }).where).toBe(where);
  });
});

test('the list names every sum once, and every sum with defaults for all its keys answers', () => {
  const names = listSums().map(({ name }) => name);
  expect(new Set(names).size).toBe(names.length);
  expect(names).toEqual(expect.arrayContaining(['panel-weight', 'cleat-statics', 'stud-shares', 'shelf-sag', 'screw-length']));
});
