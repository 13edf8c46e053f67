import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type NewException, type Exception } from '@yard-spool/contract';
import { HOUSE_QUESTIONS, schoolOf, type HouseQuestion, type Question } from '@yard-spool/core';
import { CustomerPicker } from '../bags/customer-picker';
import { promisedText } from '../bags/promised-text';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { load } from '../data/loaded';
import { SessionService } from '../data/session.service';
import { Choice } from '../ui/choice';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { QUESTION_NAMES } from './question-names';
import { HouseTabs } from './house-tabs';

const SCOPES = { line: 'Line', customer: 'Customer', reel: 'Reel' } as const;

/** Exceptions to the house rules for a line, a customer or one reel, and setting another. */
@Component({
  selector: 'ys-exceptions-page',
  imports: [Choice, CustomerPicker, ReactiveFormsModule, HouseTabs, SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './exceptions-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class ExceptionsPage {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  protected readonly house = inject(HouseService);

  private readonly products = load(() => this.api.call(api.listProducts));
  protected readonly mayChange = computed(() => this.session.person()?.role === 'manager');
  protected readonly scopes = SCOPES;
  protected readonly names = QUESTION_NAMES;
  /** The exception that is being set. */
  readonly form = new FormGroup({
    scope: text('customer'),
    line: text(),
    tag: text(),
    customerName: text(),
    customerId: text(),
    contact: text(),
    question: text('soak'),
    school: text(),
    why: text(),
  });
  protected readonly typed = typedValue(this.form);
  protected readonly scopeOptions = [
    { value: 'customer', name: 'A customer' },
    { value: 'line', name: 'A line' },
    { value: 'reel', name: 'One reel' },
  ];
  protected readonly lines = computed(() => [
    { value: '', name: 'Choose a line' },
    ...(this.products.value() ?? []).map(({ code, name }) => ({ value: code, name: `${name}, ${code}` })),
  ]);
  protected readonly questions = Object.entries(QUESTION_NAMES).map(([value, name]) => ({
    value,
    name: `${name}: ${HOUSE_QUESTIONS[value as HouseQuestion].ask}`,
  }));
  private readonly question = computed(() => this.typed().question as HouseQuestion);
  protected readonly schools = computed(() => {
    const { schools }: Question = HOUSE_QUESTIONS[this.question()];
    const held = this.house.house()?.rules[this.question()];
    return [
      { value: '', name: 'Choose what they want' },
      ...schools.map(({ id, name }) => ({
        value: id,
        name: id === held ? `${name} (the house’s own)` : name,
      })),
    ];
  });
  protected readonly sending = new Sending();
  protected readonly dropping = new Sending();

  /** What is still to be typed; empty when it can be sent. */
  protected readonly missing = computed(() => {
    const { scope, line, tag, customerId, school, why } = this.typed();
    if (scope === 'line' && line === '') return 'Choose the line it is for.';
    if (scope === 'reel' && tag.trim() === '') return 'Type the tag of the reel it is for.';
    if (scope === 'customer' && customerId === '') return 'Find the customer it is for: three letters do.';
    if (!this.schools().some(({ value }) => value !== '' && value === school))
      return 'Choose the school that holds for them.';
    return why.trim() === '' ? 'Say why, in a few words.' : '';
  });

  protected readonly at = (iso: string): string => promisedText(iso);
  protected readonly schoolName = ({ question, school }: Exception): string =>
    schoolOf({ [question]: school }, question).name;
  protected readonly houseName = ({ question }: Exception): string => {
    const rules = this.house.house()?.rules;
    return rules ? schoolOf(rules, question).name : '';
  };

  protected set(): void {
    if (this.missing() !== '') return;
    const { scope, line, tag, customerId, question, school, why } = this.form.getRawValue();
    const target: NewException['target'] =
      scope === 'line'
        ? { scope, code: line }
        : scope === 'reel'
          ? { scope, tag }
          : { scope: 'customer', id: Number(customerId) };
    const body = { target, question: question as HouseQuestion, school, why };
    this.sending.send(this.api.call(api.setException, { body }), () => {
      this.form.reset({ scope, question });
      this.house.reload();
    });
  }

  protected drop({ id }: Exception): void {
    this.dropping.send(this.api.call(api.dropException, { params: { id } }), this.house.reload);
  }
}
