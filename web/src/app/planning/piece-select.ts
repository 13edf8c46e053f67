import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import type { Piece, Product } from '@yard-spool/contract';
import { waterState } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { byLine } from './draft-sources';
import { pieceGroups, type PieceGroup } from './piece-groups';

/** The line of a layer, for the rack to propose a piece of it, or the very piece; each with what is free and whether it is wet. */
@Component({
  selector: 'ys-piece-select',
  imports: [ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="block">
      <span class="caption block pb-0.5">{{ label() }}</span>
      <select #select class="entry" [formControl]="control()">
        <option value="">Choose the line</option>
        @for (group of groups(); track group.code) {
          <optgroup [label]="group.name">
            <option [value]="byLine(group.code)">{{ lineWords(group) }}</option>
            @for (piece of group.pieces; track piece.id) {
              <option [value]="piece.id">{{ words(group.name, piece) }}</option>
            }
          </optgroup>
        }
        @if (sources().length) {
          <optgroup label="Not from the rack">
            @for (source of sources(); track source.value) {
              <option [value]="source.value">{{ source.name }}</option>
            }
          </optgroup>
        }
      </select>
    </label>
  `,
  host: { class: 'block min-w-0' },
})
export class PieceSelect {
  private readonly units = inject(UnitsService);

  readonly label = input.required<string>();
  readonly control = input.required<FormControl<string>>();
  readonly pieces = input.required<readonly Piece[]>();
  /** Lines the shop knows, on the rack or not. */
  readonly lines = input<readonly Product[]>([]);
  /** Line that comes from no piece of the rack. */
  readonly sources = input<readonly { readonly value: string; readonly name: string }[]>([]);

  private readonly select = viewChild.required<ElementRef<HTMLSelectElement>>('select');
  protected readonly byLine = byLine;
  protected readonly groups = computed(() => pieceGroups(this.pieces(), this.lines()));

  focus(): void {
    this.select().nativeElement.focus();
  }

  protected lineWords({ name, pieces }: PieceGroup): string {
    return pieces.length > 0 ? `${name}, any piece` : `${name}, not in stock yet`;
  }

  protected words(name: string, piece: Piece): string {
    const free = this.units.length((piece.lengthMm - piece.promisedMm) / 1000);
    const water = waterState(piece);
    return `${name} · ${piece.code} · ${free}${water === 'dry' ? '' : ` · ${water}`}`;
  }
}
