import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { LEAST_PASSCODE, api, type Member, type PersonChange } from '@yard-spool/contract';
import { promisedText } from '../words/promised-text';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { load } from '../data/loaded';
import { Undo } from '../ui/undo.service';
import { SessionService } from '../data/session.service';
import { Choice } from '../ui/choice';
import { handWords } from '../ui/learned-words';
import { LoadState } from '../ui/load-state';
import { SureButton } from '../ui/sure-button';
import { OpenedForm } from '../ui/opened-form';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { HouseTabs } from './house-tabs';
import { SecondStep } from './second-step';

/** Who is here, what they may change, and their passcodes. */
@Component({
  selector: 'ys-people-page',
  imports: [Choice, LoadState, ReactiveFormsModule, HouseTabs, OpenedForm, SecondStep, SureButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './people-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class PeoplePage {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  private readonly undo = inject(Undo);
  private readonly house = inject(HouseService);

  protected readonly people = load(() => this.api.call(api.listPeople));
  protected readonly me = this.session.person;
  /** Oneself as the house keeps one. */
  protected readonly mine = computed(() => this.people.value()?.find(({ id }) => id === this.me()?.id));
  protected readonly mayChange = computed(() => this.me()?.role === 'manager');
  protected readonly roles = [
    { value: 'technician', name: 'Technician' },
    { value: 'manager', name: 'Manager' },
  ];
  protected readonly adding = new FormGroup({ name: text(), role: text('technician'), passcode: text() });
  protected readonly own = new FormGroup({ now: text(), passcode: text() });
  private readonly addTyped = typedValue(this.adding);
  private readonly ownTyped = typedValue(this.own);
  protected readonly addSending = new Sending();
  protected readonly ownSending = new Sending();
  protected readonly changing = new Sending();
  protected readonly ownChanged = signal(false);
  /** Whose name and role, or whose passcode, is being changed. */
  protected readonly open = signal<{ readonly id: number; readonly what: 'person' | 'passcode' } | null>(
    null,
  );
  protected readonly edit = new FormGroup({ name: text(), role: text(), passcode: text() });

  protected readonly addMissing = computed(() => {
    const { name, passcode } = this.addTyped();
    if (name.trim() === '') return 'Type their name.';
    return passcode.length < LEAST_PASSCODE
      ? `A passcode has at least ${String(LEAST_PASSCODE)} characters.`
      : '';
  });
  protected readonly ownMissing = computed(() =>
    this.ownTyped().passcode.length < LEAST_PASSCODE
      ? `A passcode has at least ${String(LEAST_PASSCODE)} characters.`
      : '',
  );

  private readonly done = (): void => {
    this.open.set(null);
    this.people.reload();
  };

  constructor() {
    this.undo.whenUndone(this.people.reload);
    this.house.learnMore();
  }

  protected readonly hands = ({ name }: Member): readonly string[] => handWords(this.house.learning(), name);
  protected readonly day = (iso: string): string => promisedText(iso);

  protected begin(person: Member, what: 'person' | 'passcode'): void {
    this.edit.reset({ name: person.name, role: person.role, passcode: '' });
    this.open.set({ id: person.id, what });
  }

  protected save(person: Member): void {
    const { name, role, passcode } = this.edit.getRawValue();
    if (this.open()?.what === 'passcode') {
      const ask = this.api.call(api.setPasscode, { params: { id: person.id }, body: { passcode } });
      this.changing.send(ask, this.done);
    } else this.change(person, { name, role: role as Member['role'] });
  }

  protected change(
    person: Member,
    more: Partial<PersonChange>,
    then: (changed: Member) => void = this.done,
  ): void {
    const { id, version, name, role, left } = person;
    const body = { version, name, role, here: left === null, ...more };
    this.changing.send(this.api.call(api.changePerson, { params: { id }, body }), then, this.people.reload);
  }

  /** Whoever leaves is signed out at once; they may come back. */
  protected deactivate(person: Member): void {
    this.change(person, { here: false }, ({ id, version, name, role }) => {
      this.done();
      const body = { version, name, role, here: true };
      this.undo.tell({
        words: `${name} has left and cannot sign in any more.`,
        back: () => this.api.call(api.changePerson, { params: { id }, body }),
      });
    });
  }

  protected endStep({ id }: Member): void {
    this.changing.send(this.api.call(api.endSecondStep, { params: { id } }), this.done);
  }

  protected add(): void {
    if (this.addMissing() !== '') return;
    const { name, role, passcode } = this.adding.getRawValue();
    const body = { name, role: role as Member['role'], passcode };
    this.addSending.send(this.api.call(api.addPerson, { body }), () => {
      this.adding.reset({ role: 'technician' });
      this.people.reload();
    });
  }

  protected changeOwn(): void {
    const id = this.me()?.id;
    if (id === undefined || this.ownMissing() !== '') return;
    this.ownChanged.set(false);
    this.ownSending.send(
      this.api.call(api.setPasscode, { params: { id }, body: this.own.getRawValue() }),
      () => {
        this.own.reset();
        this.ownChanged.set(true);
        this.people.reload();
      },
    );
  }
}
