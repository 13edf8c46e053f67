import { bulkIn, inferSpool, planFill, woundArea } from '@yard-spool/core';
import { DEMO_BAGS, type DemoReel } from './bags';
import { planInputOf } from './plan-input';

/** A reel as it truly is, for the simulated line meter: mm, and mm a spool turn. */
interface TrueReel {
  readonly name: string;
  readonly radius: number;
  readonly gear: number;
  readonly layers: readonly { readonly name: string; readonly rise: number }[];
}

/** How far the truth lies from what is believed, in standard deviations of it: this much one way or the other, by turns. */
const OFF = 0.8;

/**
 * The reels of the scenario that wait to be wound, as they truly are: not as they are believed to be, so that there is
 * something to measure. The truth is drawn from what is believed of each spool.
 */
export function reelsToMount(): TrueReel[] {
  const waiting = DEMO_BAGS.filter(({ state }) => state !== 'filled').flatMap(({ customer, reels, state }) =>
    reels.map((reel) => ({ reel, owner: customer[0], begun: state === 'half-filled' })),
  );
  return waiting.map(({ reel, owner, begun }, i) =>
    trueReel(reel, `${reel.label} of ${owner}`, { off: i % 2 === 0 ? OFF : -OFF, begun }),
  );
}

function trueReel(
  reel: DemoReel,
  name: string,
  { off, begun }: { readonly off: number; readonly begun: boolean },
): TrueReel {
  const { observations, request } = planInputOf(reel);
  const inferred = inferSpool(observations);
  const plan = inferred.ok ? planFill(inferred.value, request) : null;
  if (!inferred.ok || !plan?.ok) throw new Error(`${name} cannot be planned.`);
  const { spool, deviation } = inferred.value;
  const packing = spool.packing * (1 - off * 0.05);
  const lines = request.layers.flatMap((layer, at) => {
    if (layer.kind !== 'line') return [];
    const area = woundArea(layer.line.diameter, bulkIn(inferred.value, layer.line), packing);
    return [{ name: layer.id, rise: area / spool.width, turns: plan.value.layers[at]?.spoolTurns ?? 0 }];
  });
  const arbor = spool.arborRadius + off * deviation.arborRadius;
  const [backing] = lines;
  const on = begun && backing ? backing : null;
  return {
    name,
    radius: arbor + (on ? on.turns * on.rise : 0),
    gear: reel.gear,
    layers: (on ? lines.slice(1) : lines).map(({ name: layer, rise }) => ({ name: layer, rise })),
  };
}
