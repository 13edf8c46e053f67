import { Dialog, DIALOG_DATA, DialogConfig, DialogRef } from '@angular/cdk/dialog';
import { ChangeDetectionStrategy, Component, inject, type Injector } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { PROOF_MINUTES } from '@yard-spool/contract';
import { map, type Observable } from 'rxjs';
import { useKeys } from '../keyboard/keyboard.service';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import type { AskedPasscode } from '../data/send-proof';

/** The passcode of whoever is signed in, again. What they were about to do goes on behind it. */
@Component({
  selector: 'ys-passcode-again',
  imports: [ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="card grid w-105 max-w-[92vw] gap-3 p-5" (submit)="$event.preventDefault(); send()">
      <h2 id="passcode-again">
        {{ asked.signedOut ? 'Sign in again, ' + asked.signedOut : 'Your passcode again' }}
      </h2>
      <p class="text-mute">
        @if (asked.signedOut) {
          You were signed out here. What you typed is still there, and goes on behind this.
        } @else {
          It was typed more than {{ minutes }} minutes ago, and this is a manager’s to do. Nothing was changed
          yet.
        }
      </p>
      <ys-text-field label="Your passcode" type="password" [control]="passcode" />
      @if (sending.problem(); as sentence) {
        <p class="look px-3.5 py-2.5 font-bold" role="alert">{{ sentence }}</p>
      }
      <div class="flex flex-wrap gap-2.5">
        <button class="go grow" [disabled]="sending.busy()">Go on <span class="key">Enter</span></button>
        <button type="button" class="plain" (click)="dialog.close(false)">
          Cancel <span class="key">Esc</span>
        </button>
      </div>
    </form>
  `,
})
export class PasscodeAgain {
  protected readonly asked = inject<AskedPasscode>(DIALOG_DATA);
  protected readonly dialog = inject<DialogRef<boolean>>(DialogRef);
  protected readonly passcode = text();
  protected readonly sending = new Sending();
  protected readonly minutes = PROOF_MINUTES;

  constructor() {
    // What is typed beside the field is not for the screen behind.
    useKeys((key) => (key.length === 1 ? () => undefined : undefined));
  }

  protected send(): void {
    this.sending.send(
      this.asked.send(this.passcode.value),
      () => this.dialog.close(true),
      () => this.passcode.setValue(''),
    );
  }
}

/** Opens the question; false where it is left. */
export const askAgain = (injector: Injector, asked: AskedPasscode): Observable<boolean> =>
  injector
    .get(Dialog)
    .open<boolean, AskedPasscode>(
      PasscodeAgain,
      Object.assign(new DialogConfig<AskedPasscode, DialogRef<boolean>>(), {
        data: asked,
        ariaLabelledBy: 'passcode-again',
        autoFocus: 'input',
      }),
    )
    .closed.pipe(map((proved) => proved === true));
