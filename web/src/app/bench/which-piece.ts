import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { api, type Piece } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { FindPiece } from './find-piece';
import { asLine } from './other-pieces.service';
import { RunStore } from './run-store';

/** A layer turned out to be another line than was said: which piece was mounted all along, if anybody knows. */
@Component({
  selector: 'ys-which-piece',
  imports: [FindPiece],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="look grid gap-2 px-3.5 py-3" role="alert" data-test="which-piece">
      <b class="text-[19px]">Which piece was it?</b>
      <p>What is written on the reel, and off which piece it comes, follows from this.</p>
      <ys-find-piece [among]="offered()" (taken)="take($event)" />
      <button type="button" class="plain min-h-14!" (click)="nobodyKnows()">Nobody knows</button>
    </div>
  `,
  host: { class: 'block' },
})
export class WhichPiece {
  private readonly store = inject(RunStore);
  private readonly apiService = inject(ApiService);
  private readonly rack = load(() => this.apiService.call(api.listPieces));

  readonly layer = input.required<string>();
  readonly done = output();

  protected readonly offered = computed((): readonly Piece[] => {
    const now = this.store.facts()?.request.layers.find(({ id }) => id === this.layer());
    const key = now?.kind === 'line' ? now.line.key : '';
    return (this.rack.value() ?? []).filter(
      ({ product, broughtWith }) => product.code !== key && broughtWith === null,
    );
  });

  protected take({ id: pieceId, code, product }: Piece): void {
    const payload = { layer: this.layer(), pieceId, code, usedUp: false, allAlong: true };
    void this.store
      .happen({ kind: 'piece-changed', payload: { ...payload, line: asLine(product) } })
      .then(() => {
        this.done.emit();
      });
  }

  protected nobodyKnows(): void {
    void this.store.happen({ kind: 'settled', payload: { cause: 'line', about: this.layer() } }).then(() => {
      this.done.emit();
    });
  }
}
