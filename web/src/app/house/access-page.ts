import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { Router } from '@angular/router';
import { api, type Audit, type SignedIn } from '@yard-spool/contract';
import { of } from 'rxjs';
import { promisedText } from '../words/promised-text';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { SessionService } from '../data/session.service';
import { LoadState } from '../ui/load-state';
import { SureButton } from '../ui/sure-button';
import { Sending } from '../ui/sending';
import { HouseTabs } from './house-tabs';
import { OnTheNetwork } from './on-the-network';

const KINDS: Readonly<Record<Audit['kind'], string>> = {
  'signed-in': 'Signed in',
  'sign-in-failed': 'Wrong passcode',
  'signed-out': 'Signed out',
  'session-ended': 'Signed a device out',
  'person-added': 'Added somebody',
  'person-changed': 'Changed somebody',
  'passcode-set': 'Set a passcode',
  'second-step': 'Second step',
  exported: 'Exported',
  imported: 'Imported',
};

/** Who is signed in where, how another device comes in, and what was done about access. */
@Component({
  selector: 'ys-access-page',
  imports: [HouseTabs, LoadState, OnTheNetwork, SureButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex min-h-full flex-col gap-3 p-4 px-5">
      <ys-house-tabs />
      <div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)] items-start gap-4 max-lg:grid-cols-1">
        <div class="grid gap-4">
          <section class="card grid gap-2 px-4 py-3.5">
            <h2 class="text-[20px]">Signed in</h2>
            <ys-load-state what="who is signed in" [of]="signedIn.now()" (again)="signedIn.reload()" />
            <ul class="grid gap-2">
              @for (one of signedIn.value() ?? []; track one.key) {
                <li class="flex items-center justify-between gap-3 border-t border-line pt-2">
                  <span class="min-w-0">
                    <b class="block truncate">{{ one.name }}</b>
                    <span class="block text-[13px] text-mute">
                      {{ one.place }}, used {{ at(one.seenAt) }}{{ one.here ? ', here' : '' }}
                    </span>
                  </span>
                  <ys-sure-button
                    class="shrink-0"
                    label="Sign out"
                    [asks]="one.here ? 'You are signed out here.' : 'They sign in again to go on.'"
                    [busy]="sending.busy()"
                    (sure)="end(one)"
                  />
                </li>
              }
            </ul>
            @if (sending.problem(); as sentence) {
              <p class="look px-3 py-2" role="alert">{{ sentence }}</p>
            }
          </section>
          <ys-on-the-network />
        </div>
        @if (manages()) {
          <section class="card grid gap-2 px-4 py-3.5">
            <h2 class="text-[20px]">What was done</h2>
            <ys-load-state what="what was done" [of]="audit.now()" (again)="audit.reload()" />
            <table class="w-full text-left">
              <thead class="text-[13px] text-mute">
                <tr>
                  <th scope="col" class="pr-3">When</th>
                  <th scope="col" class="pr-3">Who</th>
                  <th scope="col" class="pr-3">What</th>
                  <th scope="col" class="max-md:hidden">From</th>
                </tr>
              </thead>
              <tbody>
                @for (one of audit.value() ?? []; track one.id) {
                  <tr class="border-t border-line align-top">
                    <td class="py-1.5 pr-3 whitespace-nowrap">{{ at(one.at) }}</td>
                    <td class="py-1.5 pr-3">{{ one.name || '—' }}</td>
                    <td class="py-1.5 pr-3">
                      <b>{{ kinds[one.kind] }}</b>{{ one.what ? ': ' + one.what : '' }}
                    </td>
                    <td class="py-1.5 text-[13px] text-mute max-md:hidden">{{ one.place }}</td>
                  </tr>
                }
              </tbody>
            </table>
          </section>
        }
      </div>
    </div>
  `,
  host: { class: 'block min-h-0 grow' },
})
export class AccessPage {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  private readonly router = inject(Router);

  protected readonly kinds = KINDS;
  protected readonly at = (iso: string): string => promisedText(iso);
  protected readonly manages = computed(() => this.session.person()?.role === 'manager');
  protected readonly signedIn = load(() => this.api.call(api.listSignedIn));
  protected readonly audit = load(() => (untracked(this.manages) ? this.api.call(api.listAudit) : of([])));
  protected readonly sending = new Sending();

  constructor() {
    // Who asks may be known only after the page is there.
    effect(() => {
      if (this.manages()) untracked(() => this.audit.reload());
    });
  }

  /** Signs a device out; this one goes to the sign-in screen. */
  protected end({ key, here }: SignedIn): void {
    this.sending.send(this.api.call(api.endSession, { params: { key } }), () => {
      if (here) void this.router.navigate(['/sign-in']);
      else this.signedIn.reload();
    });
  }
}
