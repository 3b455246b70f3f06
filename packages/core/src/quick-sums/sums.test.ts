/** The worked examples of docs/sums.md, to half a percent, and what a sum refuses. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Refusal } from '../problem/problem.ts';
import { runSum, type SumResult } from './sum.ts';
import { SUM_EXAMPLES, wordsOf } from './examples.ts';
import { sumKeyWords, SUM_TITLES } from './sum-words.ts';
import { answerSum, listSums, SUMS } from './sums.ts';

const near = (value: number) => ({
  asymmetricMatch: (got: unknown) => typeof got === 'number' && Math.abs(got - value) <= 0.005 * Math.max(Math.abs(value), 1e-9),
});
const ask = (line: string) => {
  const [name, ...args] = wordsOf(line);
  return answerSum(name!, args);
};

describe('examples', () => {
  test.each(SUM_EXAMPLES.map(({ line, results }) => [line, results] as const))('%s', (line, expected) => {
    const { results } = ask(line);
    for (const [key, value] of Object.entries(expected)) {
      const got = (results[key] as SumResult).value;
      if (typeof value === 'object') expect(got).toEqual(value.map(near));
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
    const { best, others } = stack('12.85mm').results as unknown as { best: { width: SumResult }; others: { width: SumResult }[] };
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
    ask(`boards ${line}`).results as unknown as { boards: { stock: SumResult; cuts: SumResult; left: SumResult }[]; count: SumResult; bound: SumResult };
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

test('every sum has a worked example', () => {
  expect(listSums().filter(({ name }) => !SUM_EXAMPLES.some(({ line }) => line.startsWith(`${name} `)))).toEqual([]);
});

test('the list names every sum once, and every sum with defaults for all its keys answers', () => {
  const names = listSums().map(({ name }) => name);
  expect(new Set(names).size).toBe(names.length);
  expect(names).toEqual(expect.arrayContaining(['panel-weight', 'cleat-statics', 'stud-shares', 'shelf-sag', 'screw-length']));
});

describe('words of the page', () => {
  test.each(SUMS.map((sum) => [sum.name, sum] as const))('%s has a title, and a name for each key and result', (name, sum) => {
    expect(SUM_TITLES[name]).toBeDefined();
    const answer = ask(SUM_EXAMPLES.find(({ line }) => line.startsWith(`${name} `))!.line);
    const named = [...sum.keys.map(({ key }) => key), ...Object.keys(answer.results)];
    for (const key of named) expect(sumKeyWords(name, key)).not.toBe('');
  });
});

describe('what was let through once', () => {
  const answer = (line: string) => {
    const [name, ...pairs] = line.split(' ');
    return runSum(
      SUMS.find((sum) => sum.name === name)!,
      pairs.map((pair) => pair.split('=') as [string, string]),
    );
  };
  test('a division goes from left to right', () => {
    expect(answer('length expression=96mm/4/3').results['value']).toEqual({ value: 8, unit: 'mm' });
  });
  test.each([
    ['cleat-rip board=152mm thickness=19mm kerf=3.2mm bevel=45deg', 'wallLong=half'],
    ['stud-shares weight=700N left=0mm right=762mm studs=120mm,526mm', 'centre=middle'],
  ])('%s: %s is as if it were left out', (line, word) => expect(answer(`${line} ${word}`).results).toEqual(answer(line).results));
  test('the shares of studs are worked with their numbers', () => {
    const { working } = answer('stud-shares weight=700N left=0mm right=762mm studs=120mm,526mm');
    expect(working.join(' ')).toMatch(/250 N at 120 mm, 450 N at 526 mm/);
  });
  test.each([
    ['screw-withdrawal screw=#10 gravity=42 thread=1.75in', 'gravity'],
    ['screw-withdrawal diameter=5in gravity=0.42 thread=1.75in', 'diameter'],
    ['screw-withdrawal screw=#10 gravity=0.42 thread=1.75in duration=9', 'duration'],
    ['head-pull-through head=5in thickness=18mm gravity=0.42', 'head'],
    ['boards lengths=1000000000*100mm stock=2400mm kerf=3mm', 'lengths'],
  ])('%s is refused at once', (line, where) => {
    expect(() => answer(line)).toThrow(expect.objectContaining({ problem: expect.objectContaining({ code: 'range', where }) }));
  });
});
