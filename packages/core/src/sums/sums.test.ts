/** The worked examples of docs/sums.md, to half a percent, and what a sum refuses. */
import { describe, expect, test } from '@jest/globals';
import { Refusal } from '../problem/problem.ts';
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
  ])('%s', (line, expected) => {
    const { results } = ask(line);
    for (const [key, value] of Object.entries(expected)) {
      const got = results[key]!.value;
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
    expect(ask('cleat-statics weight=100kg out=215mm drop=620mm thickness=18mm bevel=45deg').results.vertical!.value).toBeCloseTo(980.665, 6);
  });
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
