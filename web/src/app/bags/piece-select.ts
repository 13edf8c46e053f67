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
import { waterState, type Piece } from '@yard-spool/contract';
import { UnitsService } from '../data/units.service';
import { pieceGroups } from './piece-groups';

/** The piece a layer is cut from, by line, with what is free on it and whether it is wet. */
@Component({
  selector: 'ys-piece-select',
  imports: [ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="block">
      <span class="caption block pb-0.5">{{ label() }}</span>
      <select #select class="entry" [formControl]="control()">
        <option value="">Choose a piece</option>
        @for (group of groups(); track group.name) {
          <optgroup [label]="group.name">
            @for (piece of group.pieces; track piece.id) {
              <option [value]="piece.id">{{ words(group.name, piece) }}</option>
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

  private readonly select = viewChild.required<ElementRef<HTMLSelectElement>>('select');
  protected readonly groups = computed(() => pieceGroups(this.pieces()));

  focus(): void {
    this.select().nativeElement.focus();
  }

  protected words(name: string, piece: Piece): string {
    const free = this.units.length((piece.lengthMm - piece.promisedMm) / 1000);
    const water = waterState(piece);
    return `${name} · ${piece.code} · ${free}${water === 'dry' ? '' : ` · ${water}`}`;
  }
}
