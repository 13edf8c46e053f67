import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { api, type BegunStep, type Member } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { OpenedForm } from '../ui/opened-form';
import { SureButton } from '../ui/sure-button';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { AddressCode } from './on-the-network';

/** A manager's own second step at signing in: a code of an authenticator beside the passcode. */
@Component({
  selector: 'ys-second-step',
  imports: [AddressCode, OpenedForm, ReactiveFormsModule, SureButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="card grid gap-2.5 px-4 py-3.5" (submit)="$event.preventDefault(); confirm()">
      <h2>A second step</h2>
      @if (me().secondStep) {
        <p>Signing in as you takes your passcode and the code your authenticator shows.</p>
        <ys-sure-button
          label="Passcode alone again"
          asks="The key on your phone is worth nothing then."
          [busy]="sending.busy()"
          (sure)="end()"
        />
      } @else if (begun(); as step) {
        <p>1. Add this to an authenticator on your own phone: point it at the code, or type the key.</p>
        <ys-address-code [address]="step.address" />
        <p class="font-bold wrap-anywhere" data-test="step-key">{{ spaced(step.secret) }}</p>
        <p>2. Type the six figures it shows now.</p>
        <ys-text-field
          ysOpened
          (escaped)="begun.set(null)"
          label="Code, six figures"
          inputmode="numeric"
          [control]="code"
          [problem]="sending.at('code')"
        />
        <button class="go" [disabled]="sending.busy()">Turn it on <span class="key">Enter</span></button>
        <button type="button" class="plain" (click)="begun.set(null)">Cancel</button>
      } @else {
        <p class="text-mute">
          With it, signing in as you takes a code from your phone as well: whoever saw your passcode is not a
          manager then. If the phone is lost, another manager turns it off, or “npm run passcode” on the
          shop’s own machine.
        </p>
        <button type="button" class="plain" [disabled]="sending.busy()" (click)="begin()">Set it up</button>
      }
      @if (sending.problem(); as sentence) {
        <p class="look px-3.5 py-2.5 font-bold" role="alert">{{ sentence }}</p>
      }
    </form>
  `,
  host: { class: 'block' },
})
export class SecondStep {
  private readonly api = inject(ApiService);

  readonly me = input.required<Member>();
  /** It is on, or off. */
  readonly changed = output();
  protected readonly sending = new Sending();
  protected readonly begun = signal<BegunStep | null>(null);
  protected readonly code = text();
  private readonly params = computed(() => ({ id: this.me().id }));
  protected readonly spaced = (secret: string): string => secret.match(/.{1,4}/g)?.join(' ') ?? '';

  protected begin(): void {
    this.code.setValue('');
    const ask = this.api.call(api.beginSecondStep, { params: this.params(), body: {} });
    this.sending.send(ask, (step) => this.begun.set(step));
  }

  protected confirm(): void {
    if (!this.begun()) return;
    const body = { code: this.code.value };
    this.sending.send(this.api.call(api.confirmSecondStep, { params: this.params(), body }), () => {
      this.begun.set(null);
      this.changed.emit();
    });
  }

  protected end(): void {
    this.sending.send(this.api.call(api.endSecondStep, { params: this.params() }), () => this.changed.emit());
  }
}
