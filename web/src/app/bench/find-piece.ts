import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormGroup } from '@angular/forms';
import type { Piece } from '@yard-spool/contract';
import { UnitsService } from '../data/units.service';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { freeOf } from './other-pieces.service';

/** Pieces shown at once; the rest is found by typing. */
const SHOWN = 8;

/** A piece of the rack, found by its code or its line. */
@Component({
  selector: 'ys-find-piece',
  imports: [TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-text-field label="Piece or line" placeholder="its code or name" [control]="form.controls.find" />
    @for (piece of found(); track piece.id) {
      <button
        type="button"
        class="plain min-h-12! justify-between! text-left"
        [disabled]="busy()"
        (click)="taken.emit(piece)"
      >
        <span
          >{{ piece.code }} <span class="block text-[13px] font-normal">{{ nameOf(piece) }}</span></span
        >
        <span class="text-mute">{{ free(piece) }} free</span>
      </button>
    } @empty {
      <p class="text-mute">There is no such piece on the rack.</p>
    }
  `,
  host: { class: 'grid gap-1.5' },
})
export class FindPiece {
  private readonly units = inject(UnitsService);

  /** All that may be found. */
  readonly among = input.required<readonly Piece[]>();
  /** What is offered before anything is typed. */
  readonly first = input<readonly Piece[] | null>(null);
  /** The line that is wound: pieces of another are said to be. */
  readonly wound = input<string | undefined>(undefined);
  readonly busy = input(false);
  readonly taken = output<Piece>();

  protected readonly form = new FormGroup({ find: text() });
  private readonly typed = typedValue(this.form);
  protected readonly found = computed((): readonly Piece[] => {
    const find = this.typed().find.trim().toLowerCase();
    if (find === '') return (this.first() ?? this.among()).slice(0, SHOWN);
    return this.among()
      .filter(({ code, product }) => `${code} ${product.name} ${product.code}`.toLowerCase().includes(find))
      .slice(0, SHOWN);
  });

  protected free(piece: Piece): string {
    return this.units.length(freeOf(piece));
  }

  protected nameOf({ product: { code, name } }: Piece): string {
    const wound = this.wound();
    return wound !== undefined && code !== wound ? `${name}: another line` : name;
  }
}
