import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { DayPlan } from '@yard-spool/contract';
import { clockText } from '../words/clock-text';

let drawn = 0;

/** What is in a tub, how far it is, and when it comes out. */
@Component({
  selector: 'ys-tub-card',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="text-[14px] text-mute">{{ tub().name }}</h2>
    @for (soak of soaks(); track soak.code) {
      <p class="py-1 text-[17px] leading-tight font-bold">
        {{ soak.code }} {{ soak.ready ? 'is ready to come out' : 'comes out at ' + soak.at }}
      </p>
      <svg class="block w-full" viewBox="0 0 268 26" aria-hidden="true">
        <defs>
          <svg:pattern [attr.id]="id" width="16" height="10" patternUnits="userSpaceOnUse">
            <svg:path class="stroke-edge" d="M0 5q4-5 8 0t8 0" fill="none" stroke-width="1.6" />
          </svg:pattern>
        </defs>
        <rect class="fill-card stroke-ink" x=".5" y="2.5" width="267" height="21" />
        <rect x="1" y="3" [attr.width]="266 * soak.share" height="20" [attr.fill]="'url(#' + id + ')'" />
        <path class="stroke-ink" [attr.d]="'M' + (1 + 266 * soak.share) + ' 0v26'" stroke-width="2" />
      </svg>
    }
    <a class="mt-1.5 inline-block underline underline-offset-2" routerLink="/rack/tubs">Open the tubs</a>
  `,
  host: { class: 'card block p-3.5' },
})
export class TubCard {
  readonly tub = input.required<DayPlan['tubs'][number]>();
  readonly now = input.required<string>();

  protected readonly id = `waves-${String((drawn += 1))}`;
  protected readonly soaks = computed(() => {
    const now = Date.parse(this.now());
    return this.tub().soaks.map(({ code, inAt, readyAt }) => {
      const begin = Date.parse(inAt);
      const long = Math.max(1, Date.parse(readyAt) - begin);
      return {
        code,
        at: clockText(readyAt, this.now()),
        ready: now >= Date.parse(readyAt),
        share: Math.max(0, Math.min(1, (now - begin) / long)),
      };
    });
  });
}
