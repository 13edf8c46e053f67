import {
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

/** Something that may be meant by what is typed. */
export interface Suggestion {
  readonly id: number;
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
  readonly options = input.required<readonly Suggestion[]>();
  readonly chosen = output<Suggestion>();
  readonly typed = output();

  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  protected readonly open = signal(false);
  protected readonly active = signal(0);
  protected readonly shown = computed(() => (this.open() ? this.options() : []));

  focus(): void {
    this.field().nativeElement.focus();
  }

  protected typing(): void {
    this.open.set(true);
    this.active.set(0);
    this.typed.emit();
  }

  protected choose(option: Suggestion): void {
    this.control().setValue(option.name);
    this.open.set(false);
    this.chosen.emit(option);
  }

  protected onKey(event: KeyboardEvent): void {
    const options = this.shown();
    if (options.length === 0) return;
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step !== undefined) this.active.update((at) => (at + step + options.length) % options.length);
    const option = options[this.active()];
    if (event.key === 'Enter' && !event.ctrlKey && option) this.choose(option);
    if (event.key === 'Escape') this.open.set(false);
    if (step !== undefined || event.key === 'Enter') event.preventDefault();
  }
}
