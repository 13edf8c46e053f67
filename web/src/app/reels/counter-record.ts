import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormGroup } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { recordedTable, metresPer, runsAheadOf, type RecordedMatch } from '@yard-spool/core';
import { DateTime } from 'luxon';
import { UnitsService } from '../data/units.service';
import { markText, movedText, readingText } from '../words/counter-words';
import { CounterChart } from '../drawing/counter-chart';
import { CounterTable } from '../drawing/counter-table';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { text } from '../ui/text-control';
import { typedValue } from '../ui/typed-value';

const BROKEN = { min: 0, max: 300 };
const THINNER = { min: 0.05, max: 2 };

/** How a reel's counter was set up: the table that hangs on it, its walks, and what it shows after a break-off or on other line. */
@Component({
  selector: 'ys-counter-record',
  imports: [CounterChart, CounterTable, QuantityField, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './counter-record.html',
  host: { class: 'grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] items-start gap-3 max-xl:grid-cols-1' },
})
export class CounterRecord {
  protected readonly units = inject(UnitsService);
  private readonly quantity = quantityReader();

  readonly kept = input.required<RecordedMatch>();
  /** Diameter of the line on top, mm. */
  readonly diameter = input.required<number>();
  /** Metres lost since, as it was told. */
  readonly lost = input(0);
  /** The reel's tag. */
  readonly tag = input.required<string>();
  /** Number of the customer, for the reels fished together. */
  readonly customer = input.required<number>();

  protected readonly brokenAllowed = BROKEN;
  protected readonly thinnerAllowed = THINNER;
  protected readonly form = new FormGroup({ broken: text(), other: text() });
  private readonly typed = typedValue(this.form);
  private readonly what = computed(() => {
    this.typed();
    const { broken, other } = this.form.controls;
    return {
      broken: this.quantity(broken, 'line-length', BROKEN) ?? this.lost(),
      other: this.quantity(other, 'small-length', THINNER),
    };
  });
  /** Whether the table is what it was matched to, or what would be. */
  protected readonly changed = computed(() => this.what().broken > 0 || this.what().other !== null);
  protected readonly table = computed(() => {
    const { broken, other } = this.what();
    return recordedTable(this.kept(), { broken, thickness: other === null ? 1 : other / this.diameter() });
  });
  protected readonly match = computed(() => this.kept().match / metresPer(this.kept().unit));
  protected readonly mark = computed(() => markText(this.kept().match, this.kept().unit));
  protected readonly headline = computed(() => {
    const { reads, agrees, step } = this.kept();
    const shows = `shows ${readingText(reads, step)} at ${this.mark()}`;
    return agrees ? `It agrees with the tape: ${shows}` : `Left as it is: ${shows}`;
  });
  protected readonly ahead = computed(() => {
    const by = runsAheadOf(this.kept());
    const twice = markText(2 * this.kept().match, this.kept().unit);
    return by === null
      ? ''
      : `At ${twice} it runs ${Math.abs(by).toFixed(0)} ${this.kept().unit} ${by >= 0 ? 'ahead of' : 'behind'} the line: the spool is smaller there.`;
  });
  protected readonly walks = computed(() =>
    this.kept().walks.map(({ tape, reading, typed = reading, began, moved, by, at, over }, i, all) => {
      const since = moved - (all[i - 1]?.moved ?? moved);
      const line =
        Math.abs(since) < 0.05
          ? ''
          : `${since > 0 ? 'added' : 'took off'} ${movedText(since, this.units.system())}, then `;
      const way = over === 'meter' ? 'over the line meter' : 'walked';
      return `${by}, ${DateTime.fromISO(at).toFormat('d LLL, H:mm')}: ${line}${way} to ${markText(tape, this.kept().unit)}, it showed ${readingText(typed, this.kept().step)}${began === undefined ? '' : `, begun at ${readingText(began, this.kept().step)}`}.`;
    }),
  );
  protected readonly level = computed(() => {
    const { depth, tight, agrees } = this.kept();
    const lay =
      tight === null ? '' : tight ? ' Wound tight, by the last look.' : ' Wound loose, by the last look.';
    const how = agrees ? 'Matched' : 'Left';
    return `${how} with the line ${this.units.small(depth)} below the lip.${lay}`;
  });
}
