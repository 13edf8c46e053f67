import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  untracked,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import type { CounterWaiting } from '@yard-spool/contract';
import { MATCHING } from './bench-actions-of';
import { BenchCounting } from './bench-counting';
import { BenchView } from './bench-view';
import { CounterMatchPanel } from './counter-match-panel';
import { CounterStep } from './counter-step';
import { RunKeeper } from './run-keeper';
import { RunStore } from './run-store';
import { ShopRun } from './shop-run';
import { savingWords } from './saving-words';

/** One reel on an outing: its mark, its reading, and the answer. */
@Component({
  selector: 'ys-walk-reel',
  imports: [CounterMatchPanel, RouterLink],
  providers: [RunKeeper, { provide: RunStore, useClass: ShopRun }, BenchView, BenchCounting, CounterStep],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="card grid grid-cols-1 gap-2 p-4" [attr.data-test]="'walk-' + reel().tag">
      <div class="flex items-baseline justify-between gap-3">
        <b class="truncate text-[20px]" [title]="reel().label">{{ reel().tag }}, {{ reel().label }}</b>
        <span class="whitespace-nowrap text-[13px] font-bold" aria-live="polite">{{ saving() }}</span>
      </div>
      <p class="text-mute">{{ reel().customer }}</p>
      @if (store.problem(); as sentence) {
        <p class="look px-3.5 py-2.5 font-bold" role="alert">{{ sentence }}</p>
      }
      @if (here()) {
        <ys-counter-match-panel [ownButton]="true" (done)="finish()" />
        @if (step.walks().length > 0) {
          <button type="button" class="plain" (click)="store.undo()">Undo the last entry</button>
        }
        @if (action(); as name) {
          <button type="button" class="go min-h-18! text-[18px]" (click)="panel()?.enter()">
            {{ name }}
          </button>
        }
      } @else if (store.run()) {
        <p>
          Its counter is done.
          <a class="font-bold underline" [routerLink]="['/bench', reel().id]">Continue at the bench</a>
        </p>
      }
    </div>
  `,
  host: { class: 'block' },
})
export class WalkReel {
  protected readonly store = inject(RunStore);
  protected readonly step = inject(CounterStep);

  readonly reel = input.required<CounterWaiting>();
  /** Where it is matched, m, once that is known. */
  readonly matchKnown = output<number>();

  protected readonly here = computed(() => this.store.state()?.current?.kind === 'counter');
  protected readonly panel = viewChild(CounterMatchPanel);
  /** What there is to do beside a walk; empty where that is all. */
  protected readonly action = computed(() => {
    const verdict = this.step.match()?.verdict ?? 'walk';
    if (verdict === 'walk' || this.step.doubted()) return '';
    return verdict === 'agrees' ? 'It agrees: done' : MATCHING[verdict];
  });
  protected readonly saving = computed(() => savingWords(this.store));

  constructor() {
    effect(() => {
      const { id } = this.reel();
      untracked(() => void this.store.open(String(id), { watched: false }));
    });
    effect(() => {
      if (this.store.run()) this.matchKnown.emit(this.step.setup().match);
    });
  }

  protected finish(): void {
    void this.step.finish();
  }
}
