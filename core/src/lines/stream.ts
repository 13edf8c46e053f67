import { isBraid, type Material } from './line';

/** What goes to its own bin. Local schemes differ on braid and fluorocarbon, so they are kept apart. */
export const STREAMS = ['nylon', 'fluorocarbon', 'braid'] as const;
export type Stream = (typeof STREAMS)[number];

/** The bin line of a material goes to. */
export const streamOf = (material: Material): Stream =>
  isBraid(material) ? 'braid' : material === 'fluorocarbon' ? 'fluorocarbon' : 'nylon';
