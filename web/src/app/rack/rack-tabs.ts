import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';

/** The parts of the rack, beside its title. */
@Component({
  selector: 'ys-rack-tabs',
  imports: [RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 class="pr-2">Line rack</h1>
    <nav class="flex flex-wrap gap-x-1" aria-label="Parts of the rack">
      @for (part of parts; track part.path) {
        <a
          class="flex min-h-11 items-center border-b-3 border-transparent px-2.5 font-[650] text-mute"
          routerLinkActive="border-ink! text-ink!"
          ariaCurrentWhenActive="page"
          [routerLink]="part.path"
          [routerLinkActiveOptions]="{ exact: true }"
          >{{ part.name }}</a
        >
      }
    </nav>
  `,
  host: { class: 'flex min-h-12 flex-wrap items-center gap-x-3' },
})
export class RackTabs {
  protected readonly parts = [
    { path: '/rack', name: 'Pieces' },
    { path: '/rack/tubs', name: 'Soak tubs' },
    { path: '/rack/recycling', name: 'Recycling' },
    { path: '/rack/order', name: 'What to order' },
    { path: '/rack/files', name: 'In and out' },
  ];
}
