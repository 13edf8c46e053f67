import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { files } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { saveFile } from '../data/file-bytes';
import { Sending } from '../ui/sending';

/** The record of a reel, or of all of a customer's, as open files; a fill's drawings. */
@Component({
  selector: 'ys-take-along',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>{{ of() === 'reel' ? 'Its record as a file' : 'All of their reels as a file' }}</h2>
    <div class="flex flex-wrap gap-2">
      <button type="button" class="plain grow px-2!" [disabled]="out.busy()" (click)="record('csv')">
        CSV
      </button>
      <button type="button" class="plain grow px-2!" [disabled]="out.busy()" (click)="record('json')">
        JSON
      </button>
      @if (fillId(); as fill) {
        <button type="button" class="plain grow px-2!" [disabled]="out.busy()" (click)="drawing('section')">
          Section, SVG
        </button>
        <button type="button" class="plain grow px-2!" [disabled]="out.busy()" (click)="drawing('rule')">
          Rule, SVG
        </button>
      } @else {
        <a class="plain grow px-2!" [routerLink]="['/paper/set-sheet', which()]">Sheet for the boat</a>
      }
    </div>
    @if (out.problem(); as sentence) {
      <p class="look px-3.5 py-2.5 font-bold" role="alert">{{ sentence }}</p>
    }
  `,
  host: { class: 'card grid gap-2 px-3.5 py-3' },
})
export class TakeAlong {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);

  readonly of = input.required<'reel' | 'customer'>();
  readonly which = input.required<string>();
  /** The fill whose drawings can be had; none where it is about all of a customer's. */
  readonly fillId = input<number>();
  protected readonly out = new Sending();

  protected record(format: 'csv' | 'json'): void {
    const query = { of: this.of(), which: this.which(), format };
    this.out.send(this.api.file(files.record.path, query), saveFile);
  }

  protected drawing(what: 'section' | 'rule'): void {
    const query = { fill: String(this.fillId() ?? 0), what, units: this.units.system() };
    this.out.send(this.api.file(files.drawing.path, query), saveFile);
  }
}
