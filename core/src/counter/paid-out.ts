import { lengthBetween, radiusAfter, turnsBetween } from '../winding/winding';

/** One layer as line that is pulled off meets it: where it ends, mm, and its wound area, mm². */
export interface CounterLayer {
  readonly inner: number;
  readonly area: number;
}

/**
 * A wound spool as a counter sees it, from the top down. The arbor's taper does not matter: turns lie parallel to it, and
 * each radius is the mean over the width.
 */
export interface CounterSpool {
  /** Traverse width, mm. */
  readonly width: number;
  /** Radius of the surface, mm. */
  readonly outer: number;
  /** Radius of the lip, mm. */
  readonly lip: number;
  /** Layers of line, the one on top first. */
  readonly layers: readonly CounterLayer[];
}

/** What paying out comes to: spool turns, metres that went out (less where the spool is empty before), where the surface is. */
export interface PaidOut {
  readonly turns: number;
  readonly length: number;
  readonly radius: number;
}

/**
 * Spool turns a length takes that is pulled off a spool, piecewise where another layer begins: N = W (R − r)/e with
 * r² = R² − 1000 L e/(π W). The closed forms are those of `winding`.
 *
 * @param length m
 */
export function payOut({ width, outer, layers }: CounterSpool, length: number): PaidOut {
  let radius = outer;
  let left = length;
  let turns = 0;
  for (const { inner, area } of layers) {
    const from = Math.max(radius, inner);
    const take = Math.min(left, Math.max(0, lengthBetween(width, inner, from, area)));
    const to = Math.max(inner, radiusAfter(width, from, area, -take));
    turns += turnsBetween(width, to, from, area);
    left -= take;
    radius = to;
    if (left <= 0) break;
  }
  return { turns, length: length - left, radius };
}

/** Metres a number of spool turns lets out: `payOut` the other way round. */
export function lengthOut({ width, outer, layers }: CounterSpool, turns: number): number {
  let radius = outer;
  let left = turns;
  let length = 0;
  for (const { inner, area } of layers) {
    const from = Math.max(radius, inner);
    const take = Math.min(left, Math.max(0, turnsBetween(width, inner, from, area)));
    const to = from - (take * area) / width;
    length += lengthBetween(width, to, from, area);
    left -= take;
    radius = to;
    if (left <= 0) break;
  }
  return length;
}

/** Metres of the layer on top: the length at which its join leaves the spool. */
export const topLength = ({ width, outer, layers: [top] }: CounterSpool): number =>
  top ? lengthBetween(width, top.inner, Math.max(top.inner, outer), top.area) : 0;

/** Spool turns that wind metres on the top layer, or take them off where below zero. */
export const movedTurns = (spool: CounterSpool, metres: number): number => {
  const [top] = spool.layers;
  return top ? turnsBetween(spool.width, spool.outer, withMoved(spool, metres).outer, top.area) : 0;
};

/** The spool with metres wound on the top layer, or taken off it where they are below zero. */
export const withMoved = (spool: CounterSpool, metres: number): CounterSpool => {
  const [top] = spool.layers;
  return top
    ? { ...spool, outer: Math.max(top.inner, radiusAfter(spool.width, spool.outer, top.area, metres)) }
    : spool;
};
