import type { Line } from '../lines/line';
import type { LayerRequest } from '../plan/fill-request';

/** A layer of line as it lies on a spool: its length in m, where it begins and ends in mm. */
export interface Lying {
  readonly line: Line;
  readonly length: number;
  readonly innerRadius: number;
  readonly outerRadius: number;
}

/** Less than this is how lengths are rounded, m. */
const NOTHING = 0.0005;

/** Radius up to which a share of a layer lies, from its inner end. Line takes room in proportion to its length. mm */
const radiusAt = ({ innerRadius, outerRadius }: Lying, share: number): number =>
  Math.sqrt(innerRadius ** 2 + share * (outerRadius ** 2 - innerRadius ** 2));

/** The inner part of a layer, of so many metres. */
const inner = <T extends Lying>(layer: T, length: number): T => ({
  ...layer,
  length,
  outerRadius: radiusAt(layer, layer.length > 0 ? length / layer.length : 0),
});

/** The innermost metres of what lies on a spool, layer by layer from the arbor; all of it where there is less. */
export function innermost<T extends Lying>(layers: readonly T[], metres: number): T[] {
  let left = Math.max(0, metres);
  return layers.flatMap((layer) => {
    const length = Math.min(left, layer.length);
    left -= length;
    return length > NOTHING ? [inner(layer, length)] : [];
  });
}

export const lengthOn = (layers: readonly Pick<Lying, 'length'>[]): number =>
  layers.reduce((sum, { length }) => sum + length, 0);

/** What lies on a spool once so many metres are gone off its top. */
export const withoutTop = <T extends Lying>(layers: readonly T[], off: number): T[] =>
  innermost(layers, lengthOn(layers) - Math.max(0, off));

/**
 * The outermost metres, in the order in which they come off: the end that was outermost is first. What was joined in a
 * layer stays joined.
 */
export function outermost<T extends Lying>(layers: readonly T[], metres: number): T[] {
  let left = Math.max(0, metres);
  return layers.toReversed().flatMap((layer) => {
    const length = Math.min(left, layer.length);
    left -= length;
    return length > NOTHING ? [{ ...layer, length }] : [];
  });
}

/** The line that is fished: what lies on top, down to where another line begins. */
export function topLine<T extends Lying>(layers: readonly T[]): T[] {
  const key = layers.at(-1)?.line.key;
  return layers.slice(1 + layers.findLastIndex(({ line }) => line.key !== key));
}

/** Metres that lie above a radius: what is gone where the surface stands there now. */
export function metresAbove(layers: readonly Lying[], radius: number): number {
  return layers.reduce((sum, layer) => {
    const { innerRadius, outerRadius, length } = layer;
    const whole = outerRadius ** 2 - innerRadius ** 2;
    const below = Math.min(1, Math.max(0, (radius ** 2 - innerRadius ** 2) / whole));
    return sum + (whole > 0 ? (1 - below) * length : radius < innerRadius ? length : 0);
  }, 0);
}

type Left = Extract<LayerRequest, { kind: 'retained' }>['left'];

/** People say what stays on to a metre or a yard. */
const ROUNDED = 1;

/** The key old line has where nobody knows which line it is. */
export const OLD_LINE = 'old line';

/**
 * Old line that stays on a spool of which it is on record what lies there: the very lines, from the arbor up to the amount
 * that was said. A depth or a share is met by the topmost of them; those below it stay whole.
 *
 * @param lip lip radius of the spool, mm
 */
export function keptFromRecord(layers: readonly Lying[], left: Left, lip: number): LayerRequest[] {
  const arbor = layers[0]?.innerRadius ?? 0;
  const metres =
    'length' in left
      ? left.length
      : lengthOn(layers) -
        metresAbove(layers, 'depth' in left ? lip - left.depth : shareRadius(left, arbor, lip));
  // Said to a whole metre or yard, an amount that ends at a join reaches a little into the line above it.
  const stays = innermost(layers, metres).filter(({ length }, i) => i === 0 || length >= ROUNDED);
  return stays.map(({ line, length }, i): LayerRequest => {
    const top = i === stays.length - 1 && !('length' in left);
    return {
      kind: 'retained',
      id: i === 0 ? 'kept' : `kept-${String(i + 1)}`,
      line,
      left: top ? left : { length },
    };
  });
}

const shareRadius = ({ share }: Extract<Left, { share: unknown }>, arbor: number, lip: number): number =>
  arbor + ((share[0] + share[1]) / 2) * (lip - arbor);
