import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { intoSight } from './in-view';

/** Something that may be meant by what is typed. */
export interface Suggestion {
  readonly id: number | string;
  readonly name: string;
  readonly beside: string;
}

/** A line of text with suggestions below it while it is typed; arrows and Enter choose, Escape closes. */
@Component({
  selector: 'ys-suggest-field',
  imports: [ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './suggest-field.html',
  host: { class: 'relative block' },
})
export class SuggestField {
  readonly fieldId = input.required<string>();
  readonly label = input.required<string>();
  readonly placeholder = input('');
  readonly control = input.required<FormControl<string>>();
  /** What is offered for what stands in the field, asked for with each key: what was drawn last may be a letter behind. */
  readonly options = input.required<() => readonly Suggestion[]>();
  /** Whether one of them is to be chosen: all are shown on a press, and Tab takes the one that is marked. */
  readonly picks = input(false);
  /** Said below the suggestions. */
  readonly more = input('');
  readonly chosen = output<Suggestion>();
  readonly typed = output();
  readonly left = output();

  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  private readonly popup = viewChild.required<ElementRef<HTMLElement>>('popup');
  private readonly list = viewChild.required<ElementRef<HTMLElement>>('list');
  protected readonly open = signal(false);
  protected readonly active = signal(0);
  protected readonly shown = computed(() => (this.open() ? this.options()() : []));
  /** Whether letters were typed since the field was come to. */
  private letters = false;

  constructor() {
    // Below the edge of a phone or of a panel nobody sees what is offered.
    afterRenderEffect(() => {
      if (this.shown().length > 0) intoSight(this.popup().nativeElement);
    });
  }

  focus(): void {
    this.field().nativeElement.focus();
  }

  protected come(): void {
    this.letters = false;
    if (this.picks()) this.field().nativeElement.select();
  }

  protected go(): void {
    this.open.set(false);
    this.left.emit();
  }

  protected press(): void {
    if (this.picks()) this.open.set(true);
  }

  protected typing(): void {
    this.letters = true;
    this.open.set(true);
    this.active.set(0);
    this.typed.emit();
  }

  protected choose(option: Suggestion): void {
    this.letters = false;
    this.control().setValue(option.name);
    this.open.set(false);
    this.active.set(0);
    this.chosen.emit(option);
  }

  protected onKey(event: KeyboardEvent): void {
    const options = this.shown();
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (options.length === 0) {
      if (step === undefined || !this.picks()) return;
      this.open.set(true);
      event.preventDefault();
      return;
    }
    if (step !== undefined) this.mark((this.active() + step + options.length) % options.length);
    const option = options[this.active()];
    const takes =
      event.key === 'Enter' ? !event.ctrlKey : event.key === 'Tab' && this.picks() && this.letters;
    if (takes && option) this.choose(option);
    if (event.key === 'Escape') {
      this.open.set(false);
      // The form around it stays.
      event.stopPropagation();
    }
    if (step !== undefined || event.key === 'Enter') event.preventDefault();
  }

  private mark(at: number): void {
    this.active.set(at);
    intoSight(this.list().nativeElement.children[at]);
  }
}
