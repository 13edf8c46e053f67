import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { SessionService } from '../data/session.service';

/** The parts of what the house settles, beside its title; whoever may not change them is told so. */
@Component({
  selector: 'ys-rules-tabs',
  imports: [RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 class="pr-2">House rules</h1>
    <nav class="flex flex-wrap gap-x-1" aria-label="Parts of the house">
      @for (part of parts; track part.path) {
        <a
          class="flex min-h-11 items-center border-b-3 border-transparent px-2.5 font-[650] text-mute"
          routerLinkActive="border-ink! text-ink!"
          ariaCurrentWhenActive="page"
          [routerLink]="part.path"
          [routerLinkActiveOptions]="{ exact: part.path === '/house/people' }"
          >{{ part.name }}</a
        >
      }
    </nav>
    @if (!mayChange()) {
      <p class="look ml-auto px-2.5 py-1 text-[13px] font-semibold">Only a manager changes these.</p>
    }
  `,
  host: { class: 'flex min-h-12 flex-wrap items-center gap-x-3' },
})
export class RulesTabs {
  private readonly session = inject(SessionService);
  protected readonly mayChange = computed(() => this.session.person()?.role === 'manager');
  protected readonly parts = [
    { path: '/house/schools', name: 'Schools' },
    { path: '/house/otherwise', name: 'For some otherwise' },
    { path: '/house/benches', name: 'Benches and tubs' },
    { path: '/house/people', name: 'People' },
    { path: '/house/shop', name: 'Shop' },
    { path: '/house/cautions', name: 'Cautions' },
    { path: '/house/changes', name: 'Changes' },
  ];
}
