import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { api, type UnreadFact } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';

/** One fact that cannot be read: where it stands, what is stored, what is wrong, and what to store instead. */
@Component({
  selector: 'ys-unread-form',
  imports: [ReactiveFormsModule, SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="grid gap-2 px-4 py-3.5" data-test="unread-fact" (submit)="$event.preventDefault(); send()">
      <h3 class="font-bold">{{ fact().entry }}: {{ fact().says }}</h3>
      <p>
        Stored: <span class="font-mono break-all">{{ shown() }}</span>
      </p>
      <p class="text-mute">{{ units.say(fact().wrong) }}</p>
      @if (choices().length > 0) {
        <ys-select-field label="Store instead" [control]="is()" [options]="choices()" />
      } @else if (long()) {
        <label class="block">
          <span class="caption block pb-0.5">Store instead</span>
          <textarea class="entry min-h-40 font-mono" rows="8" [formControl]="is()"></textarea>
        </label>
      } @else {
        <ys-text-field label="Store instead" [control]="is()" />
      }
      @if (sending.problem(); as sentence) {
        <p class="look px-3.5 py-2.5 font-bold" role="alert">{{ sentence }}</p>
      }
      <button class="go justify-self-start" [disabled]="sending.busy()">Save</button>
    </form>
  `,
  host: { class: 'block' },
})
export class UnreadForm {
  private readonly api = inject(ApiService);
  protected readonly units = inject(UnitsService);
  readonly fact = input.required<UnreadFact>();
  readonly saved = output();

  protected readonly sending = new Sending();
  protected readonly shown = computed(() => this.fact().stands || 'nothing');
  /** What is stored with several parts has room to be read. */
  protected readonly long = computed(() => /^[[{]/.test(this.fact().stands));
  protected readonly choices = computed(() => this.fact().choices.map((value) => ({ value, name: value })));
  protected readonly is = linkedSignal(() => text(this.fact().choices[0] ?? this.fact().stands));

  protected send(): void {
    const { table, id, field, stands } = this.fact();
    const body = { table, id, field, stands, is: this.is().value };
    this.sending.send(this.api.call(api.mendFact, { body }), () => this.saved.emit());
  }
}
