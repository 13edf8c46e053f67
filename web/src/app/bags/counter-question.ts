import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
} from '@angular/core';
import { FormGroup } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { allowedIn, askCounter, COUNTER_UNITS, metresPer, parseQuantity, WALK_RANGE } from '@yard-spool/core';
import { movedText } from '../words/counter-words';
import { UnitsService } from '../data/units.service';
import { useKeys } from '../keyboard/keyboard.service';
import { Choice } from '../ui/choice';
import { QuantityField, withUnit } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { text } from '../ui/text-control';
import { typedValue } from '../ui/typed-value';
import { addToDraft } from './booking-draft';
import { SOURCES } from '../planning/draft-sources';
import { emptyReel } from '../planning/reel-draft';

const RANGE = {
  reading: allowedIn(WALK_RANGE.reading),
  mark: allowedIn(WALK_RANGE.tape),
  line: { min: 0.1, max: 2 },
  full: { min: 15, max: 160 },
  width: { min: 8, max: 120 },
};

/** A reel filled elsewhere whose counter is off: how much line it asks for, with nothing on record. */
@Component({
  selector: 'ys-counter-question',
  imports: [Choice, QuantityField, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="mx-auto grid max-w-3xl gap-4 p-5 max-md:p-3">
      <div class="flex flex-wrap items-end justify-between gap-2">
        <h1>A counter that is off</h1>
        <div class="flex flex-wrap gap-2">
          <button type="button" class="go px-4" (click)="book()">
            Book it in <span class="key whitespace-nowrap">Ctrl Enter</span>
          </button>
          <a class="plain" routerLink="/bags">All bags</a>
        </div>
      </div>
      <p class="text-mute">
        Line out to a mark, under the pull it is fished with, and read. Nothing is kept, and the reel need not
        be on record.
      </p>
      <form class="card grid gap-3 p-4" (submit)="$event.preventDefault()">
        <div class="grid grid-cols-3 gap-2.5 max-md:grid-cols-1">
          <ys-quantity-field
            label="Counter reads"
            dimension="count"
            placeholder="113"
            [control]="form.controls.reading"
            [allowed]="range.reading"
          />
          <ys-quantity-field
            label="At this length of line"
            dimension="line-length"
            [control]="form.controls.mark"
            [allowed]="range.mark"
          />
          <ys-choice label="It shows" [control]="form.controls.unit" [options]="shows" />
        </div>
        <p class="text-[14px] text-mute">Measured, it is told much more surely:</p>
        <div class="grid grid-cols-3 gap-2.5 max-md:grid-cols-1">
          <ys-quantity-field
            label="Line on top, diameter"
            dimension="small-length"
            [control]="form.controls.line"
            [allowed]="range.line"
          />
          <ys-quantity-field
            label="Across the full spool"
            dimension="small-length"
            [control]="form.controls.full"
            [allowed]="range.full"
          />
          <ys-quantity-field
            label="Width between the flanges"
            dimension="small-length"
            [control]="form.controls.width"
            [allowed]="range.width"
          />
        </div>
      </form>
      @if (answer(); as said) {
        <section class="card p-5" aria-live="polite" data-test="counter-answer">
          <b class="block text-[32px] leading-tight">{{ said.headline }}</b>
          <p class="pt-1.5 text-[17px]">{{ said.range }}</p>
          <p class="pt-1.5 text-mute">{{ said.why }}</p>
          <p class="pt-1.5 text-mute">
            Wind it on or off under the same pull, walk once more, and only then cut.
          </p>
        </section>
      } @else {
        <p class="card p-5 text-mute">{{ next() }}</p>
      }
    </div>
  `,
  host: { class: 'block' },
})
export class CounterQuestionPage {
  private readonly units = inject(UnitsService);
  private readonly router = inject(Router);
  private readonly quantity = quantityReader();

  protected readonly range = RANGE;
  protected readonly shows = COUNTER_UNITS.map((unit) => ({ value: unit, name: unit }));
  protected readonly form = new FormGroup({
    reading: text(),
    mark: text(this.units.like('30 m', '100 ft')),
    unit: text(this.units.like('m', 'ft')),
    line: text(),
    full: text(),
    width: text(),
  });
  private readonly typed = typedValue(this.form);
  private readonly unit = computed(
    () => COUNTER_UNITS.find((one) => one === this.typed().unit) ?? ('ft' as const),
  );
  /** The mark, m: a bare number is in what the counter shows. */
  private readonly mark = computed((): number | null => {
    const typed = withUnit(this.typed().mark, this.unit());
    const read = parseQuantity(typed, 'line-length', this.units.system(), RANGE.mark);
    return read.ok ? read.value.value : null;
  });
  private readonly asked = computed(() => {
    this.typed();
    const { reading, line, full, width } = this.form.controls;
    const shown = this.quantity(reading, 'count', RANGE.reading);
    const mark = this.mark();
    if (shown === null || mark === null) return null;
    const small = (of: typeof line, allowed: { min: number; max: number }): number | null =>
      this.quantity(of, 'small-length', allowed);
    return askCounter({
      unit: this.unit(),
      reading: shown,
      mark,
      line: small(line, RANGE.line),
      full: small(full, RANGE.full),
      width: small(width, RANGE.width),
    });
  });
  protected readonly next = computed(() => {
    const asked = this.asked();
    if (asked && !asked.ok) return this.units.say(asked.issues[0]?.sentence ?? '');
    return this.typed().reading.trim() === ''
      ? 'Type what the counter reads, and how much line is out by the tape.'
      : `Type a number the counter shows, and a length from ${this.units.length(5)} to ${this.units.length(300)}.`;
  });
  protected readonly answer = computed(() => {
    const asked = this.asked();
    if (!asked?.ok) return null;
    const { how, move, slope, measured } = asked.value;
    const say = (metres: number): string => movedText(metres, this.units.system());
    const [least, most] = move.value > 0 ? [move.low, move.high] : [-move.high, -move.low];
    const each = `One ${this.unit()} of the counter is worth about ${say(slope)} of line there`;
    return {
      headline:
        how === 'agrees'
          ? 'It agrees: nothing to do'
          : `${how === 'add' ? 'Add' : 'Take off'} about ${say(move.value)}`,
      range: how === 'agrees' ? '' : `Likely ${say(Math.max(0, least))} to ${say(most)}.`,
      why: measured
        ? `${each}, by the spool as it was measured.`
        : `${each}, as on reels of this sort. Measure the spool and the line to know better.`,
    };
  });

  constructor() {
    useKeys({ 'Ctrl Enter': () => this.book() }, { 'Ctrl Enter': 'Book the reel in' });
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => host.querySelector('input')?.focus());
    // A counter in another unit is walked to another mark, until somebody says which.
    this.form.controls.unit.valueChanges.subscribe((unit) => {
      const { mark } = this.form.controls;
      if (mark.dirty) return;
      const per = COUNTER_UNITS.find((one) => one === unit) ?? 'ft';
      mark.setValue(metresPer(per) > 0.95 ? '30 m' : `100 ${per}`);
    });
  }

  /** The reel is left here to have its counter matched: what was asked goes along. */
  protected book(): void {
    const { reading, mark, unit, line, width } = this.form.getRawValue();
    const read =
      reading.trim() === ''
        ? ''
        : `counter reads ${reading.trim()} ${unit} at ${withUnit(mark, this.unit())}`;
    addToDraft({
      ...emptyReel(),
      type: 'trolling',
      mainPiece: SOURCES.stays,
      underneath: 'main-only',
      ownDiameter: line,
      width,
      onItNow: read,
    });
    void this.router.navigate(['/bags/new']);
  }
}
