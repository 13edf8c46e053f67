/** One spool, one line, wound layer upon layer. */
export interface LayerStack {
  /** Radius the first layer lies on, mm. */
  readonly inner: number;
  /** Winding width, mm. */
  readonly width: number;
  /** Distance between neighbouring turns, mm. */
  readonly pitch: number;
  /** How much each layer raises the surface, mm. */
  readonly height: number;
  readonly layers: number;
}

/**
 * Length of line in a stack of layers, m, summed turn by turn: layer k has W/p turns at radius R0 + h (k + ½),
 * each √((2πr)² + p²) long. Slow and exact; the closed form in `winding.ts` is checked against it.
 */
export function layerSum({ inner, width, pitch, height, layers }: LayerStack): number {
  let millimetres = 0;
  for (let k = 0; k < layers; k += 1) {
    const around = 2 * Math.PI * (inner + height * (k + 0.5));
    millimetres += (width / pitch) * Math.hypot(around, pitch);
  }
  return millimetres / 1000;
}
