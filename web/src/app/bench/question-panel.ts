import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import type { SettlingQuestion } from '@yard-spool/core';
import { RunStore } from './run-store';
import { InView } from '../ui/in-view';
import { useKeys } from '../keyboard/keyboard.service';
import { WhichPiece } from './which-piece';
import { UnitsService } from '../data/units.service';

/** Readings that contradict each other, asked about before the reel is closed. */
@Component({
  selector: 'ys-question-panel',
  imports: [WhichPiece],
  hostDirectives: [InView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asks(); as layer) {
      <ys-which-piece [layer]="layer" (done)="asks.set('')" />
    }
    <div class="look grid gap-2 px-3.5 py-3" role="alert" data-test="contradiction">
      <b class="text-[19px]">{{ units.say(question().sentence) }}</b>
      @for (answer of question().answers; track $index; let i = $index) {
        <button
          type="button"
          class="plain min-h-18! justify-between! text-left text-[17px]"
          (click)="answered(i)"
        >
          {{ units.say(answer.words) }} <span class="key">{{ i + 1 }}</span>
        </button>
      }
      <p class="text-[14px] text-mute">
        What is written on the reel and taken off the rack follows from this.
      </p>
    </div>
  `,
  host: { class: 'block' },
})
export class QuestionPanel {
  private readonly store = inject(RunStore);
  protected readonly units = inject(UnitsService);

  /** The layer whose piece is asked for. */
  protected readonly asks = signal('');
  readonly question = input.required<SettlingQuestion>();

  constructor() {
    useKeys((key) => this.keyFor(Number(key) - 1));
  }

  protected answered(i: number): void {
    const answer = this.question().answers[i];
    // Another line is settled by the piece it came off.
    if (answer?.settling.cause === 'line') this.asks.set(answer.settling.about);
    else if (answer) void this.store.happen({ kind: 'settled', payload: answer.settling });
  }

  private keyFor(i: number): (() => void) | undefined {
    return i in this.question().answers ? () => this.answered(i) : undefined;
  }
}
