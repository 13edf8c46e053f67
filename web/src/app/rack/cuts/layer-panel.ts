import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { FormControl } from '@angular/forms';
import type { CutTried, LayerOfPlan, PieceOfPlan } from '@yard-spool/contract';
import { RouterLink } from '@angular/router';
import type { Loaded } from '../../data/loaded';
import { UnitsService } from '../../data/units.service';
import { quantityReader } from '../../ui/read-quantity';
import { PickField } from '../../ui/pick-field';
import { QuantityField } from '../../ui/quantity-field';
import { costOf, piecesNow } from './cut-words';

/** One layer of a reel: where it is cut from, what another piece would cost, and how short its main may be. */
@Component({
  selector: 'ys-layer-panel',
  imports: [PickField, QuantityField, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let one = layer();
    <h2>{{ one.tag }}, {{ one.role }} {{ units.length(one.wantedMm / 1000) }}</h2>
    <p class="text-[13px] text-mute">
      {{ one.label }}, {{ one.customer }},
      <a class="underline underline-offset-2" [routerLink]="['/bags', one.bag]">bag {{ one.bag }}</a
      >. Booked on {{ now() || 'no piece yet' }}{{ one.pinned ? ', asked for by hand' : '' }}.
      @if (one.matches) {
        Its bag’s counters have to agree: their mains come from one lot.
      }
    </p>
    <ys-pick-field label="Cut it from" [control]="piece" [options]="options()" />
    @if (asked()) {
      <p role="status" class="text-[13px]">
        @let found = tried();
        @if (found.state === 'loading') {
          Looking at what {{ askedName() }} would cost.
        } @else if (found.state === 'failed') {
          <b class="text-stop">{{ found.sentence }}</b>
        } @else if (!fits()) {
          <b class="text-stop">{{ askedName() }} has not enough for it.</b>
        } @else if (costs().length === 0) {
          <b class="text-pass">It costs nothing more.</b>
        } @else {
          With {{ askedName() }}: <b>{{ costs().join(', ') }}.</b>
        }
      </p>
    }
    @if (comes()) {
      <p class="text-[13px]">It waits until that is here: nothing can be kept on it before.</p>
    }
    <div class="flex flex-wrap gap-2">
      <button
        type="button"
        class="plain"
        [disabled]="busy() || piece.value === '' || !fits() || comes()"
        (click)="pin.emit(piece.value)"
      >
        Keep it on this piece
      </button>
      @if (one.pinned) {
        <button type="button" class="plain" [disabled]="busy()" (click)="pin.emit(null)">
          Let the plan choose
        </button>
      }
      <button type="button" class="plain" (click)="closed.emit()">Close</button>
    </div>
    @if (one.mayGive) {
      <form
        class="flex flex-wrap items-end gap-2 border-t border-line pt-2"
        (submit)="$event.preventDefault(); keepLeast()"
      >
        <ys-quantity-field
          class="w-44"
          label="Shortest main accepted"
          dimension="line-length"
          [control]="least"
          [allowed]="allowed()"
          [problem]="leastProblem()"
        />
        <button class="plain" [disabled]="busy()">Save</button>
        <p class="w-full text-[13px] text-mute">
          Ask the customer first. Backing makes up for what is left out; empty means all of it.
        </p>
      </form>
    }
  `,
  host: { class: 'card flex flex-col gap-2 p-3' },
})
export class LayerPanel {
  private readonly read = quantityReader();
  protected readonly units = inject(UnitsService);

  readonly layer = input.required<LayerOfPlan>();
  readonly pieces = input.required<readonly PieceOfPlan[]>();
  /** The piece that is asked for, and what that costs once it is known. */
  readonly asked = input('');
  readonly tried = input.required<Loaded<CutTried | null>>();
  readonly busy = input(false);
  readonly leastProblem = input('');
  readonly ask = output<string>();
  readonly pin = output<string | null>();
  /** Metres; null where all of it is wanted. */
  readonly leastSaid = output<number | null>();
  readonly closed = output();

  /** The piece that is chosen: nothing is kept on line that is on order. */
  protected readonly comes = computed(() => {
    const chosen = this.asked() || this.layer().planned;
    return this.pieces().some(({ code, comesAt }) => code === chosen && comesAt !== null);
  });
  protected readonly askedName = computed(() => (this.comes() ? 'the line on order' : this.asked()));
  protected readonly now = computed(() => piecesNow(this.layer()));
  private readonly shownPiece = computed(() => this.asked() || (this.layer().planned ?? ''));
  protected readonly piece = new FormControl('', { nonNullable: true });
  protected readonly least = new FormControl('', { nonNullable: true });
  protected readonly allowed = computed(() => ({ min: 1, max: this.layer().wantedMm / 1000 }));
  protected readonly options = computed(() => [
    ...(this.layer().planned === null ? [{ value: '', name: 'no piece yet' }] : []),
    ...this.pieces().map(({ code, freeMm, opened, comesAt, place }) => ({
      value: code,
      name: comesAt === null ? `${code}, ${opened ? 'open' : 'sealed'}` : `On order, here by ${place}`,
      beside: this.units.length(freeMm / 1000),
    })),
  ]);
  /** Null where nothing is asked for. */
  private readonly found = computed(() => {
    const tried = this.tried();
    return tried.state === 'ready' ? tried.value : null;
  });
  /** Whether it can be kept on the piece that is asked for, or nobody asks for another. */
  protected readonly fits = computed(() => this.tried().state !== 'loading' && this.found()?.with !== null);
  protected readonly costs = computed(() => {
    const found = this.found();
    return found?.with ? costOf(found.planned, found.with, (metres) => this.units.length(metres)) : [];
  });

  constructor() {
    effect(() => {
      const { leastMm } = this.layer();
      this.piece.setValue(this.shownPiece());
      this.least.setValue(leastMm === null ? '' : this.units.length(leastMm / 1000), { emitEvent: false });
    });
    this.piece.valueChanges.subscribe((code) => {
      if (code !== this.shownPiece()) this.ask.emit(code);
    });
  }

  protected keepLeast(): void {
    if (this.least.value.trim() === '') {
      this.leastSaid.emit(null);
      return;
    }
    const metres = this.read(this.least, 'line-length', this.allowed());
    if (metres !== null) this.leastSaid.emit(metres);
  }
}
