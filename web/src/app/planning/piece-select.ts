import { ChangeDetectionStrategy, Component, computed, inject, input, viewChild } from '@angular/core';
import type { FormControl } from '@angular/forms';
import type { Piece, Product } from '@yard-spool/contract';
import { waterState } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { PickField, type PickOption } from '../ui/pick-field';
import { lineFinds } from '../words/line-finds';
import { byLine } from './draft-sources';
import { pieceGroups, type PieceGroup } from './piece-groups';

/** The line of a layer, for the rack to propose a piece of it, or the very piece; each with what is free and whether it is wet. */
@Component({
  selector: 'ys-piece-select',
  imports: [PickField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-pick-field
      placeholder="clear 0.26"
      [label]="label()"
      [control]="control()"
      [options]="options()"
      [mayBeEmpty]="true"
    />
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

  private readonly field = viewChild.required(PickField);
  protected readonly options = computed((): PickOption[] => [
    ...pieceGroups(this.pieces(), this.lines()).flatMap((group) => this.ofLine(group)),
    ...this.sources().map((source) => ({ ...source, beside: 'not from the rack' })),
  ]);

  focus(): void {
    this.field().focus();
  }

  /** A line, then its pieces. */
  private ofLine({ name, code, line, pieces }: PieceGroup): PickOption[] {
    const find = lineFinds(line);
    const free = pieces.reduce((sum, piece) => sum + freeM(piece), 0);
    const any = {
      value: byLine(code),
      find,
      ...(pieces.length > 0
        ? { name: `${name}, any piece`, beside: `${this.units.length(free)} free` }
        : { name: `${name}, not in stock yet` }),
    };
    return [any, ...pieces.map((piece) => ({ ...this.piece(name, piece), find }))];
  }

  private piece(name: string, piece: Piece): PickOption {
    const water = waterState(piece);
    return {
      value: String(piece.id),
      name: `${name} · ${piece.code}`,
      beside: `${this.units.length(freeM(piece))}${water === 'dry' ? '' : ` · ${water}`}`,
    };
  }
}

const freeM = ({ lengthMm, promisedMm }: Piece): number => (lengthMm - promisedMm) / 1000;
