import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  inject,
  output,
  type OnInit,
  afterNextRender,
} from '@angular/core';
import { parseQuantity } from '@yard-spool/core';
import { QuantityField } from '../ui/quantity-field';
import { text } from '../ui/text-control';
import { BenchCounting } from './bench-counting';
import { BenchView } from './bench-view';

/** The count typed instead of counted. */
@Component({
  selector: 'ys-count-panel',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); set()">
      <ys-quantity-field
        [label]="bench.metered() ? 'Metres on this layer so far' : 'Turns on this layer so far'"
        dimension="count"
        [control]="count"
        [allowed]="{ min: 0, max: 20000 }"
      />
      <div class="flex gap-2.5 pt-2.5">
        <button class="go">Set the count <span class="key">Enter</span></button>
        <button type="button" class="plain" (click)="left.emit()">Cancel <span class="key">Esc</span></button>
      </div>
    </form>
  `,
  host: { class: 'look block px-3.5 py-3' },
})
export class CountPanel implements OnInit {
  protected readonly bench = inject(BenchView);
  private readonly counting = inject(BenchCounting);
  protected readonly count = text();

  /** The count was set, or left as it is. */
  readonly left = output();

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => host.querySelector('input')?.focus());
  }

  ngOnInit(): void {
    this.count.setValue(String(Math.round(this.bench.soFar())));
  }

  protected set(): void {
    const read = parseQuantity(this.count.value, 'count', 'metric', { min: 0, max: 20_000 });
    if (!read.ok) return;
    this.left.emit();
    this.counting.setTo(read.value.value);
  }
}
