import { darken, lighten, type LineStyle } from './line-style';

/** Side of a texture's tile, px. */
const SIDE: Readonly<Record<LineStyle['texture'], number>> = {
  nylon: 6,
  fluorocarbon: 24,
  braid: 6,
  'hollow-braid': 12,
  salvage: 14,
  tail: 8,
  gone: 8,
};

/** The tile a line's texture is made of: its side, px, whether it lies across, and its two colours. */
export interface TextureTile {
  readonly side: number;
  readonly turned: boolean;
  readonly ground: string;
  readonly stroke: string;
}

/** How a line is drawn: texture and tint together, never colour alone. */
export const tileOf = ({ texture, tint }: LineStyle): TextureTile => ({
  side: SIDE[texture],
  turned: ['braid', 'hollow-braid', 'salvage'].includes(texture),
  ground: texture === 'hollow-braid' ? lighten(tint, 0.45) : tint,
  stroke: darken(tint, 0.42),
});
