import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Run } from '@yard-spool/contract';
import type { RunState } from '@yard-spool/core';
import { BenchView } from './bench-view';
import { RunStore } from './run-store';
import { savingWords } from './saving-words';
import { StepList } from './step-list';
import { Tone } from './tone.service';

/** Which reel it is, its steps, and how what happened stands with the server. */
@Component({
  selector: 'ys-bench-aside',
  imports: [RouterLink, StepList],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1>Bag {{ run().bagNumber }}, reel {{ run().job.position }} of {{ run().reelsInBag }}</h1>
    <div class="flex items-center justify-between gap-2 pb-1">
      <p class="truncate text-mute" [title]="run().job.label">{{ run().job.label }}, {{ run().bench }}</p>
      <a
        class="flex min-h-9 items-center whitespace-nowrap text-[14px] font-bold underline underline-offset-4"
        routerLink="/bench"
        >All benches</a
      >
    </div>
    <ys-step-list
      [run]="run()"
      [state]="state()"
      [lengths]="bench.ahead().lengths"
      [totals]="bench.ahead().totals"
    />
    <div class="mt-auto flex flex-wrap items-center justify-between gap-2 pt-2">
      @if (state().undoable) {
        <button type="button" class="plain px-3!" (click)="act.emit('Z')">
          Step back <span class="key">Z</span>
        </button>
      }
      @if (run().state === 'open') {
        <button
          type="button"
          class="plain px-3!"
          title="Another piece or length, put aside, given up"
          (click)="act.emit('X')"
        >
          Change <span class="key">X</span>
        </button>
      }
      <button type="button" class="plain px-3!" [attr.aria-pressed]="tone.on()" (click)="act.emit('M')">
        {{ tone.on() ? 'Sound on' : 'Sound off' }} <span class="key">M</span>
      </button>
      <span class="text-[13px] font-bold" aria-live="polite" [class.text-pass]="safe()">
        {{ savingWords() }}
      </span>
    </div>
  `,
  host: { class: 'flex min-h-full flex-col' },
})
export class BenchAside {
  protected readonly bench = inject(BenchView);
  protected readonly store = inject(RunStore);
  protected readonly tone = inject(Tone);

  readonly run = input.required<Run>();
  readonly state = input.required<RunState>();
  /** A key that was touched instead of pressed. */
  readonly act = output<string>();

  /** Why what the counter counts is not saved; empty where it is. */
  private readonly unheard = computed(() => {
    if (this.store.problem() !== '') return 'what was refused is said above';
    const name = this.store.device()?.name ?? '';
    if (this.state().current?.kind === 'wind' && this.store.counterLost()) return `${name} cannot be heard`;
    return this.store.counter()?.odd ? `${name} asks` : '';
  });
  protected readonly savingWords = computed(() => savingWords(this.store, this.unheard()));
  protected readonly safe = computed(() => this.store.saving() === 'saved' && this.unheard() === '');
}
