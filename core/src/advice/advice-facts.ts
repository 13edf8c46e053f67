import type { ReelType } from '../lines/reel-type';
import type { FillPlan } from '../plan/fill-plan';
import { KILOGRAM_FORCE } from '../quantities/units';
import type { AdviceFacts } from './advice-sheet';
import { supplySizes } from '../twist/supply-sizes';

/** A supply as far as its books tell it: sizes in mm. */
export interface SupplyKnown {
  readonly flangeMm: number | null;
  readonly coreMm: number | null;
  readonly receivedMm: number;
  readonly lengthMm: number;
  readonly leaves: AdviceFacts['leaves'];
  readonly product: { readonly strengthKg: number | null };
}

/** A supply of which nothing is known. */
const UNKNOWN: SupplyKnown = {
  flangeMm: null,
  coreMm: null,
  receivedMm: 1,
  lengthMm: 1,
  leaves: 'unknown',
  product: { strengthKg: null },
};

/**
 * What the house's advice on one reel depends on, from its plan and the pieces its layers are cut from.
 *
 * @param pieces by layer id; a layer without one is the customer's own line
 * @param bevelMm depth of the bottom of a bevelled rim, mm; null where the rim is plain
 * @returns null for a plan without a layer of line
 */
export function adviceFacts(
  { layers }: FillPlan,
  type: ReelType,
  pieces: Readonly<Record<string, SupplyKnown | undefined>>,
  bevelMm: number | null,
): AdviceFacts | null {
  const lines = layers.flatMap((planned) =>
    planned.request.kind === 'line' ? [{ ...planned, request: planned.request }] : [],
  );
  const main = lines.find(({ request }) => request.role === 'main') ?? lines.at(-1);
  if (!main) return null;
  const supply = pieces[main.id] ?? UNKNOWN;
  return {
    type,
    layers: lines.map(({ id, request: { line, role } }) => {
      const kilograms = pieces[id]?.product.strengthKg ?? null;
      return { line, role, strength: kilograms === null ? null : kilograms * KILOGRAM_FORCE };
    }),
    ...(layers[0] ? { room: layers[0].depthBefore } : {}),
    bare: layers[0]?.request.kind === 'line',
    rim: bevelMm === null ? { kind: 'plain' } : { kind: 'bevel', depth: bevelMm },
    reelDiameters: [2 * main.innerRadius, 2 * main.outerRadius],
    supplyDiameters: supplySizes(supply, main.length.value).diameters,
    leaves: supply.leaves,
  };
}
