import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { LoadState } from '../ui/load-state';
import { HouseTabs } from './house-tabs';
import { UnreadForm } from './unread-form';

/** What stands in the shop's books and cannot be read: each is shown as it is stored, and can be corrected. */
@Component({
  selector: 'ys-unread-page',
  imports: [HouseTabs, LoadState, RouterLink, UnreadForm],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex min-h-full flex-col gap-3 p-4 px-5">
      <ys-house-tabs />
      <h2 class="text-[20px]">Entries that cannot be read</h2>
      <ys-load-state what="what cannot be read" [of]="facts.now()" (again)="facts.reload()" />
      @if (facts.value(); as all) {
        @for (fact of all; track fact.table + fact.id + fact.field) {
          <ys-unread-form class="card" [fact]="fact" (saved)="facts.reload()" />
        } @empty {
          <p class="card p-6">
            Everything in the shop’s books can be read.
            <a class="underline" routerLink="/house/changes">See the changes.</a>
          </p>
        }
      }
    </div>
  `,
  host: { class: 'block min-h-0 grow' },
})
export class UnreadPage {
  private readonly api = inject(ApiService);
  protected readonly facts = load(() => this.api.call(api.listUnreadFacts));
}
