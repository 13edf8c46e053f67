import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { FormGroup } from '@angular/forms';
import { UnitsService } from '../data/units.service';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { text } from '../ui/text-control';
import { BenchView } from './bench-view';
import { CounterPiece } from './counter-piece';
import { CounterStep, READING, readTo } from './counter-step';
import { markText, movedText, readingText } from '../words/counter-words';

/** The one big answer after a walk, and what to do about it. */
@Component({
  selector: 'ys-counter-answer',
  imports: [CounterPiece, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './counter-answer.html',
  host: { class: 'block' },
})
export class CounterAnswer {
  protected readonly step = inject(CounterStep);
  protected readonly bench = inject(BenchView);
  private readonly units = inject(UnitsService);
  private readonly quantity = quantityReader();

  /** It is to be matched at a shorter mark, m. */
  readonly shorter = output<number>();

  protected readonly form = new FormGroup({ moved: text(), half: text() });
  protected readonly verdict = computed(() => this.step.match()?.verdict ?? 'walk');
  /** What is still to be done to the line; empty where enough was. */
  protected readonly toGo = computed(
    () => ({ add: 'wind on', 'take-off': 'take off' })[this.verdict() as string] ?? '',
  );
  protected readonly amount = computed(() =>
    movedText(this.step.match()?.move.value ?? 0, this.units.system()),
  );
  protected readonly range = computed(() => {
    const move = this.step.match()?.move;
    if (!move) return '';
    const say = (metres: number): string => movedText(metres, this.units.system());
    // The other way is no part of what is to be done.
    const [least, most] = move.value > 0 ? [move.low, move.high] : [-move.high, -move.low];
    return `likely ${say(Math.max(0, least))} to ${say(most)}`;
  });
  /** What is to be read on the way back, where the only walk so far is to be checked before line is moved. */
  protected readonly halfWay = computed(() => {
    const match = this.step.match();
    if (!match?.halfWay || this.step.movedSince()) return null;
    const { unit, step } = this.step.setup();
    const { tape, expected } = match.halfWay;
    return { mark: markText(tape, unit), reading: readingText(expected, step) };
  });
  /** The reel's own counter tells how much came off: it counts the spool. */
  protected readonly byCounter = computed(() => {
    const match = this.step.match();
    if (!match || this.verdict() !== 'take-off') return '';
    return `or zero the counter and pull until it shows ${readingText(Math.abs(match.spoolTurns) * match.perTurn.value, this.step.setup().step)}`;
  });
  protected readonly slope = computed(() => {
    const match = this.step.match();
    const { unit, match: at } = this.step.setup();
    if (!match) return '';
    const each = movedText(match.slope, this.units.system());
    const why = match.assumed ? 'as reels of this sort usually do' : 'by its own spool';
    return `${each} of line moves it by one ${unit} at ${markText(at, unit)}, ${why}.`;
  });
  protected readonly reads = computed(() => {
    const match = this.step.match();
    return match ? readingText(match.expected.value, this.step.setup().step) : '';
  });
  /** Why there is something to do: what was read, or what it would show since line was moved. */
  protected readonly stands = computed(() => {
    const match = this.step.match();
    if (!match) return '';
    const { unit, step } = this.step.setup();
    const walk = this.step.standing().at(-1);
    if (walk && !this.step.movedSince())
      return `It showed ${readingText(walk.reading, step)} at ${markText(walk.tape, unit)}.`;
    // A tenth more than it shows where it would else read as if it agreed.
    const near = Math.abs(match.expected.value - match.wanted) < step;
    return `It would show ${readingText(match.expected.value, near ? 0.1 : step)} at ${this.mark()} now.`;
  });
  protected readonly readingAllowed = READING;
  protected readonly mark = computed(() => markText(this.step.setup().match, this.step.setup().unit));
  protected readonly ways = computed(() => {
    const reach = this.step.match()?.reach;
    const { unit } = this.step.setup();
    if (!reach) return null;
    const main =
      reach.main === null
        ? ''
        : `${reach.past === 'lip' ? 'A thinner' : 'A thicker'} main, ${(100 * reach.main).toFixed(0)} % of this one’s diameter, could be matched. Backing does not help.`;
    return {
      main,
      shorter: reach.shorter,
      reads: reach.reads === null ? null : readingText(reach.reads),
      mark: reach.shorter === null ? '' : markText(reach.shorter, unit),
      past: reach.past,
    };
  });

  protected readHalf(): void {
    const { half } = this.form.controls;
    const reading = this.quantity(half, 'count', READING);
    const tape = this.step.match()?.halfWay?.tape;
    if (reading === null || tape === undefined) return;
    const over = this.step.standing().at(-1)?.over ?? 'field';
    this.step.read({ reading, tape, over, step: readTo(half.value) });
    half.setValue('');
  }

  protected moved(): void {
    const typed = this.quantity(this.form.controls.moved, 'line-length', { min: 0.1, max: 500 });
    if (typed === null) return;
    this.step.moved(this.verdict() === 'add' ? typed : -typed);
    this.form.reset();
  }
}
