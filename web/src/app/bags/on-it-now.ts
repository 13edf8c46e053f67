import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { loadFor } from '../data/loaded';
import { UnitsService } from '../data/units.service';

/** What lies on a reel that was filled, as its record has it: the plan it was booked with is not the last word. */
@Component({
  selector: 'ys-on-it-now',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (on(); as lies) {
      <section class="card px-3.5 py-3" data-test="on-it-now">
        <h2 class="text-[15px]">On it now</h2>
        <ul class="pt-1">
          @for (line of lies.lines; track $index) {
            <li>
              <b>{{ units.length(line.lengthMm / 1000) }}</b> {{ line.name }}
              <span class="text-mute">{{ line.role.replace('-', ' ') }}</span>
            </li>
          }
        </ul>
        <p class="pt-1 text-mute">
          {{ level(lies.gap) }}.
          <a class="underline" [routerLink]="['/reels', tag()]">Its whole record</a>
        </p>
      </section>
    }
  `,
  host: { class: 'block' },
})
export class OnItNow {
  private readonly api = inject(ApiService);
  protected readonly units = inject(UnitsService);

  protected level(depth: number): string {
    return this.units.level(depth);
  }

  readonly tag = input.required<string>();
  readonly spool = input.required<string>();

  private readonly reel = loadFor(
    this.tag,
    (tag) => this.api.call(api.readReel, { params: { tag } }),
    'nothing',
  );
  protected readonly on = computed(() => {
    const lies = this.reel.value()?.spools.find(({ name }) => name === this.spool())?.on;
    return lies && { ...lies, lines: lies.lines.toReversed() };
  });
}
