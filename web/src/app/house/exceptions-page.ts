import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type NewException, type Exception } from '@yard-spool/contract';
import {
  type ExceptionScope,
  HOUSE_QUESTIONS,
  type HouseQuestion,
  MATERIALS,
  type Question,
  REEL_TYPES,
  schoolOf,
} from '@yard-spool/core';
import { CustomerPicker } from '../customers/customer-picker';
import { REEL_TYPE_NAMES } from '../words/reel-type-names';
import { promisedText } from '../words/promised-text';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { load } from '../data/loaded';
import { SessionService } from '../data/session.service';
import { Undo } from '../ui/undo.service';
import { UnitsService } from '../data/units.service';
import { Choice } from '../ui/choice';
import { PickField } from '../ui/pick-field';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { lineOption } from '../words/line-finds';
import { QUESTION_NAMES } from '../words/question-names';
import { HouseTabs } from './house-tabs';

const SCOPES: Readonly<Record<ExceptionScope, string>> = {
  type: 'Type of reel',
  material: 'Material',
  'material-on-type': 'Material on a type',
  line: 'Line',
  customer: 'Customer',
  reel: 'Reel',
};
/** A sort is found by its type, by what its main line is made of, or by both. */
const ANY = 'any';

/** Exceptions to the house rules for a sort of reel, a line, a customer or one reel, and setting another. */
@Component({
  selector: 'ys-exceptions-page',
  imports: [Choice, CustomerPicker, ReactiveFormsModule, HouseTabs, PickField, SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './exceptions-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class ExceptionsPage {
  private readonly api = inject(ApiService);
  private readonly undo = inject(Undo);
  private readonly session = inject(SessionService);
  protected readonly house = inject(HouseService);
  protected readonly units = inject(UnitsService);

  private readonly products = load(() => this.api.call(api.listProducts));
  protected readonly mayChange = computed(() => this.session.person()?.role === 'manager');
  protected readonly scopes = SCOPES;
  protected readonly names = QUESTION_NAMES;
  /** The exception that is being set. */
  readonly form = new FormGroup({
    scope: text('customer'),
    line: text(),
    type: text(ANY),
    material: text(ANY),
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
    { value: 'sort', name: 'A sort of reel' },
  ];
  protected readonly types = [
    { value: ANY, name: 'any type' },
    ...Object.entries(REEL_TYPE_NAMES).map(([value, name]) => ({ value, name })),
  ];
  protected readonly materials = [
    { value: ANY, name: 'any main line' },
    ...MATERIALS.map((value) => ({ value, name: value.replace('-', ' ') })),
  ];
  protected readonly lines = computed(() =>
    (this.products.value() ?? []).map((line) => ({ ...lineOption(line), value: line.code })),
  );
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
        name: `${this.units.say(name)}${id === held ? ' (the shop’s own)' : ''}`,
      })),
    ];
  });
  protected readonly sending = new Sending();
  protected readonly dropping = new Sending();

  /** What is still to be typed; empty when it can be sent. */
  protected readonly missing = computed(() => {
    const { scope, line, tag, type, material, customerId, school, why } = this.typed();
    if (scope === 'sort' && type === ANY && material === ANY)
      return 'Choose a type of reel, what the main line is made of, or both.';
    if (scope === 'line' && line === '') return 'Choose the line it is for.';
    if (scope === 'reel' && tag.trim() === '') return 'Type the tag of the reel it is for.';
    if (scope === 'customer' && customerId === '') return 'Find the customer it is for: three letters do.';
    if (!this.schools().some(({ value }) => value !== '' && value === school))
      return 'Choose the option for them.';
    return why.trim() === '' ? 'Enter a reason, in a few words.' : '';
  });

  constructor() {
    this.undo.whenUndone(this.house.reload);
  }

  protected readonly at = (iso: string): string => promisedText(iso);
  protected readonly schoolName = ({ question, school }: Exception): string =>
    this.units.say(schoolOf({ [question]: school }, question).name);
  protected readonly houseName = ({ question }: Exception): string => {
    const rules = this.house.house()?.rules;
    return rules ? this.units.say(schoolOf(rules, question).name) : '';
  };

  protected set(): void {
    if (this.missing() !== '') return;
    const { scope, question, school, why } = this.form.getRawValue();
    const body = { target: this.target(), question: question as HouseQuestion, school, why };
    this.sending.send(this.api.call(api.setException, { body }), () => {
      this.form.reset({ scope, question });
      this.house.reload();
    });
  }

  private target(): NewException['target'] {
    const { scope, line, tag, customerId, ...sort } = this.form.getRawValue();
    const type = REEL_TYPES.find((one) => one === sort.type);
    const material = MATERIALS.find((one) => one === sort.material);
    if (scope === 'line') return { scope, code: line };
    if (scope === 'reel') return { scope, tag };
    if (scope !== 'sort') return { scope: 'customer', id: Number(customerId) };
    if (material && type) return { scope: 'material-on-type', material, type };
    return material ? { scope: 'material', material } : { scope: 'type', type: type ?? 'fixed-spool' };
  }

  protected drop(one: Exception): void {
    const { id, name, question, school, why } = one;
    this.dropping.send(this.api.call(api.dropException, { params: { id } }), () => {
      this.house.reload();
      this.undo.tell({
        words: `The exception for ${name} is taken back.`,
        back: () => this.api.call(api.setException, { body: { target: asSet(one), question, school, why } }),
      });
    });
  }
}

/** What an exception was set for, as it is set. */
function asSet({ scope, key }: Exception): NewException['target'] {
  const [first = '', second = ''] = key.split(' ');
  const materialOf = (text: string) => MATERIALS.find((one) => one === text) ?? 'nylon';
  const typeOf = (text: string) => REEL_TYPES.find((one) => one === text) ?? 'fixed-spool';
  switch (scope) {
    case 'type':
      return { scope, type: typeOf(key) };
    case 'material':
      return { scope, material: materialOf(key) };
    case 'material-on-type':
      return { scope, material: materialOf(first), type: typeOf(second) };
    case 'line':
      return { scope, code: key };
    case 'customer':
      return { scope, id: Number(key) };
    case 'reel':
      return { scope, tag: key };
  }
}
