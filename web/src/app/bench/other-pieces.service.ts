import { computed, inject, Injectable } from '@angular/core';
import { api, type Piece } from '@yard-spool/contract';
import { pieceStretches, USUAL_PLAN_RULES, type Line } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { BenchView } from './bench-view';
import { RunStore } from './run-store';

/** What of a piece nobody is promised, m. */
export const freeOf = ({ lengthMm, promisedMm }: Piece): number => Math.max(0, lengthMm - promisedMm) / 1000;

/** A product as the line a layer is wound with. */
export const asLine = ({ code, material, diameter }: Piece['product']): Line => ({
  key: code,
  material,
  diameter,
});

/** A piece that may follow one that ran out, and where its join would lie. */
export interface NextPiece {
  readonly piece: Piece;
  readonly free: number;
  /** Whether the layer is booked to be joined to it. */
  readonly asBooked: boolean;
  /** Metres that are missing on it; 0 where it has enough. */
  readonly short: number;
}

/** The pieces on the rack beside the one that is mounted. */
@Injectable()
export class OtherPieces {
  private readonly store = inject(RunStore);
  private readonly bench = inject(BenchView);
  private readonly apiService = inject(ApiService);
  private readonly rack = load(() => this.apiService.call(api.listPieces));

  /** Whether the rack is here: until then nobody knows what is on it. */
  readonly here = computed(() => this.rack.value() !== undefined);
  /** Pieces that could be mounted, but for the one that is: the shop's own. */
  readonly others = computed((): readonly Piece[] => {
    const mounted = this.bench.mounted();
    return (this.rack.value() ?? []).filter(
      ({ id, broughtWith }) => id !== mounted?.pieceId && broughtWith === null,
    );
  });
  /** Those of the line that is wound. */
  readonly ofThisLine = computed(() => {
    const line = this.bench.lineWound();
    if (!line || this.bench.supply()?.own) return [];
    return this.others().filter(({ product }) => product.code === line.key);
  });
  private readonly layerNow = computed(() => {
    const under = this.store.underWay();
    const winding = this.bench.winding();
    return under?.wound.find(({ id }) => id === winding?.layer) ?? null;
  });
  /** Metres still to go on: what a join would have above it. */
  readonly above = computed(() => {
    const winding = this.bench.winding();
    return winding ? Math.max(0, winding.planned.length.value - winding.lengthSoFar) : 0;
  });
  /** Whether a join there would run through the rings on a long cast. */
  readonly inTheCast = computed(() => this.bench.isMain() && this.above() < USUAL_PLAN_RULES.longCast);
  /** Pieces to go on with: enough on them first, salvage never for a main. */
  readonly next = computed((): readonly NextPiece[] =>
    this.ofThisLine()
      .filter(({ kind }) => !(this.bench.isMain() && kind === 'salvage'))
      .map((piece) => {
        const free = freeOf(piece) + this.promisedHere(piece);
        const asBooked = piece.id === this.joined()?.pieceId;
        return { piece, free, asBooked, short: Math.max(0, this.above() - free) };
      })
      .filter(({ free }) => free > 0)
      .sort((a, b) => Number(b.asBooked) - Number(a.asBooked) || a.short - b.short || a.free - b.free),
  );
  /** The piece this layer is booked to be joined to. */
  private readonly joined = computed(() => {
    const layer = this.bench.current()?.layer;
    return this.store.run()?.job.cuts.filter((cut) => cut.layer === layer)[1];
  });
  /** What this layer itself is promised of a piece, m. */
  private promisedHere({ id }: Piece): number {
    const joined = this.joined();
    return joined?.pieceId === id ? (joined.lengthMm + joined.tailMm) / 1000 : 0;
  }

  /** What the mounted piece gave by the count, m. */
  readonly given = computed(() => {
    const under = this.store.underWay();
    const state = this.bench.state();
    const layer = this.layerNow();
    if (!under || !state || !layer) return 0;
    return (pieceStretches(under, state, layer).at(-1)?.share ?? 1) * layer.length;
  });
  /** What the books had on the mounted piece, m; null where nobody knows. */
  readonly held = computed(() => {
    const run = this.store.run();
    const mounted = this.bench.mounted();
    const layer = this.bench.current()?.layer;
    const booked = this.bench.supply();
    if (booked?.pieceId === mounted?.pieceId) return run?.pieces[layer ?? '']?.length ?? null;
    const piece = this.rack.value()?.find(({ id }) => id === mounted?.pieceId);
    return piece ? piece.lengthMm / 1000 : null;
  });
}
