import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { api } from '@yard-spool/contract';
import { RouterLink } from '@angular/router';
import { ApiService } from '../../data/api.service';
import { load } from '../../data/loaded';
import { UnitsService } from '../../data/units.service';
import { isElsewhere, isMoved, piecesNow, piecesPlanned } from './cut-words';

/** What the plan of cuts says of one reel: the piece it is better cut from, or what it lacks. Nothing where all is well. */
@Component({
  selector: 'ys-better-cut',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (sentence of says(); track sentence) {
      <p>{{ sentence }}</p>
    }
    @if (says().length > 0) {
      <a class="underline underline-offset-2" routerLink="/rack/cuts">See the plan of cuts</a>
    }
  `,
  host: { class: 'block text-[13px]' },
})
export class BetterCut {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);

  readonly jobId = input.required<number>();

  private readonly plan = load(() => this.api.call(api.readCuts));
  protected readonly says = computed((): string[] => {
    const plan = this.plan.value();
    if (!plan) return [];
    const own = <One extends { readonly jobId: number }>(all: readonly One[]): One[] =>
      all.filter(({ jobId }) => jobId === this.jobId());
    return [
      ...own(plan.shortages).flatMap(({ what, cures }) => [what, ...cures].map((one) => this.units.say(one))),
      ...own(plan.layers)
        .filter((one) => isMoved(one) && isElsewhere(one))
        .map((one) =>
          one.now === null
            ? `Its ${one.role} can be cut from ${piecesPlanned(one)}.`
            : `Its ${one.role} is better cut from ${piecesPlanned(one)} than from ${piecesNow(one)}.`,
        ),
    ];
  });
}
