/**
 * Every figure that decides a hanging and was assumed ([ASSUME]) or still needs to be checked against its source ((m)): one row each with its tag and
 * meaning, so that it can be found, shown and changed. Tables of materials, screws and wall kinds carry their tags row by row.
 */
export interface Assumed {
  readonly value: number;
  readonly unit: '' | '%' | 'kg' | 'N' | 'mm' | 'MPa' | 'kg/m²' | 'kg/m³' | '×' | '×D';
  readonly tag: '[ASSUME]' | '(m)';
  readonly what: string;
  /** Its page in docs/formulas. */
  readonly page: string;
}

const row = (value: number, unit: Assumed['unit'], page: string, what: string, tag: Assumed['tag'] = '[ASSUME]'): Assumed => ({ value, unit, tag, what, page });

export const ASSUMED = {
  // loads
  hardwareShare: row(0.05, '×', 'panel-mass', 'screws, glue and small hardware, over the mass of the wood'),
  contentsDensity: row(600, 'kg/m³', 'contents-mass', 'no preset is heavier than this by the space it fills'),
  denseContents: row(1000, 'kg/m³', 'contents-mass', 'the same of cans, tins, books and paper'),
  contentsOutward: row(0.1, '×', 'centre-of-gravity', 'of its depth, contents stand further out than the middle'),
  fuller: row(1.25, '×', 'load-cases', 'the planned contents, one day'),
  guessWrong: row(0.3, '×', 'carries-range', 'of what nobody weighed may be on top of it, or missing'),
  solidSpread: row(0.15, '×', 'carries-range', 'of what boards weigh, more or less'),
  sheetSpread: row(0.1, '×', 'carries-range', 'of what sheets weigh, more or less'),
  leaning: row(400, 'N', 'hanging-verdict', 'down on the front edge: someone leans, a child climbs'),
  workPress: row(400, 'N', 'leaf-load', 'work presses the edge of a fold-down with this at least'),
  pulling: row(200, 'N', 'hanging-verdict', 'outward at the bottom: a pull'),
  onDoor: row(250, 'N', 'load-cases', 'a child on the free edge of a door'),
  // load duration
  climbingDuration: row(1.25, '×', 'hanging-verdict', 'on what screws hold, for someone who leans; 1.6 would be allowed for ten minutes'),
  // screws
  steel: row(138, 'MPa', 'head-pull-through', 'on the root of a steel screw: 20 ksi'),
  edgeDistance: row(2.5, '×D', 'wall-half-bending', 'from a screw to an edge, under 1/4 in', '(m)'),
  edgeDistanceThick: row(4, '×D', 'wall-half-bending', 'from a screw of 1/4 in and up to a loaded edge', '(m)'),
  endDistance: row(10, '×D', 'wall-half-bending', 'from a bored screw to an end', '(m)'),
  besideLeast: row(2.5, '×D', 'screws-in-stud', 'between two screws side by side in a stud, at least', '(m)'),
  // cleat
  bearingUp: row(1 / 6, '×', 'prying', 'of its top screw row’s height, the wall half bears on the wall'),
  lockFactor: row(1.5, '×', 'hanging-verdict', 'of what it has to hold, the lock at the bottom must'),
  wallboardBearing: row(0.5, 'MPa', 'spacer-push', 'under the spacer, on wallboard'),
  liftMargin: row(6, 'mm', 'engagement', 'free over the hook for lifting it on'),
  splitSolid: row(1.5, 'MPa', 'cleat-splitting', 'tension across the grain of a solid cleat: cautions only'),
  splitPlywood: row(5, 'MPa', 'cleat-splitting', 'the same across plywood, or what it bears in bending across its grain where that is less: cautions only'),
  // verdict
  fineUse: row(0.8, '×', 'hanging-verdict', 'of its limit, up to which a link is fine'),
  fineTip: row(0.67, '×', 'hanging-verdict', 'of its limit, up to which the hook is fine without a lock'),
  oneStudKg: row(15, 'kg', 'hanging-verdict', 'loaded, on one stud at most'),
  oneStudOff: row(75, 'mm', 'hanging-verdict', 'sideways, from that stud to the centre of gravity at most'),
  overPeople: row(0.5, '×', 'hanging-verdict', 'of its limit, over a bed, a cot or a seat at most'),
  fixingBack: row(12, 'mm', 'cabinet-half-pull', 'a back thinner than this is no fixing'),
  worstStud: row(0.6, '×', 'autopsy', 'of the weight, on the worst of several studs nobody measured'),
  // other walls
  plugUltimate: row(1 / 4, '×', 'other-grounds', 'of what a plug fails at'),
  plugWorking: row(1 / 1.25, '×', 'other-grounds', 'of what a plug may carry as its maker says'),
  anchorUltimate: row(1 / 5, '×', 'other-grounds', 'of what an anchor in wallboard fails at'),
  anchorWorking: row(1 / 1.5, '×', 'other-grounds', 'of what an anchor may carry as its maker says'),
  anchorKg: row(5, 'kg', 'other-grounds', 'on one anchor at most'),
  onAnchorsKg: row(20, 'kg', 'other-grounds', 'loaded, on anchors or light metal studs at most'),
  soundMetal: row(0.84, 'mm', 'other-grounds', 'sheet of a metal stud that holds screws: 20 gauge', '(m)'),
  metalStrength: row(310, 'MPa', 'other-grounds', 'tensile strength of that sheet: 45 ksi', '(m)'),
  metalBearing: row(426.4, 'MPa', 'other-grounds', 'sheet steel bears a bending screw: 61 850 psi', '(m)'),
  solidMasonrySum: row(1.2, '×', 'screw-combined', 'to which pull and shear of a rated plug in solid masonry may add up', '(m)'),
  plugsApart: row(10, '×D', 'other-grounds', 'between two plugs that each count, in diameters of the plug'),
  fixingEnd: row(50, 'mm', 'other-grounds', 'from the first and the last fixing to the strip’s ends'),
  masonryGravity: row(0.42, '×', 'other-grounds', 'masonry bears a bending screw as softwood of this specific gravity'),
  plateWorking: row(1 / 1.5, '×', 'keyhole-plates', 'of what a keyhole plate may carry as its maker says'),
  planeWorking: row(1 / 1.5, '×', 'two-planes', 'of what a fixing of a second plane may carry as its maker says'),
  plugDust: row(10, 'mm', 'other-grounds', 'a plug’s hole is deeper than the plug'),
  // joints
  glueFace: row(0.35, 'MPa', 'joint-capacity', 'glue, wood face to wood face, for good'),
  glueEdge: row(0.17, 'MPa', 'joint-capacity', 'glue, panel edge to wood face, for good'),
  glueFibreTension: row(0.08, 'MPa', 'joint-capacity', 'glue on MDF or particleboard that is pulled straight off, for good'),
  leastLip: row(10, 'mm', 'joint-capacity', 'a lip under a slot lower than this is none'),
  edgeShear: row(0.67, '×', 'joint-capacity', 'of a screw’s shear, in a panel’s edge', '(m)'),
  edgePull: row(0.5, '×', 'joint-capacity', 'of a screw’s pull, in a plywood edge'),
  fibreEdge: row(130, 'N', 'joint-capacity', 'a #10 screw pulled out of a particleboard edge, 25 mm deep', '(m)'),
  pocket: row(130, 'N', 'joint-capacity', 'a pocket screw, across and along'),
  pocketSeat: row(1, '×', 'pocket-screws', 'of its part’s thickness, from the seat of a pocket screw’s head to the end it leaves'),
  brad: row(29, 'N', 'joint-capacity', 'an 18 gauge brad across; nothing along'),
  dowel: row(100, 'N', 'joint-capacity', 'a glued 8 mm dowel, across'),
  unevenPins: row(1.3, '×', 'joint-capacity', 'of its even share, on one of four shelf pins'),
  pinWood: row(23, 'MPa', 'joint-capacity', 'a shelf pin bears on wood'),
  pinFibre: row(12, 'MPa', 'joint-capacity', 'a shelf pin bears on particleboard or MDF'),
  // sag
  gluedEnds: row(0.8, '×', 'shelf-sag', 'of the sag of a loose shelf, in a glued dado'),
} as const satisfies Readonly<Record<string, Assumed>>;

export type AssumedId = keyof typeof ASSUMED;
