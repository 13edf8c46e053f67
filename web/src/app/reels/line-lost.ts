import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormGroup } from '@angular/forms';
import { api, type Fill, type OnSpool, type Reel } from '@yard-spool/contract';
import {
  allowedIn,
  DEPTH_RANGE,
  lengthOn,
  metresAbove,
  parseAmount,
  topLine,
  withoutTop,
  type Lying,
} from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { AmountField } from '../ui/amount-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';

const AMOUNTS = { length: { min: 0.5, max: 5000 }, depth: allowedIn(DEPTH_RANGE) };

/** Line lost on the water, told at any time: so many metres, half of it, or the depth it stands at now. */
@Component({
  selector: 'ys-line-lost',
  imports: [AmountField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details class="card px-3.5 py-2" data-test="line-lost" [open]="on().offMm > 0">
      <summary class="min-h-9 cursor-pointer py-1.5 font-bold">{{ headline() }}</summary>
      <form class="grid gap-2 pb-2" (submit)="$event.preventDefault(); tell()">
        <ys-amount-field
          label="Line lost since then"
          [placeholder]="
            units.like('40 m, half, or 4 mm below the lip now', '40 yd, half, or 1/8 in below the lip now')
          "
          [control]="form.controls.amount"
          [allowed]="amounts"
          [kept]="true"
          [note]="comesTo()"
        />
        <ys-text-field label="How it went" placeholder="a snag, a fish" [control]="form.controls.why" />
        @if (sending.problem(); as sentence) {
          <p class="font-bold text-stop" role="alert">{{ sentence }}</p>
        }
        <button class="plain" [disabled]="sending.busy() || lost() === null">Record the loss</button>
        @if (on().offMm > 0) {
          <button type="button" class="plain" [disabled]="sending.busy()" (click)="nothingLost()">
            Nothing is lost: undo
          </button>
        }
      </form>
    </details>
  `,
  host: { class: 'block' },
})
export class LineLost {
  private readonly api = inject(ApiService);
  protected readonly units = inject(UnitsService);

  readonly on = input.required<OnSpool>();
  readonly fill = input.required<Fill>();
  readonly changed = output<Reel>();

  protected readonly amounts = AMOUNTS;
  protected readonly sending = new Sending();
  protected readonly form = new FormGroup({ amount: text(), why: text() });
  private readonly typed = typedValue(this.form);
  private readonly lies = computed((): readonly Lying[] =>
    withoutTop(
      this.fill().layers.map(({ line, lengthMm, innerRadius, outerRadius }) => ({
        line,
        innerRadius,
        outerRadius,
        length: lengthMm / 1000,
      })),
      this.on().offMm / 1000,
    ),
  );

  protected readonly headline = computed(() =>
    this.on().offMm > 0
      ? `${this.units.length(this.on().offMm / 1000)} of line lost since it was filled`
      : 'Line lost on the water',
  );
  /** Metres that are gone by what was typed; null where that says none. */
  protected readonly lost = computed((): number | null => {
    const typed = this.typed()
      .amount.trim()
      .replace(/^(half|a third|a quarter)( of it)?( is gone)?$/i, '$1 of the pack');
    const read = typed === '' ? null : parseAmount(typed, this.units.system(), AMOUNTS);
    if (!read?.ok) return null;
    const amount = read.value;
    const main = lengthOn(topLine(this.lies()));
    const metres =
      amount.kind === 'length'
        ? amount.metres
        : amount.kind === 'pack'
          ? amount.share * main
          : amount.kind === 'level' && 'depth' in amount.level
            ? metresAbove(this.lies(), this.fill().spool.lipRadius - amount.level.depth)
            : 0;
    return metres > 0 ? Math.min(metres, lengthOn(this.lies())) : null;
  });
  protected readonly comesTo = computed(() => {
    const lost = this.lost();
    if (lost === null) return '';
    const left = withoutTop(this.lies(), lost);
    const main = left.length === 0 ? 0 : lengthOn(topLine(left));
    return `${this.units.length(lost)} gone, ${this.units.length(main)} left on top.`;
  });

  protected tell(): void {
    const lost = this.lost();
    if (lost !== null) this.mark(this.on().offMm + Math.round(1000 * lost), this.form.controls.why.value);
  }

  protected nothingLost(): void {
    this.mark(0, 'nothing was lost');
  }

  private mark(offMm: number, why: string): void {
    const body = { kind: 'off' as const, offMm, why: why.trim() };
    const ask = this.api.call(api.markFill, { params: { id: this.on().fillId }, body });
    this.sending.send(ask, (reel) => {
      this.form.reset();
      this.changed.emit(reel);
    });
  }
}
