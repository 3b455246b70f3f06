/**
 * Worked examples of every quick sum: the tests hold core and command to them, to half a percent, and a card on the page of sums starts with the first of
 * each.
 */
export interface SumExample {
  /** As it is typed after `bin/keen sum`. */
  readonly line: string;
  readonly results: Readonly<Record<string, number | boolean | string | readonly number[]>>;
}

export const SUM_EXAMPLES: readonly SumExample[] = [
  { line: 'panel-weight length=900mm width=300mm thickness=18mm density=680kg/m3', results: { mass: 3.305, weight: 32.41 } },
  { line: 'panel-weight length=900mm width=300mm thickness=18mm material=birch-plywood count=2', results: { mass: 6.61 } },
  { line: 'screw-withdrawal kind=wood screw=#10 gravity=0.42 thread=1.75in duration=0.9', results: { allowable: 669 } },
  {
    line: 'screw-withdrawal kind=lag diameter=0.25in gravity=0.42 thread=1in',
    results: { perLength: (173.2 * 4.4482216) / 25.4, allowable: 173.2 * 4.4482216 },
  },
  { line: 'screw-lateral screw=#10 side=0.75in main=1.75in gap=0.5in sideGravity=0.42 mainGravity=0.42 duration=0.9', results: { allowable: 207 } },
  { line: 'head-pull-through head=0.35in thickness=0.25in gravity=0.42 duration=0.9', results: { allowable: 134 } },
  { line: 'screw-combined shear=140N tension=375N lateral=207N withdrawal=669N', results: { useInterpolated: 0.7616, useLinear: 1.2369 } },
  {
    line: 'cleat-statics weight=900N out=215mm drop=620mm thickness=18mm bevel=45deg',
    results: { outward: 900, spacer: 299, tipRatio: 0.332, hooked: true, antiLift: 0 },
  },
  { line: 'cleat-statics weight=700N out=420mm drop=350mm thickness=18mm bevel=45deg', results: { antiLift: 119, hooked: false } },
  { line: 'cleat-rip board=152mm thickness=19mm kerf=3.2mm bevel=45deg', results: { wallLong: 83.24, wallShort: 64.24 } },
  { line: 'cleat-prying weight=900N bevel=45deg thickness=18mm contact=67mm screw=38mm', results: { outward: 900, tension: 1980 } },
  { line: 'lift-clearance wall=18mm cabinet=18mm bevel=45deg', results: { engagement: 18, clear: 24, gap: 18 } },
  { line: 'stud-shares weight=700N left=0mm right=762mm studs=120mm,526mm', results: { simple: [250, 450], worst: 450 } },
  { line: 'shelf-sag span=800mm depth=280mm thickness=18mm stiffness=9000MPa load=230N creep=1.8', results: { now: 1.25, later: 2.25 } },
  // A table row of docs/formulas/shelf-sag.md: 18 mm birch, 30 kg/m and its own 3.4: 645 mm.
  { line: 'shelf-span depth=280mm thickness=18mm stiffness=9000MPa load=33.43kg/m creep=1.8', results: { span: 645 } },
  { line: 'even-spacing inside=700mm count=3 thickness=18mm', results: { opening: 161.5, positions: [161.5, 341, 520.5] } },
  // (664 − 6) / 90 gives 7 more than the first; the remainder, halved: (664 − 7·90 − 6)/2 = 14.
  { line: 'slots inside=664mm item=80mm clearance=4mm thickness=6mm', results: { count: 8, pitch: 90, margin: 14 } },
  { line: 'slots inside=200mm pitch=60mm thickness=20mm margin=10mm', results: { count: 3, margin: 30, positions: [30, 90, 150] } },
  { line: 'length "expression=32in - 2*3/4in"', results: { value: 774.7 } },
  { line: 'strips width=600mm count=4 kerf=3.2mm', results: { each: 147.6, count: 4, left: 0, cuts: 3 } },
  // 6 · 95 + 5 · 3.2 = 586; a kerf comes off the remaining 14.
  { line: 'strips width=600mm each=95mm kerf=3.2mm', results: { count: 6, left: 10.8, cuts: 6 } },
  { line: 'strips width=600mm each=147.6mm kerf=3.2mm', results: { count: 4, left: 0, cuts: 3 } },
  // 2 left, less than a kerf: lost in the last cut.
  { line: 'strips width=602mm each=147.6mm kerf=3.2mm', results: { count: 4, left: 0, cuts: 4 } },
  { line: 'strips width=90mm each=95mm kerf=3.2mm', results: { count: 0, left: 90, cuts: 0 } },
  { line: 'guide-offset base=75mm cutter=6mm', results: { offset: 72 } },
  { line: 'mitre sides=4 lean=45deg', results: { tilt: 30, gauge: 35.26 } },
  { line: 'mitre sides=4', results: { tilt: 45, gauge: 0 } },
  { line: 'mitre sides=6', results: { tilt: 30, gauge: 0 } },
  // 600 · tan 8° = 84.32; 600 / cos 8° = 605.9; 18 · tan 8° = 2.530.
  { line: 'tilt height=600mm angle=8deg thickness=18mm', results: { run: 84.32, length: 605.9, bevel: 8, extra: 2.53 } },
  // (1002² − 998²) / (4 · 600 · 800) = 0.0041667: 3.333 mm over 800.
  { line: 'square-check width=600mm height=800mm first=1002mm second=998mm', results: { out: 3.3333, angle: 0.23873, longer: 'first' } },
  { line: 'square-check width=600mm height=800mm first=1000mm second=1000mm', results: { out: 0, angle: 0, longer: 'neither' } },
  { line: 'door width=800mm height=900mm leaves=2 reveal=2mm', results: { leafWidth: 397, leafHeight: 896, cups: [100, 796] } },
  {
    line: 'door width=800mm height=1200mm leaves=2 overlay=16mm reveal=0mm between=3mm',
    results: { leafWidth: 414.5, leafHeight: 1232, cups: [100, 616, 1132] },
  },
  {
    line: 'drawer width=400mm height=150mm depth=450mm side=13mm top=6mm bottom=10mm stock=12mm base=6mm jointDepth=6mm',
    results: { boxWidth: 374, boxHeight: 134, boxDepth: 450, sideLength: 450, frontLength: 362, baseWidth: 362, baseLength: 438 },
  },
  {
    line: 'drawer width=400mm height=150mm depth=450mm side=13mm top=6mm bottom=10mm stock=12mm base=6mm joint=butt',
    results: { frontLength: 350, baseWidth: 374, baseLength: 450 },
  },
  { line: 'shelf-pin diameter=5mm embedded=10mm lever=1mm bearing=23MPa', results: { yield: 416, allowable: 170 } },
  { line: 'shelf-pin diameter=5mm embedded=10mm lever=1mm bearing=12MPa', results: { yield: 217, allowable: 89 } },
  // 0.9 · 9.80665 · (cos 8° / 0.2 − sin 8°) = 42.47; by 3: 127.4 N; over 30 N: five.
  { line: 'magnet mass=0.9kg angle=8deg length=120mm pull=30N', results: { count: 5, hold: 150, needed: 127.42 } },
  { line: 'magnet mass=0.05kg angle=80deg length=200mm pull=30N', results: { count: 2, hold: 60 } },
  // docs/formulas: the tables and worked figures of cleat, screws, studs and shelf.
  { line: 'cleat-statics weight=900N out=215mm drop=620mm thickness=18mm bevel=30deg', results: { outward: 519.6, spacer: 299, tipRatio: 0.5755 } },
  { line: 'cleat-statics weight=900N out=215mm drop=620mm thickness=18mm bevel=60deg', results: { outward: 1559, spacer: 299, tipRatio: 0.1918 } },
  { line: 'cleat-prying weight=900N bevel=45deg thickness=18mm contact=67mm screw=38mm bearing=0mm', results: { tension: 1800 } },
  { line: 'head-pull-through head=0.35in thickness=0.75in gravity=0.42 duration=0.9', results: { allowable: 402 } },
  { line: 'head-pull-through head=0.5in thickness=0.25in gravity=0.42 duration=0.9', results: { allowable: 191 } },
  { line: 'screw-lateral screw=#8 side=0.75in main=1.64in gap=0.5in sideGravity=0.42 mainGravity=0.42 duration=0.9', results: { allowable: 169 } },
  { line: 'screw-lateral screw=#10 side=0.75in main=1.9in sideGravity=0.42 mainGravity=0.42 duration=0.9', results: { allowable: 335 } },
  { line: 'screw-lateral screw=#12 side=0.75in main=1.75in gap=0.5in sideGravity=0.42 mainGravity=0.42 duration=0.9', results: { allowable: 253 } },
  { line: 'screw-lateral screw=#14 side=0.75in main=2.25in gap=0.5in sideGravity=0.42 mainGravity=0.42 duration=0.9', results: { allowable: 275 } },
  { line: 'screw-withdrawal screw=#14 gravity=0.42 thread=2.25in duration=0.9', results: { allowable: 1096 } },
  {
    line: 'stud-shares weight=900N left=0mm right=900mm studs=50mm,456mm,862mm',
    results: { simple: [256, 401, 243], continuous: [207, 500, 193], rigid: [307, 300, 293], worst: 500 },
  },
  { line: 'stud-shares weight=840N left=0mm right=800mm studs=200mm,600mm', results: { worst: 420 } },
  {
    line: 'shelf-sag span=800mm depth=280mm thickness=18mm stiffness=9000MPa load=230N creep=1.8 strip=19mm*38mm stripStiffness=9000MPa',
    results: { later: 1.072, spanOver: 746 },
  },
  { line: 'centre-of-gravity "items=24kg@165mm, 60kg@180mm, 8kg@330mm"', results: { mass: 92, out: 189.1 } },
  { line: 'centre-of-gravity "items=24kg@165mm, 60kg@180mm, 8kg@554mm"', results: { mass: 92, out: 208.6 } },
  // (24 · 165 + 60 · 180) / 84
  { line: 'centre-of-gravity "items=24kg@165mm, 60kg@180mm"', results: { mass: 84, out: 175.71 } },
  { line: 'screw-length layers=18mm,12.7mm diameter=4.83mm', results: { least: 79, stock: 88.9, penetration: 58.2 } },
  // 700 N at 560 over 900 · 205 / 331 on its front edge; 900 · (206 + 50) / (620 + 50) pulls it off.
  {
    line: 'front-edge weight=900N out=215mm drop=620mm thickness=18mm bevel=45deg front=340mm backing=50mm pullBelow=620mm',
    results: { liftStarts: 560.1, liftLimit: 604.7, pullLimit: 343.9 },
  },
  // 6.35 + 3.175 + 3.175 + 0.2
  { line: 'dado-stack target=12.9mm blades=6.35mm chippers=3.175mm,3.175mm,1.5875mm shims=0.1mm,0.2mm,0.5mm', results: {} },
  { line: 'boards lengths=2*600mm,500mm stock=2400mm kerf=3mm', results: { count: 1, bound: 1 } },
];

/** Initial values of a sum's card, key by key; undefined for a sum without an example. */
export function exampleOf(name: string): Readonly<Record<string, string>> | undefined {
  const example = SUM_EXAMPLES.find(({ line }) => line.startsWith(`${name} `));
  return (
    example &&
    Object.fromEntries(
      wordsOf(example.line)
        .slice(1)
        .map((pair) => [pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1)]),
    )
  );
}

/** Splits a typed line into words like a shell: quotes keep spaces. */
export const wordsOf = (line: string): string[] => line.match(/(?:[^\s"]|"[^"]*")+/g)!.map((word) => word.replaceAll('"', ''));
