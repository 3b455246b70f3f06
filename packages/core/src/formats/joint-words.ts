/** Text beside the section of a joint: its name, its dimensions, the wood left, and what holds it. */
import { fineText } from '../checks/words/amounts.ts';
import type { JointGroup } from '../joints/joint-groups.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { FastenedBy } from '../model/joinery.ts';

export const JOINT_NAMES: Readonly<Record<JointGroup['kind'], string>> = {
  butt: 'butt',
  dado: 'dado',
  groove: 'groove',
  rabbet: 'rabbet',
  mitre: 'miter',
  'half-lap': 'half lap',
  pins: 'on pins',
  laid: 'laid face on face',
  flush: 'flush',
  hinge: 'hinged',
  slide: 'on slides',
};

const FASTENED: Readonly<Record<FastenedBy, string>> = { screws: 'screws', pockets: 'pocket screws', brads: 'brads', dowels: 'dowels' };

/** A rabbet is as wide as what goes in; only a slot has play. */
export const hasPlay = ({ slot, kind, connections }: JointGroup): boolean => slot !== null && kind !== 'rabbet' && connections[0]!.joint.play > 0;

/** 'glue and 4 screws' */
export function heldByWords({ connections: [first] }: Pick<JointGroup, 'connections'>): string {
  const { joint } = first!;
  const held = [
    joint.glue ? 'glue' : '',
    joint.fastening ? `${joint.fastening.count} ${FASTENED[joint.fastening.by]}` : '',
    joint.kind === 'pins' ? 'shelf pins' : '',
  ].filter((words) => words !== '');
  return held.length === 0 ? 'nothing but what stands round it' : held.join(' and ');
}

/** How its fasteners are loaded; null where they are not, or for brads, which only hold until the glue sets. */
export function loadedWords({ loaded, connections: [first] }: Pick<JointGroup, 'loaded' | 'connections'>): string | null {
  const { fastening } = first!.joint;
  if (!loaded || !fastening || fastening.by === 'brads') return null;
  return loaded === 'across' ? 'shears them, as it should' : 'draws them straight out';
}

/** Its dimensions as text, one per line. */
export function jointWords(group: JointGroup, unit: DisplayUnit): string[] {
  const { guest, slot, lip, connections } = group;
  const { joint } = connections[0]!;
  const fine = (nm: number): string => fineText(nm, unit);
  const loads = loadedWords(group);
  return [
    `${connections.length === 1 ? 'One of these' : `${connections.length} of these`}: ${JOINT_NAMES[group.kind]}.`,
    `What goes in is ${fine(guest.thickness)} thick${slot ? `; the slot is ${fine(slot.width)} wide and ${fine(slot.depth)} deep` : ''}.`,
    ...(hasPlay(group) ? [`Play ${fine(joint.play)}${joint.fit ? `, a ${joint.fit} fit` : ''}.`] : []),
    ...(slot
      ? [`${slot.opposed ? 'Left between both slots' : 'Left under it'}: ${fine(slot.left)}${lip === null ? '' : `; to the nearer end or edge: ${fine(lip)}`}.`]
      : []),
    `Held by ${heldByWords(group)}${loads ? `; a load ${loads}` : ''}.`,
  ];
}
