import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { FormGroup } from '@angular/forms';
import {
  allowedIn,
  COUNTER_UNITS,
  metresPer,
  parseQuantity,
  WALK_RANGE,
  type CounterUnit,
} from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { Choice } from '../ui/choice';
import { QuantityField, withUnit } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { text } from '../ui/text-control';
import { typedValue } from '../ui/typed-value';
import { BenchView } from './bench-view';
import { CounterAnswer } from './counter-answer';
import { CounterDoubt } from './counter-doubt';
import { CounterStep, READING, readTo } from './counter-step';
import { markText, readingText } from '../words/counter-words';

const MARK = allowedIn(WALK_RANGE.tape);

/** Matching a trolling reel's counter: walk, read, and one big answer; then wind on or take off, and walk once more. */
@Component({
  selector: 'ys-counter-match-panel',
  imports: [Choice, CounterAnswer, CounterDoubt, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './counter-match-panel.html',
  host: { class: 'grid grid-cols-1 gap-3' },
})
export class CounterMatchPanel {
  protected readonly step = inject(CounterStep);
  protected readonly bench = inject(BenchView);
  protected readonly units = inject(UnitsService);
  private readonly quantity = quantityReader();

  /** Whether it has a button of its own to take a reading: at the bench the big one below does that. */
  readonly ownButton = input(false);
  /** The step is done: the counter agrees, or is left as it is. */
  readonly done = output();

  protected readonly markAllowed = MARK;
  protected readonly readingAllowed = READING;
  protected readonly shows = COUNTER_UNITS.map((unit) => ({ value: unit, name: unit }));
  protected readonly ways = [
    { value: 'field', name: 'Walked out' },
    { value: 'meter', name: 'Over the line meter' },
  ];
  protected readonly form = new FormGroup({
    reading: text(),
    mark: text(),
    unit: text(),
    over: text('field'),
  });
  private readonly typed = typedValue(this.form);
  protected readonly over = computed(() => (this.typed().over === 'meter' ? 'meter' : 'field'));
  protected readonly verdict = computed(() => this.step.match()?.verdict ?? 'walk');
  protected readonly markWords = computed(() => markText(this.step.setup().match, this.step.setup().unit));
  protected readonly shouldRead = computed(() => {
    const match = this.step.match();
    if (!match) return '';
    const { expected, wanted } = match;
    const say = (reading: number): string => readingText(reading, this.step.setup().step);
    const likely =
      expected.high - expected.low > 1 ? `, likely ${say(expected.low)} to ${say(expected.high)}` : '';
    return match.from === 'usual' && this.step.walks().length === 0
      ? `It is to show ${say(wanted)} there.`
      : `It is to show ${say(wanted)} there; by what is known it shows ${say(expected.value)}${likely}.`;
  });

  /** Why it is walked once more at the same level; empty where it is not. */
  protected readonly onceMore = computed(() => {
    const check = this.step.match()?.check;
    if (check === 'second')
      return 'By this walk it could not be matched on this main. Walk once more before you believe it.';
    if (check !== 'between') return '';
    const unit = { m: 'metre', yd: 'yard', ft: 'foot' }[this.step.setup().unit];
    return `It may agree, but a whole ${unit} is too coarse to tell. Walk once more and read between the figures: half way from 30 to 31 is 30.5.`;
  });

  constructor() {
    const { unit, mark } = this.form.controls;
    // What is known of the counter stands in the fields until somebody says otherwise.
    toObservable(this.step.setup).subscribe((setup) => {
      unit.setValue(setup.unit, { emitEvent: false });
      if (!mark.dirty)
        mark.setValue(markText(setup.match, setup.unit).replace('\u00a0', ' '), { emitEvent: false });
    });
    unit.valueChanges.subscribe((value) => this.step.say({ unit: value as CounterUnit }));
    mark.valueChanges.subscribe(() => {
      const match = this.markTyped();
      if (match !== null) this.step.say({ match });
    });
  }

  /** What Enter does here: takes what is typed, says that line was moved, or ends the step. False where there is nothing to do. */
  enter(): boolean {
    if (this.step.doubted()) return false;
    if (this.step.moving()) {
      this.step.count(false);
      return true;
    }
    if (this.form.controls.reading.value.trim() !== '') return this.read();
    switch (this.verdict()) {
      case 'add':
      case 'take-off':
        this.step.moved();
        return true;
      case 'agrees':
      case 'out-of-reach':
        this.done.emit();
        return true;
      case 'walk':
        return false;
    }
  }

  /** The mark as it is typed, m: a bare number is in what the counter shows. */
  private markTyped(): number | null {
    const typed = withUnit(this.form.controls.mark.value, this.step.setup().unit);
    const mark = parseQuantity(typed, 'line-length', this.units.system(), MARK);
    return mark.ok ? mark.value.value : null;
  }

  /** Takes the reading; false where it is none. */
  read(): boolean {
    const { reading } = this.form.controls;
    const shown = this.quantity(reading, 'count', READING);
    const tape = this.markTyped();
    if (shown === null || tape === null) return false;
    this.step.read({ reading: shown, tape, over: this.over(), step: readTo(reading.value) });
    reading.setValue('');
    return true;
  }

  /** Matches at a shorter mark instead. */
  protected shorter(metres: number): void {
    this.form.controls.mark.setValue(
      `${String(Math.round(metres / metresPer(this.step.setup().unit)))} ${this.step.setup().unit}`,
    );
  }
}
