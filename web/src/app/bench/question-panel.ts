import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { SettlingQuestion } from '@yard-spool/core';
import { RunStore } from './run-store';
import { InView } from '../ui/in-view';
import { useKeys } from '../keyboard/keyboard.service';
import { UnitsService } from '../data/units.service';

/** Readings that contradict each other, asked about before the reel is closed. */
@Component({
  selector: 'ys-question-panel',
  hostDirectives: [InView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="look grid gap-2 px-3.5 py-3" role="alert" data-test="contradiction">
      <b class="text-[19px]">{{ units.say(question().sentence) }}</b>
      @for (answer of question().answers; track answer.words; let i = $index) {
        <button
          type="button"
          class="plain min-h-18! justify-between! text-left text-[17px]"
          (click)="answered(i)"
        >
          {{ answer.words }} <span class="key">{{ i + 1 }}</span>
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

  readonly question = input.required<SettlingQuestion>();

  constructor() {
    useKeys((key) => this.keyFor(Number(key) - 1));
  }

  protected answered(i: number): void {
    const answer = this.question().answers[i];
    if (answer) void this.store.happen({ kind: 'settled', payload: answer.settling });
  }

  private keyFor(i: number): (() => void) | undefined {
    return i in this.question().answers ? () => this.answered(i) : undefined;
  }
}
