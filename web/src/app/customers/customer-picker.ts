import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { api, type Customer } from '@yard-spool/contract';
import { catchError, debounceTime, map, of, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { toSignalOf } from '../ui/control-signal';
import { beginnings, finder } from '../ui/finds';
import { SuggestField, type Suggestion } from '../ui/suggest-field';

const LETTERS = 3;

/** Who was found for what was typed. */
interface Found {
  readonly q: string;
  readonly rows: readonly Customer[];
}
const NOBODY: Found = { q: '', rows: [] };

/** The customer, found by typing three letters, or new in two fields. */
@Component({
  selector: 'ys-customer-picker',
  imports: [ReactiveFormsModule, SuggestField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-suggest-field
      fieldId="customer"
      label="Customer"
      placeholder="Three letters find them"
      [control]="name()"
      [options]="options"
      (typed)="customerId().setValue('')"
      (chosen)="choose($event.id)"
    />
    @if (isNew() && options().length === 0) {
      <label class="caption block pb-0.5 pt-1.5" for="contact">New customer. How are they reached?</label>
      <input
        id="contact"
        class="entry"
        autocomplete="off"
        placeholder="Phone, boat or berth; may stay empty"
        [formControl]="contact()"
      />
    }
  `,
  host: { class: 'block' },
})
export class CustomerPicker {
  private readonly field = viewChild.required(SuggestField);

  focus(): void {
    this.field().focus();
  }

  private readonly api = inject(ApiService);

  readonly name = input.required<FormControl<string>>();
  readonly customerId = input.required<FormControl<string>>();
  readonly contact = input.required<FormControl<string>>();
  readonly chosen = output();

  private readonly typed = toSignalOf(this.name);
  private readonly chosenId = toSignalOf(this.customerId);
  private readonly found = toSignal(
    toObservable(this.typed).pipe(
      debounceTime(120),
      switchMap((q) =>
        (q.trim().length < LETTERS
          ? of([])
          : this.api.call(api.findCustomers, { query: { q } }).pipe(catchError(() => of([])))
        ).pipe(map((rows): Found => ({ q, rows }))),
      ),
    ),
    { initialValue: NOBODY },
  );
  /** Those found; while more is typed than they were found for, those of them that it still says. */
  protected readonly options = computed(() => {
    if (this.chosenId() !== '') return [];
    const { q, rows } = this.found();
    const typed = this.typed();
    const isMeant = finder(typed);
    return rows
      .filter(({ name }) => q === typed || (typed.trim() !== '' && isMeant(beginnings(name))))
      .map(({ id, name, contact }) => ({ id, name, beside: contact }));
  });
  protected readonly isNew = computed(() => this.chosenId() === '' && this.typed().trim().length >= LETTERS);

  protected choose(id: Suggestion['id']): void {
    const customer = this.found().rows.find((one) => one.id === id);
    if (!customer) return;
    this.contact().setValue(customer.contact);
    this.customerId().setValue(String(id));
    this.chosen.emit();
  }
}
