/** What sets off each check of how a box goes together and how it is made; used by checks.test.ts. */
import { newInsert } from '../cabinets/inserts.ts';
import { entered } from '../length/entered.ts';
import type { EditStep } from '../model/edit.ts';
import type { Case } from './check-case.ts';
import { newSpec } from './family-units.ts';
import { ink, typed } from './print-room.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** Another family in the ink cupboard's place. */
const inItsPlace = (family: CabinetSpec['family'], more: object = {}): EditStep => ({
  path: ['units', 'ink'],
  value: { ...newSpec(family), id: 'ink', place: { along: entered('895 mm'), up: entered('1320 mm') }, ...more },
});

const holder = (depth: string): EditStep => ink('inserts.i1', { ...newInsert({ unit: 'mm', stock: 'birch-18' }, 'i1', 1, 'bottom'), depth: entered(depth) });

const finish = (kind: string, when: string): EditStep => ink('finish', { kind, when, masked: false });
const divided: EditStep = ink('dividers', { v1: { id: 'v1', order: 1, at: null, in: 'bottom', level: 1 } });

/** A ledge rack whose strips are so high; its family's own are 30. */
const strips = (height: string): EditStep => {
  const rack = newSpec('ledge-rack') as Extract<CabinetSpec, { family: 'ledge-rack' }>;
  const ledges = Object.fromEntries(Object.entries(rack.ledges).map(([id, ledge]) => [id, { ...ledge, stripHeight: entered(height) }]));
  return inItsPlace('ledge-rack', { ledges });
};

export const MAKING_CASES: readonly Case[] = [
  {
    check: 'grain-crossed',
    edits: [ink('grains', { 'shelf/s1': 'width' })],
    severity: 'change',
    says: /Shelf 1, 676 mm shy long, spans across its face grain/,
  },
  {
    check: 'grain-crossed',
    edits: [ink('grains', { 'shelf/s1': 'free' })],
    severity: 'look',
    says: /Shelf 1, 676 mm shy long, may come out spanning across its face grain/,
  },
  {
    check: 'grain-crossed',
    edits: [ink('front', 'doors'), ink('grains', { 'door/left': 'width' })],
    severity: 'look',
    says: /The grain of the left door runs across that of the right door beside it/,
  },
  {
    check: 'no-straight-edge',
    edits: [],
    severity: 'change',
    says: /offcut 9 of Birch plywood 18 mm has no straight edge, and no saw here makes one/,
    cures: false,
    workshop: (workshop) => {
      const { 'guided-saw': _gone, ...machines } = workshop.shop.machines;
      const offcut = { id: 'offcut-9', product: 'birch-18', kind: 'offcut' as const, length: entered('900 mm'), width: entered('500 mm'), crooked: true };
      return { ...workshop, shop: { ...workshop.shop, machines }, pieces: { ...workshop.pieces, 'offcut-9': offcut } };
    },
  },
  { check: 'thin-rip', edits: [strips('22 mm')], severity: 'look', says: /is a strip only 22 mm wide/, cures: false },
  {
    check: 'thin-rip',
    edits: [strips('22 mm')],
    severity: 'stop',
    says: /is a strip only 22 mm wide/,
    cures: false,
    // One saw, and its fence goes no further than 40 mm: only the strip itself fits beside the blade.
    workshop: (workshop) => ({
      ...workshop,
      shop: { ...workshop.shop, machines: { 'table-saw': { ...workshop.shop.machines['table-saw']!, rip: entered('40 mm'), crosscut: entered('300 mm') } } },
    }),
  },
  {
    check: 'through-or-between',
    // Two shelves in 769.4: evenly the lower stands at (769.4 − 2 × 17.8) / 3 = 244.6.
    edits: [ink('shelves.s2.at', null), typed('shelves.s1.at', '262.4 mm')],
    severity: 'change',
    says: /shelf 1 is typed as 262\.4 mm; by itself it would be 244\.6 mm\. The difference is one thickness of 17\.8 mm/i,
  },
  {
    check: 'through-or-between',
    edits: [inItsPlace('cabinet-run', { parts: runOf('400 mm', '400 mm', '364 mm'), width: entered('1200 mm') })],
    severity: 'change',
    says: /Width of part 3 is typed as 364 mm; by itself it would be 400 mm\. The difference is two thicknesses/,
  },
  {
    check: 'through-or-between',
    edits: [inItsPlace('drawer-unit', { drawers: drawersOf('100 mm', '100 mm', '239.2 mm') })],
    severity: 'change',
    says: /Front of drawer 3 is typed as 239\.2 mm; by itself it would be 221\.4 mm/,
  },
  {
    check: 'not-filled',
    edits: [inItsPlace('drawer-unit', { drawers: drawersOf('60 mm', '60 mm', '66.4 mm') })],
    severity: 'change',
    says: /Front of drawer 3 leaves 235 mm open/,
  },
  {
    check: 'not-filled',
    edits: [inItsPlace('drawer-unit', { drawers: drawersOf('100 mm', '100 mm', '260 mm') })],
    severity: 'stop',
    says: /Front of drawer 3 is .* too large for what the others leave/,
  },
  { check: 'front-clearance', edits: [ink('front', 'doors'), holder('255 mm')], severity: 'change', says: /stands .* in the way of the (left |right )?door/ },
  { check: 'tight-back', edits: [typed('back.play', '0.2 mm')], severity: 'look', says: /back has 0\.4 mm play in all; 1 mm is wanted/ },
  { check: 'round-corner', edits: [ink('stopEnds', 'round'), typed('setback', '20 mm')], severity: 'change', says: /4 stopped slots end round, by 8\.9\d* mm/ },
  {
    check: 'split-back',
    edits: [typed('height', '2500 mm'), typed('place.up', '40 mm')],
    severity: 'change',
    says: /The back, 2464.* by 679.*, does not come out of one Birch plywood 6 mm/,
  },
  {
    check: 'split-back',
    edits: [typed('back.split', '100 mm')],
    severity: 'look',
    says: /seam of the back, 100 mm above the inside floor, lies behind no shelf/,
  },
  {
    check: 'glued-shut',
    edits: [ink('stock', 'pine-panel-18'), ink('shelfJoint', 'butt'), ink('shelves', {}), divided],
    severity: 'change',
    says: /Divider 1 is glued by its end grain/,
  },
  {
    check: 'not-mirrored',
    edits: [ink('shelves.s1.fixing', 'pins'), ink('pins.fromRight', 'top')],
    severity: 'change',
    says: /pin holes at the two ends of shelf 1 are \d.* apart in height/,
  },
  {
    check: 'wood-movement',
    // Ply all round, but for its panel: 600 wide inside.
    edits: [inItsPlace('tool-till', { panelStock: 'pine-panel-18' })],
    severity: 'look',
    says: /Tilted panel is solid wood \d.* wide, fixed across its grain to the bottom: it moves by about \d.* over the year/,
  },
  {
    check: 'not-glass',
    edits: [ink('front', 'doors'), ink('doors.infill', 'glass')],
    severity: 'change',
    says: /pane is glass, and is weighed and cut as Birch plywood 6 mm/,
  },
  { check: 'taper-before-slots', edits: [inItsPlace('tool-till', { cutFirst: 'shape' })], severity: 'change', says: /is shaped before \d+ slots are cut/ },
  {
    check: 'tear-out',
    // Both shelves in both sides; top and bottom go into rabbets that end at the sides' ends and run out the same way.
    edits: [ink('slotExit', 'bare'), ink('band', null)],
    severity: 'look',
    says: /slots come out across the grain over edges that show, the first in the left side/i,
  },
  {
    check: 'already-cut',
    edits: [],
    record: [{ id: 'cut-1', at: '2026-03-01T09:00:00Z', kind: 'as-cut', asCut: { panel: 'ink/shelf/s1', length: entered('650 mm') } }],
    severity: 'change',
    // 700 − 2 × 17.8 + 2 × 6 is 676.4, less what is left free at the ends of the slots.
    says: /Shelf 1 is cut 650 mm long; the plan has it at 67\d/,
  },
  {
    check: 'already-glued',
    edits: [],
    record: [
      {
        id: 'glue-1',
        at: '2026-03-01T09:00:00Z',
        kind: 'step',
        done: {
          step: 'ink/glue/side/left',
          kind: 'glue',
          panels: ['side/left', 'side/right', 'top', 'bottom', 'hanging-rail', 'shelf/s2'].map((id) => `ink/${id}`),
        },
      },
    ],
    severity: 'change',
    says: /^Shelf 1 came after all round it was glued up/,
  },
  {
    check: 'finish-before-assembly',
    edits: [typed('shelves.s1.at', '100 mm'), finish('oil', 'after')],
    severity: 'look',
    says: /is 100 mm wide and 27[34].* deep: no brush reaches/,
  },
  { check: 'squeeze-out', edits: [finish('stain', 'after')], severity: 'change', says: /Stain goes on after \d+ joints are glued/ },
  { check: 'glue-on-finish', edits: [finish('varnish', 'before')], severity: 'change', says: /The varnish goes on before assembly/ },
  {
    check: 'nail-blows-out',
    edits: [ink('stock', 'birch-12'), ink('assembly.by', 'brads'), ink('assembly.perJoint', 4), typed('assembly.length', '50 mm')],
    severity: 'change',
    says: /Brads of 50 mm may wander 7.* in the .*; 6 mm of wood covers them/,
  },
  {
    check: 'visible-pocket-holes',
    edits: [ink('assembly.by', 'pockets'), ink('assembly.perJoint', 3), ink('assembly.pocketsOn', 'under')],
    severity: 'look',
    says: /pocket holes on the underside of the .*, \d.* above the floor, are seen/,
  },
  {
    check: 'edge-split',
    edits: [ink('assembly.perJoint', 2), ink('assembly.pilot', false)],
    severity: 'change',
    says: /undrilled, 40 mm from its ends; that wants 60 mm/,
  },
  {
    check: 'edge-split',
    edits: [ink('assembly.perJoint', 12), ink('assembly.screw', '6mm')],
    severity: 'look',
    says: /Screws stand 11.* mm.* from the ends .*; 15 mm is wanted/,
  },
  {
    check: 'hollow-core',
    edits: [ink('stock', 'hollow-door-40'), ink('assembly.perJoint', 2), ink('shelfJoint', 'butt')],
    severity: 'stop',
    says: /of Hollow door 40 mm; it is solid for 30 mm from its edges/,
  },
];

function runOf(...widths: readonly string[]): object {
  return Object.fromEntries(
    widths.map((width, index) => [
      `c${index + 1}`,
      {
        id: `c${index + 1}`,
        order: index + 1,
        kind: 'box',
        width: entered(width),
        height: null,
        shelves: 1,
        front: 'open',
        bridge: null,
        lower: null,
        lowerShelves: 1,
        lowerFront: 'open',
      },
    ]),
  );
}

function drawersOf(...heights: readonly string[]): object {
  return Object.fromEntries(heights.map((height, index) => [`d${index + 1}`, { id: `d${index + 1}`, order: index + 1, height: entered(height) }]));
}
