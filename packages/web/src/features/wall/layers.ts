/** Layers of the wall that can be shown or hidden. */
export const LAYERS = [
  { id: 'studs', name: 'Studs' },
  { id: 'bands', name: 'Cable bands' },
  { id: 'holes', name: 'Screw holes' },
] as const;
export type Layer = (typeof LAYERS)[number]['id'];
