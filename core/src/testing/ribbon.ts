/**
 * A ribbon followed numerically: a curve in space with a director carried along it without turning about it
 * (rotation-minimising frame by double reflection; W. Wang et al., Computation of Rotation Minimizing Frames, ACM
 * Transactions on Graphics 27, 2008). What the twist ledger says in closed form is measured here from pictures of the
 * line at successive moments; nothing of the ledger is used.
 */
type Vector = readonly [number, number, number];

const add = (a: Vector, b: Vector, scale = 1): Vector => [
  a[0] + scale * b[0],
  a[1] + scale * b[1],
  a[2] + scale * b[2],
];
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const reflect = (v: Vector, mirror: Vector): Vector =>
  add(v, mirror, (-2 * dot(v, mirror)) / dot(mirror, mirror));
const unit = (v: Vector): Vector => add([0, 0, 0], v, 1 / Math.hypot(...v));
const turnAboutZ = ([x, y, z]: Vector, angle: number): Vector => [
  x * Math.cos(angle) - y * Math.sin(angle),
  x * Math.sin(angle) + y * Math.cos(angle),
  z,
];
/** Angle from one vector to another about an axis, right-handed. */
const angleAbout = (axis: Vector, from: Vector, to: Vector): number =>
  Math.atan2(dot(axis, cross(from, to)), dot(from, to));
const spin = (v: Vector, axis: Vector, angle: number): Vector =>
  add(
    add(add([0, 0, 0], v, Math.cos(angle)), cross(axis, v), Math.sin(angle)),
    axis,
    dot(axis, v) * (1 - Math.cos(angle)),
  );

interface Sample {
  readonly point: Vector;
  readonly tangent: Vector;
}

const SAMPLES = 240;

/** A smooth free path (cubic Hermite) between two ends with their directions. */
function freePath(from: Sample, to: Sample, reach: number): Sample[] {
  return Array.from({ length: SAMPLES + 1 }, (_, i) => {
    const t = i / SAMPLES;
    const at = (a: number, b: number, c: number, d: number): Vector =>
      [0, 1, 2].map(
        (k) =>
          a * from.point[k]! + b * reach * from.tangent[k]! + c * to.point[k]! + d * reach * to.tangent[k]!,
      ) as unknown as Vector;
    const point = at(
      2 * t ** 3 - 3 * t ** 2 + 1,
      t ** 3 - 2 * t ** 2 + t,
      -2 * t ** 3 + 3 * t ** 2,
      t ** 3 - t ** 2,
    );
    const slope = at(6 * t ** 2 - 6 * t, 3 * t ** 2 - 4 * t + 1, -6 * t ** 2 + 6 * t, 3 * t ** 2 - 2 * t);
    return { point, tangent: unit(slope) };
  });
}

/** Carries a director along a path without turning it about the path. */
function carry(path: readonly Sample[], director: Vector): Vector {
  return path.slice(1).reduce((r, next, i) => {
    const here = path[i]!;
    const chord = add(next.point, here.point, -1);
    const left = reflect(r, chord);
    return reflect(left, add(next.tangent, reflect(here.tangent, chord), -1));
  }, director);
}

/** The way between a coil and the axis: the coil's point and its tangent, and the axis beyond the end. */
function endsAt(
  angle: number,
  sense: 1 | -1,
  radius: number,
): { coil: Sample; radial: Vector; axis: Sample } {
  // Line on the coil runs from where the peel point has not been yet to where it is now: against the sense.
  return {
    coil: { point: turnAboutZ([radius, 0, 0], angle), tangent: turnAboutZ([0, -sense, 0], angle) },
    radial: turnAboutZ([1, 0, 0], angle),
    axis: { point: [0, 0, 6 * radius], tangent: [0, 0, 1] },
  };
}

/** Mean twist of a ribbon from its director's angles about the travel, at successive places along it. Left is positive. */
function twistOf(angles: readonly number[], step: number): number {
  let turned = 0;
  for (let i = 1; i < angles.length; i += 1) {
    const change = angles[i]! - angles[i - 1]!;
    turned += change - 2 * Math.PI * Math.round(change / (2 * Math.PI));
  }
  return -turned / (2 * Math.PI) / (step * (angles.length - 1));
}

const MOMENTS = 144;
const COILS = 3;

/**
 * Twist of line drawn over the end of a still spool along +z, turns per metre, from a line that lies on the spool with
 * `lying` turns per metre already.
 *
 * @param sense in which the peel point goes round, right-handed about the travel
 * @param diameter mm
 */
export function overEndRibbon(sense: 1 | -1, diameter: number, lying = 0): number {
  const radius = diameter / 2;
  const step = (COILS * Math.PI * diameter) / MOMENTS / 1000;
  const passed = Array.from({ length: MOMENTS + 1 }, (_, moment) => {
    const angle = (sense * 2 * Math.PI * COILS * moment) / MOMENTS;
    const { coil, radial, axis } = endsAt(angle, sense, radius);
    // Later moments are further back along the travel, so lying left-handed twist has turned the other way there.
    const director = spin(radial, coil.tangent, 2 * Math.PI * lying * step * moment);
    const arrived = carry(freePath(coil, axis, 3 * radius), director);
    return angleAbout([0, 0, 1], [1, 0, 0], arrived);
  });
  // What has passed first lies furthest along the travel.
  return twistOf(passed.reverse(), step);
}

/**
 * Twist with which a rotor lays line on a still spool, turns per metre, from line that comes along the axis with
 * `coming` turns per metre.
 *
 * @param sense in which the rotor goes round, right-handed about the way the line travels
 */
export function rotorRibbon(sense: 1 | -1, diameter: number, coming = 0): number {
  const radius = diameter / 2;
  const step = (COILS * Math.PI * diameter) / MOMENTS / 1000;
  const laid = Array.from({ length: MOMENTS + 1 }, (_, moment) => {
    const angle = (sense * 2 * Math.PI * COILS * moment) / MOMENTS;
    const { coil, radial } = endsAt(angle, sense, radius);
    const axis: Sample = { point: [0, 0, -6 * radius], tangent: [0, 0, 1] };
    const director = spin([1, 0, 0], [0, 0, 1], 2 * Math.PI * coming * step * moment);
    const arrived = carry(freePath(axis, coil, 3 * radius), director);
    return angleAbout(coil.tangent, radial, arrived);
  });
  return twistOf(laid.reverse(), step);
}
