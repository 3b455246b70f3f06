/** Cases of the checks of box, hanging and cut list, on the ink cupboard. */
import { newItem } from '../contents/item-form.ts';
import { entered } from '../length/entered.ts';
import type { EditStep } from '../model/edit.ts';
import { onWall, type Case } from './check-case.ts';
import { newSpec } from './family-units.ts';
import { ink, typed } from './print-room.ts';
import type { LedgeRack } from '../model/specs/ledge-rack.ts';
import type { Item } from '../model/item.ts';

/** A ledge rack in the ink cupboard's place, two strips over one another before its lowest ledge. */
const ledgeRack = () => rackWith({ strips: 2 });

/** A rack in its place whose lowest ledge is otherwise. */
function rackWith(more: Partial<LedgeRack['ledges'][string]>) {
  const rack = { ...newSpec('ledge-rack'), id: 'ink', place: { along: entered('895 mm'), up: entered('1320 mm') } };
  if (rack.family !== 'ledge-rack') throw new Error('a ledge rack was asked for');
  return { ...rack, ledges: { ...rack.ledges, l1: { ...rack.ledges['l1']!, ...more } } };
}

/** Glasses that hang by their stems from the rack's lowest ledge. */
const glasses = (count: number): Item => ({
  ...newItem({ id: 'glass', order: 1, unit: 'mm' }),
  name: 'glass',
  count,
  width: entered('70 mm'),
  depth: entered('70 mm'),
  height: entered('80 mm'),
  neck: entered('16 mm'),
  homes: { ink: { l1: { count, pinned: false } } },
});

const underSides: EditStep[] = [ink('bottom.runs', 'over'), ink('bottom.joint', 'butt')];

export const BOX_CASES: readonly Case[] = [
  {
    check: 'nominal-thickness',
    edits: [ink('stock', 'birch-15')],
    severity: 'change',
    says: /15 mm has not been measured; its slots are cut to 15 mm plus 0\.1 mm play/,
    cures: false,
  },
  {
    check: 'weak-bottom',
    edits: [ink('bottom.joint', 'butt'), ink('glue', false), ink('assembly.perJoint', 2), ink('contents.bottom', { preset: 'tools', kg: 60 })],
    severity: 'change',
    says: /bottom rests on glue or fasteners alone, \d+ % used/i,
  },
  { check: 'parts-clash', edits: [typed('shelves.s2.at', '700 mm')], severity: 'stop', says: /shelf 2 and hanging rail stand in one another/i },
  {
    check: 'slender-strip',
    edits: [{ path: ['units', 'ink'], value: ledgeRack() }],
    severity: 'look',
    says: /Front strip of ledge 1 is 664.* long and 6.* thick, with nothing behind its middle/,
  },
  { check: 'cannot-be-made', edits: [typed('setback', '290 mm')], severity: 'stop', says: /shelf 1 has no size left/i, cures: false },
  { check: 'fastener-pulls-out', edits: underSides, severity: 'change', says: /under the sides' ends/ },
  { check: 'sag', edits: [typed('width', '1500 mm'), typed('place.along', '300 mm')], severity: 'look', says: /sag of \d+\.\d mm in years under 22 kg/ },
  { check: 'shelf-breaks', edits: [ink('contents.s1', { preset: 'tools', kg: 230 })], severity: 'stop', says: /bends past/ },
  { check: 'shelf-outside', edits: [typed('shelves.s1.at', '900 mm')], severity: 'stop', says: /no room: \d/ },
  // What was deep enough in 18 mm is not in 12: a third of that.
  { check: 'slot-too-deep', edits: [ink('stock', 'birch-12')], severity: 'change', says: /A rabbet of 8 mm in 12 mm goes past half/ },
  { check: 'slot-too-deep', edits: [typed('jointDepth', '12 mm')], severity: 'change', says: /slot of 12 mm in 17\.8 mm goes past half/ },
  { check: 'screw-too-long', edits: [typed('hanging.wallScrew.length', '120 mm')], severity: 'stop', says: /Wall screws of 120 mm reach/ },
  { check: 'screw-too-long', edits: [typed('hanging.cabinetScrew.length', '45 mm')], severity: 'stop', says: /45 mm come \d.* out of the far face/ },
  { check: 'screw-too-short', edits: [typed('hanging.wallScrew.length', '50 mm')], severity: 'stop', says: /50 mm grip 19\.5 mm/ },
  { check: 'screw-too-short', edits: [typed('hanging.cabinetScrew.length', '30 mm')], severity: 'change', says: /30 mm grip 6 mm/ },
  {
    check: 'screw-too-long',
    edits: [ink('assembly.perJoint', 2), ink('assembly.by', 'pockets'), typed('assembly.length', '45 mm')],
    severity: 'stop',
    says: /Pocket screws of 45 mm come 8\.5 mm out of the far face/,
  },
  {
    check: 'screw-too-short',
    edits: [ink('assembly.perJoint', 2), ink('assembly.by', 'pockets'), typed('assembly.length', '20 mm')],
    severity: 'change',
    says: /Pocket screws of 20 mm grip 2 mm.*; at least 12 mm is needed/,
  },
  {
    check: 'screw-too-short',
    edits: [ink('assembly.perJoint', 2), ink('assembly.by', 'brads'), typed('assembly.length', '30 mm')],
    severity: 'change',
    says: /Brads of 30 mm grip 12 mm.*; at least 16 mm is needed/,
  },
  { check: 'screw-too-short', edits: [ink('assembly.perJoint', 3), typed('assembly.length', '30 mm')], severity: 'change', says: /Joint screws of 30 mm grip/ },
  { check: 'few-studs', edits: [typed('width', '380 mm'), typed('place.along', '700 mm')], severity: 'stop', says: /No stud|Only one stud/ },
  { check: 'no-stud-anchors', edits: [onWall('studs.known', false), onWall('studs.marks', {})], severity: 'stop', says: /where the studs are/, cures: false },
  {
    check: 'lift-clearance',
    edits: [typed('place.up', '1630 mm')],
    severity: 'stop',
    says: /10 mm free above the unit; lifting it onto the cleat takes 24 mm shy/,
  },
  {
    check: 'screw-too-long',
    edits: [{ path: ['units', 'ink'], value: { ...newSpec('fold-down'), id: 'ink', hingeScrew: { screw: '4mm', length: entered('38 mm') } } }],
    severity: 'stop',
    says: /Hinge screws of 38 mm are \d+ mm.* too long/,
  },
  {
    check: 'stem-too-wide',
    edits: [
      { path: ['units', 'ink'], value: rackWith({ kind: 'notched', count: 3, notchWidth: entered('12 mm') }) },
      { path: ['items', 'glass'], value: glasses(2) },
    ],
    severity: 'change',
    says: /Glass is 16 mm wide where a notch takes it; .* are 12 mm/,
  },
  {
    check: 'too-few-notches',
    edits: [
      { path: ['units', 'ink'], value: rackWith({ kind: 'notched', count: 3, notchWidth: entered('20 mm') }) },
      { path: ['items', 'glass'], value: glasses(5) },
    ],
    severity: 'change',
    says: /5 are to hang in .*; it has 3 notches/,
  },
  { check: 'nowhere', edits: [ink('shelves.s2.in', 'gone')], severity: 'change', says: /Shelf 2 is in an opening that is not there/ },
  {
    check: 'part-outside',
    edits: [{ path: ['units', 'ink'], value: rackWith({ strips: 6, stripHeight: entered('80 mm'), stripGap: entered('60 mm') }) }],
    severity: 'stop',
    says: /Front strip of ledge 1 stands \d+ mm( strong| shy)? above the top/,
    cures: false,
  },
  {
    check: 'no-room-for-cut',
    edits: [ink('hanging.notch', { at: entered('100 mm'), length: entered('60 mm'), depth: entered('200 mm') })],
    severity: 'stop',
    says: /A notch in the wall half of the cleat cuts it through/,
  },
  {
    check: 'no-room-for-cut',
    edits: [{ path: ['units', 'ink'], value: rackWith({ kind: 'scooped', count: 3, notchWidth: entered('300 mm'), notchDepth: entered('20 mm') }) }],
    severity: 'stop',
    says: /Two notches in the front strip of ledge 1 run into one another/,
    cures: false,
  },
  {
    check: 'no-room-for-cut',
    edits: [{ path: ['units', 'ink'], value: rackWith({ kind: 'scooped', count: 1, notchWidth: entered('690 mm'), notchDepth: entered('20 mm') }) }],
    severity: 'stop',
    says: /A notch in the front strip of ledge 1 runs past its end/,
    cures: false,
  },
  // A 1x4 cleat, and a rail of the same board: lowered, its screws meet it.
  {
    check: 'half-misses',
    edits: [typed('hanging.boardWidth', '89 mm'), typed('hanging.rail', '89 mm')],
    severity: 'stop',
    says: /cabinet half's screws miss the hanging rail by \d+\.\d mm/,
  },
  {
    check: 'half-misses',
    edits: [typed('hanging.drop', '200 mm'), typed('hanging.rail', '90 mm')],
    severity: 'stop',
    says: /miss the hanging rail by/,
  },
  {
    check: 'half-misses',
    edits: [typed('hanging.boardWidth', '89 mm'), ink('hanging.rail', null), ink('back.stock', 'birch-18'), ink('back.kind', 'between')],
    severity: 'stop',
    says: /miss the back by/,
  },
  { check: 'thin-back-only', edits: [ink('hanging.rail', null)], severity: 'stop', says: /holds only in a back of 6\.2 mm/ },
  {
    check: 'off-balance',
    edits: [typed('hanging.rightInset', '360 mm')],
    severity: 'stop',
    says: /center of gravity is \d.* past the end of where the two halves/,
  },
  {
    check: 'lower-cleat-back',
    edits: [ink('hanging.spacer', null), typed('hanging.lowerCleat', '400 mm')],
    severity: 'stop',
    says: /lower cabinet cleat is screwed to a 6\.2 mm back alone/,
  },
  { check: 'no-spacer', edits: [ink('hanging.spacer', null)], severity: 'stop', says: /no spacer/ },
  {
    check: 'wrong-spacer',
    edits: [ink('hanging.spacer.stock', 'birch-12')],
    severity: 'change',
    says: /spacer is 12 mm, the gap 17\.8 mm: the unit leans \d.* in at the bottom/,
  },
  {
    check: 'lifts-off',
    edits: [ink('hanging.antiLift', false), typed('height', '420 mm'), typed('depth', '420 mm'), ink('shelves', {})],
    severity: 'stop',
    says: /hook is \d+ % used and nothing locks it/,
  },
  {
    check: 'unfastened',
    edits: [ink('hanging.wallScrew.upper', 0), ink('hanging.wallScrew.lower', 0)],
    severity: 'stop',
    says: /No screw holds the wall half/,
  },
  { check: 'unfastened', edits: [ink('hanging.cabinetScrew.count', 0)], severity: 'stop', says: /No screw holds the cabinet half/ },
  { check: 'slim-cleat', edits: [typed('hanging.boardWidth', '110 mm')], severity: 'change', says: /short face of the cleat is 44 mm/ },
  {
    check: 'overhang',
    edits: [typed('width', '800 mm')],
    severity: 'change',
    says: /past the last stud on the right; 162 mm is the most/,
  },
  {
    check: 'cleat-splits',
    edits: [ink('hanging.stock', 'spruce-18x144'), ink('contents.s1', { preset: 'tools', kg: 60 }), typed('hanging.boardWidth', '144 mm')],
    severity: 'look',
    says: /may split along its grain/,
  },
  { check: 'cleat-material', edits: [ink('hanging.stock', 'mdf-18')], severity: 'stop', says: /cleat of MDF is not allowed/ },
  {
    check: 'over-load',
    edits: [ink('contents.s1', { preset: 'tools', kg: 60 })],
    severity: 'stop',
    says: /Carries \d+ kg \(\d+ lb\) of contents; 96 kg planned/,
  },
  {
    check: 'children',
    edits: [typed('depth', '420 mm'), ink('hanging.wallScrew.upper', 1)],
    severity: 'look',
    says: /leaning on the front edge or pulling/,
    cures: false,
  },
  {
    check: 'machine-too-small',
    edits: [typed('depth', '800 mm'), typed('width', '1500 mm'), typed('place.along', '200 mm')],
    severity: 'change',
    says: /needs a rip of 800 mm; the saw goes to 760 mm/,
    cures: false,
  },
  {
    check: 'too-large-for-stock',
    edits: [typed('width', '2700 mm'), typed('place.along', '100 mm')],
    severity: 'stop',
    says: /does not come out of Birch plywood 18 mm/,
    cures: false,
  },
  {
    check: 'too-large-for-stock',
    edits: [ink('hanging.stock', 'board-1x6'), ink('hanging.spacer.stock', 'board-1x6')],
    severity: 'stop',
    says: /700 mm by 160 mm, does not come out of Pine board 1x6/,
  },
  {
    // Across the grain of a sheet it is longer than the sheet is wide.
    check: 'too-large-for-stock',
    edits: [typed('width', '1500 mm'), typed('place.along', '200 mm'), ink('grains', { 'shelf/s1': 'width' })],
    severity: 'stop',
    says: /does not come out of Birch plywood 18 mm/,
  },
  { check: 'look-alikes', edits: [], severity: 'look', says: /differ by \d/, cures: false },
  // 4 × 304 + 3 × 3.2 + 2 × 5 = 1235.6
  {
    check: 'kerf-forgotten',
    edits: [typed('depth', '304 mm')],
    severity: 'change',
    says: /4 strips of 304 mm come out of 1220 mm only .* they need 1235.5 mm strong/,
  },
  {
    check: 'wont-fit-car',
    edits: [],
    severity: 'look',
    says: /Birch plywood 18 mm, 2440 mm by 1220 mm, does not lie flat in the car: 1700 mm by 1000 mm/,
    workshop: (workshop) => ({ ...workshop, shop: { ...workshop.shop, car: { length: entered('1000 mm'), width: entered('1700 mm') } } }),
  },
  { check: 'heavy-sheet', edits: [], severity: 'look', says: /weighs 36 kg/, cures: false },
  { check: 'too-heavy-alone', edits: [], severity: 'change', says: /empty unit weighs 19 kg; one person lifts 15 kg/, cures: false },
  { check: 'glue-on-finish', edits: [ink('stock', 'faced-board-18')], severity: 'change', says: /faced: glue does not hold/ },
];
