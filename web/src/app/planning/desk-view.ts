import { ChangeDetectionStrategy, Component, inject, input, output, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ReelKind } from '@yard-spool/contract';
import { UnitsService } from '../data/units.service';
import { PlanSide } from './plan-side';
import { PlanView } from './plan-view';
import { PlanningDesk } from './planning-desk';
import { ReelEntry } from './reel-entry';
import { WaysToSay } from './ways-to-say';

/**
 * The planning desk as it is seen: what comes in on the left, the plan in the middle, its cuts on the right. What a
 * page has of its own goes above the entry (`deskHead`) and below the cuts (`deskFoot`).
 */
@Component({
  selector: 'ys-desk-view',
  imports: [PlanSide, PlanView, ReelEntry, RouterLink, WaysToSay],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section
      class="relative grid min-h-0 grid-cols-1 content-start gap-[5px] pr-1 lg:max-h-full lg:overflow-y-auto"
      aria-label="What comes in"
    >
      <ng-content select="[deskHead]" />
      <ys-reel-entry
        [form]="desk.form"
        [pieces]="desk.rack()"
        [lines]="desk.lines()"
        [planned]="desk.plan()"
        [kinds]="kinds()"
        [tagged]="tagged()"
        [asking]="asking()"
        (tagTyped)="tagTyped.emit($event)"
      />
    </section>
    <section class="flex min-h-0 flex-col" aria-label="The plan">
      <ng-content select="[deskPlan]" />
      @if (desk.plan(); as plan) {
        @if (plan.made; as made) {
          <ys-plan-view
            class="min-h-0 grow"
            [plan]="made.plan"
            [spool]="made.spool.spool"
            [styles]="desk.styles()"
            [swap]="plan.swap"
            [stays]="plan.sources.main?.from === 'stays'"
            [ends]="desk.openFace()"
          />
        } @else if (rackKnown()) {
          <h2 class="title">{{ plan.problems[0] ?? 'The plan appears here' }}</h2>
          <p class="pt-2 text-mute">
            @if (desk.rack().length === 0) {
              There is no line on the rack yet.
              <a class="font-bold underline" routerLink="/rack" [queryParams]="{ receive: 'yes' }"
                >Add a spool on the line rack first.</a
              >
            } @else {
              {{ plan.next }}
            }
          </p>
          @if (plan.problems.length === 0 && desk.rack().length > 0) {
            <ys-ways-to-say />
          }
        }
      }
    </section>
    <section class="flex min-h-0 flex-col gap-3 max-lg:col-span-full" aria-label="Cuts and keeping">
      <ys-plan-side
        class="min-h-0 grow"
        [planned]="desk.plan()"
        [cuts]="desk.cuts()"
        [type]="desk.type()"
        [ruling]="desk.ruling()"
        [promised]="promised()"
        [waysOut]="desk.waysOut()"
        [notes]="desk.notes()"
        (taken)="desk.take($event)"
        (way)="desk.change($event.change)"
      />
      <ng-content select="[deskFoot]" />
    </section>
  `,
  host: {
    class:
      'grid min-h-full grid-cols-[316px_minmax(0,1fr)_330px] gap-4 lg:max-xl:grid-cols-[300px_minmax(0,1fr)_280px] p-4 px-5 max-lg:grid-cols-[300px_minmax(0,1fr)] max-md:grid-cols-1 lg:h-full',
  },
})
export class DeskView {
  protected readonly desk = inject(PlanningDesk);
  protected readonly units = inject(UnitsService);
  private readonly entry = viewChild.required(ReelEntry);

  readonly rackKnown = input.required<boolean>();
  /** The shop's reel book. */
  readonly kinds = input<readonly ReelKind[]>([]);
  /** Whether the reel has its tag already and keeps it. */
  readonly tagged = input(false);
  /** Whether it is only asked about: it has no tag then. */
  readonly asking = input(false);
  readonly promised = input('');
  /** A tag was typed whole. */
  readonly tagTyped = output<string>();

  /** Puts the cursor where a reel begins. */
  begin(): void {
    this.entry().begin();
  }
}
