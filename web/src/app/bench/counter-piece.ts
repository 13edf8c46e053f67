import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Piece } from '@yard-spool/contract';
import { BenchView } from './bench-view';
import { FindPiece } from './find-piece';
import { OtherPieces } from './other-pieces.service';
import { RunStore } from './run-store';

/** Off which piece comes what a counter asks for, on a reel whose own line stays on. */
@Component({
  selector: 'ys-counter-piece',
  imports: [FindPiece],
  providers: [OtherPieces],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (bench.mounted(); as piece) {
      <p class="text-[17px]" data-test="added-off">
        What goes on comes off <b>{{ piece.code }}</b>, joined to the line that is on.
      </p>
    } @else {
      <details class="card px-3.5 py-2" data-test="which-piece">
        <summary class="min-h-9 cursor-pointer py-1.5 font-bold">Off which piece does it come?</summary>
        <p class="pb-2 text-[14px] text-mute">
          Join it to the line that is on first. Not said, it is recorded as line that is not the shop’s.
        </p>
        <ys-find-piece [among]="ofTheShop()" (taken)="take($event)" />
      </details>
    }
  `,
  host: { class: 'block' },
})
export class CounterPiece {
  protected readonly bench = inject(BenchView);
  private readonly store = inject(RunStore);
  private readonly pieces = inject(OtherPieces);

  /** Stripped line is good for backing only. */
  protected readonly ofTheShop = computed(() =>
    this.pieces.others().filter(({ kind }) => kind !== 'salvage'),
  );

  protected take({ id: pieceId, code }: Piece): void {
    const layer = this.bench.current()?.layer;
    if (layer === undefined) return;
    const payload = { layer, pieceId, code, usedUp: false };
    void this.store.happen({ kind: 'piece-changed', payload });
  }
}
