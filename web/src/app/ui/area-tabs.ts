import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';

/** One part of an area. */
export interface AreaPart {
  readonly path: string;
  readonly name: string;
  /** Whether it stays marked on the pages below it. */
  readonly below?: boolean;
}

/** The parts of an area, beside its title. */
@Component({
  selector: 'ys-area-tabs',
  imports: [RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 class="pr-2">{{ name() }}</h1>
    <nav class="flex flex-wrap gap-x-1" [attr.aria-label]="label()">
      @for (part of parts(); track part.path) {
        <a
          class="flex min-h-11 items-center border-b-3 border-transparent px-2.5 font-[650] text-mute"
          routerLinkActive="border-ink! text-ink!"
          ariaCurrentWhenActive="page"
          [routerLink]="part.path"
          [routerLinkActiveOptions]="{ exact: !part.below }"
          >{{ part.name }}</a
        >
      }
    </nav>
    <ng-content />
  `,
  host: { class: 'flex min-h-12 flex-wrap items-center gap-x-3' },
})
export class AreaTabs {
  readonly name = input.required<string>();
  readonly label = input.required<string>();
  readonly parts = input.required<readonly AreaPart[]>();
}
