import { message, type CutOff, type JobCut, type Words } from '@yard-spool/core';
import { keyOf, layersIn, type Ask, type CutLayer, type GatheredCuts } from './gather-cuts';

/** A layer that a plan cuts from another piece than the one before, and why. */
export interface MovedCut {
  readonly key: string;
  readonly layer: CutLayer;
  /** Its piece, or both that it is joined from. */
  readonly was: string | null;
  readonly is: string | null;
  readonly why: Words;
}

interface Planned {
  readonly gathered: GatheredCuts;
  readonly cuts: readonly JobCut[];
}

/** What moved from one plan to the next, with the change that is behind it: of its own line, as far as there is one. */
export function movedCuts(before: Planned, now: Planned): MovedCut[] {
  const { gathered: last } = before;
  const was = offsByLayer(before);
  const planned = offsByLayer(now);
  return layersIn(...now.gathered.asks).flatMap((layer): MovedCut[] => {
    const key = keyOf(layer);
    const is = namesOf(planned.get(key) ?? []);
    const offs = was.get(key);
    // What has just come in has not moved.
    if (offs === undefined || namesOf(offs) === is) return [];
    const old = namesOf(offs);
    return [{ key, layer, was: old, is, why: whyMoved(layer, last, now.gathered) }];
  });
}

/** What each layer is cut from: nothing for one that gets none. */
export function offsByLayer({ gathered, cuts }: Planned): ReadonlyMap<string, readonly CutOff[]> {
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  return new Map(
    gathered.asks.flatMap(({ job, main, backing }) => {
      const cut = cutOf.get(job.id);
      const of = (layer: CutLayer | null, offs: readonly CutOff[]) =>
        layer ? [[keyOf(layer), offs] as const] : [];
      return [...of(main, cut ? [cut.main] : []), ...of(backing, cut?.backing ?? [])];
    }),
  );
}

/** Pieces by their codes, whichever of them is wound first; null for none. */
export const namesOf = (offs: readonly { readonly piece: string }[]): string | null =>
  offs.length === 0
    ? null
    : offs
        .map(({ piece }) => piece)
        .sort()
        .join(' + ');

function whyMoved(layer: CutLayer, before: GatheredCuts, now: GatheredCuts): Words {
  const asked = pinsOf(before).get(keyOf(layer)) !== pinsOf(now).get(keyOf(layer));
  if (asked) return layer.pin === null ? 'What was asked for by hand was taken back' : 'Asked for by hand';
  return otherPiece(layer, before, now) ?? otherReel(layer, before, now) ?? 'It wastes less so';
}

const pinsOf = ({ asks }: GatheredCuts): ReadonlyMap<string, string | null> =>
  new Map(layersIn(...asks).map((one) => [keyOf(one), one.pin]));

/** A piece of its line that has more or less than before. */
function otherPiece({ product }: CutLayer, before: GatheredCuts, now: GatheredCuts): Words | null {
  const freeOf = new Map(before.stock.pieces.map(({ id, freeMm }) => [id, freeMm]));
  for (const { id, freeMm, product: of } of now.stock.pieces) {
    const was = freeOf.get(id) ?? 0;
    if (of !== product || was === freeMm) continue;
    const metres = { m: Math.abs(freeMm - was) / 1000 };
    return message(freeMm < was ? 'cuts.piece-less' : 'cuts.piece-more', { piece: id, metres });
  }
  return null;
}

/** A reel that asks for its line and did not before, or does not any more. */
function otherReel({ product }: CutLayer, before: GatheredCuts, now: GatheredCuts): Words | null {
  const asking = ({ asks }: GatheredCuts): ReadonlyMap<string, Ask> =>
    new Map(
      asks
        .filter(({ main, backing }) => main?.product === product || backing?.product === product)
        .map((ask) => [ask.job.id, ask]),
    );
  const old = asking(before);
  const fresh = asking(now);
  const tagOf = ({ main, backing }: Ask): string => (main ?? backing)?.reel.shown.tag ?? '';
  const came = [...fresh].find(([id]) => !old.has(id))?.[1];
  if (came) return message('cuts.reel-came', { tag: tagOf(came) });
  const gone = [...old].find(([id]) => !fresh.has(id))?.[1];
  return gone ? message('cuts.reel-gone', { tag: tagOf(gone) }) : null;
}
