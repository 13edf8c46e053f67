import type { Material } from '../lines/line';

/** How a line is drawn: its texture and its own tint, never colour alone. */
export interface LineStyle {
  readonly texture: Material | 'salvage' | 'tail' | 'gone';
  /** #rrggbb */
  readonly tint: string;
}

const channel = (hex: string, at: number): number => parseInt(hex.slice(at, at + 2), 16);

/** The tint mixed with ink, for the texture's own strokes. `share` of 0 leaves it, 1 is black. */
export function darken(tint: string, share: number): string {
  const mixed = [1, 3, 5].map((at) => Math.round(channel(tint, at) * (1 - share)));
  return `#${mixed.map((value) => value.toString(16).padStart(2, '0')).join('')}`;
}

/** The tint mixed with white. */
export function lighten(tint: string, share: number): string {
  const mixed = [1, 3, 5].map((at) => Math.round(channel(tint, at) + (255 - channel(tint, at)) * share));
  return `#${mixed.map((value) => value.toString(16).padStart(2, '0')).join('')}`;
}
