import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Run } from '@yard-spool/contract';
import { formatCount, runFacts, type RunState, type RunStep, stepWords } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';

/** The steps of a run: done, passed over, now, to come; winding steps with their count. */
@Component({
  selector: 'ys-step-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol class="grid gap-0.5">
      @for (row of rows(); track row.id) {
        <li
          class="grid grid-cols-[24px_1fr_auto] items-center gap-2 rounded-plate px-2.5 py-[5px]"
          [class.bg-ink]="row.state === 'now'"
          [class.text-white]="row.state === 'now'"
          [class.font-bold]="row.state === 'now'"
          [class.text-mute]="row.state === 'ahead'"
          [attr.aria-current]="row.state === 'now' ? 'step' : null"
        >
          <svg viewBox="0 0 18 18" class="size-[18px]" aria-hidden="true">
            @switch (row.state) {
              @case ('done') {
                <circle cx="9" cy="9" r="9" class="fill-pass" />
                <path d="M5 9.5l3 3 5.5-6.5" class="fill-none stroke-white" stroke-width="2.2" />
              }
              @case ('skipped') {
                <circle cx="9" cy="9" r="8" class="fill-none stroke-edge" stroke-width="2" />
                <path d="M5 9h8" class="stroke-edge" stroke-width="2.2" />
              }
              @case ('now') {
                <circle cx="9" cy="9" r="9" class="fill-oil" />
              }
              @default {
                <circle cx="9" cy="9" r="8" class="fill-none stroke-edge" stroke-width="2" />
              }
            }
          </svg>
          <span [class.line-through]="row.state === 'skipped'"
            >{{ row.name }}<span class="sr-only">{{ row.state === 'done' ? ', done' : '' }}</span></span
          >
          <span class="whitespace-nowrap text-[13px]">{{ row.note }}</span>
        </li>
      }
    </ol>
  `,
  host: { class: 'block' },
})
export class StepList {
  private readonly units = inject(UnitsService);

  readonly run = input.required<Run>();
  readonly state = input.required<RunState>();
  /** Metres each winding step comes to, by layer id. */
  readonly lengths = input.required<Readonly<Record<string, number>>>();
  /** Handle turns each winding step comes to, by layer id. */
  readonly totals = input.required<Readonly<Record<string, number>>>();

  protected readonly rows = computed(() => this.state().steps.map((step) => this.row(step)));

  private row(step: RunStep) {
    const state = this.state();
    const { name } = stepWords(step, runFacts(this.run()));
    const progress = this.progressOf(step.id);
    const { layer } = step;
    if (progress === 'skipped') return { id: step.id, name, state: progress, note: 'skipped' };
    const ahead = step.optional && progress !== 'done';
    if (step.kind !== 'wind' || layer === undefined)
      return { id: step.id, name, state: progress, note: ahead ? 'if needed' : '' };
    const counted = Math.round(state.turns[layer] ?? 0);
    const total = formatCount(this.totals()[layer] ?? 0);
    const note = { done: String(counted), now: `${counted} / ${total}`, ahead: '' }[progress];
    return {
      id: step.id,
      name: `${name} ${this.units.length(this.lengths()[layer] ?? 0)}`,
      state: progress,
      note,
    };
  }

  private progressOf(id: string): 'done' | 'skipped' | 'now' | 'ahead' {
    const { done, skipped, current } = this.state();
    if (skipped.has(id)) return 'skipped';
    if (done.has(id)) return 'done';
    return id === current?.id ? 'now' : 'ahead';
  }
}
