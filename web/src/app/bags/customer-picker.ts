import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { api, type Customer } from '@yard-spool/contract';
import { catchError, debounceTime, of, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { toSignalOf } from '../ui/control-signal';

const LETTERS = 3;

/** The customer, found by typing three letters, or new in two fields. */
@Component({
  selector: 'ys-customer-picker',
  imports: [ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './customer-picker.html',
  host: { class: 'relative block' },
})
export class CustomerPicker {
  private readonly api = inject(ApiService);

  readonly name = input.required<FormControl<string>>();
  readonly customerId = input.required<FormControl<string>>();
  readonly contact = input.required<FormControl<string>>();

  protected readonly typed = toSignalOf(this.name);
  protected readonly chosen = toSignalOf(this.customerId);
  protected readonly open = signal(false);
  protected readonly active = signal(0);
  private readonly found = toSignal(
    toObservable(this.typed).pipe(
      debounceTime(120),
      switchMap((q) =>
        q.trim().length < LETTERS
          ? of([])
          : this.api.call(api.findCustomers, { query: { q } }).pipe(catchError(() => of([]))),
      ),
    ),
    { initialValue: [] as Customer[] },
  );
  protected readonly options = computed(() => (this.open() && this.chosen() === '' ? this.found() : []));
  protected readonly isNew = computed(() => this.chosen() === '' && this.typed().trim().length >= LETTERS);

  protected typing(): void {
    this.customerId().setValue('');
    this.open.set(true);
    this.active.set(0);
  }

  protected choose({ id, name, contact }: Customer): void {
    this.name().setValue(name);
    this.contact().setValue(contact);
    this.customerId().setValue(String(id));
    this.open.set(false);
  }

  protected onKey(event: KeyboardEvent): void {
    const options = this.options();
    if (options.length === 0) return;
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step !== undefined) this.active.update((at) => (at + step + options.length) % options.length);
    const option = options[this.active()];
    if (event.key === 'Enter' && option) this.choose(option);
    if (event.key === 'Escape') this.open.set(false);
    if (step !== undefined || event.key === 'Enter') event.preventDefault();
  }
}
