/** Joints, fastenings and fits that can be chosen. What each of them does is in joints/. */
/**
 * butt: the edge lies on the face. dado, rabbet: it goes in. miter: two edges share a corner and are beveled to half its angle. half-lap: one continues
 * over the other, each halved there. pins: it stays clear of the face and lies on pins. laid: face on face. flush: the edge is cut to the plane of the
 * face, without touching it. hinge, slide: they move against one another, and neither is cut.
 */
export type JointKind = 'butt' | 'dado' | 'rabbet' | 'mitre' | 'half-lap' | 'pins' | 'laid' | 'flush' | 'hinge' | 'slide';

/** screws: through the host into the guest's edge. pockets: angled screws out of the guest's face. brads: driven. dowels: between both. */
export type FastenedBy = 'screws' | 'pockets' | 'brads' | 'dowels';

/** Tightness of a slot: each fit stands for a play set in the shop. */
export type Fit = 'tight' | 'push' | 'glue' | 'loose';

/** Protection against tear-out where a slot breaks an edge: a backing board, a piece left wide and ripped afterward, none. */
export type SlotExit = 'backed' | 'wide' | 'bare';
