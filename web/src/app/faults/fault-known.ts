import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { LookKey, LookKnown, LookMade } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { answerWords } from './fault-case';

/** What was looked at already, by the record or here; any of it can be asked again where it is not so. */
@Component({
  selector: 'ys-fault-known',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows().length > 0) {
      <section class="card grid gap-1 px-4 py-3" data-test="known">
        <h2>What is known already</h2>
        @for (row of rows(); track row.look) {
          <div class="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-2 border-t border-line py-1">
            <p>
              {{ row.words }} <span class="text-[13px] text-mute">{{ row.by }}</span>
            </p>
            <button
              type="button"
              class="plain min-h-10! px-3!"
              [attr.aria-label]="'Change: ' + row.words"
              (click)="again.emit(row.look)"
            >
              Change
            </button>
          </div>
        }
      </section>
    }
  `,
  host: { class: 'block empty:hidden' },
})
export class FaultKnown {
  private readonly units = inject(UnitsService);

  readonly record = input<readonly LookKnown[]>([]);
  readonly answers = input<readonly LookMade[]>([]);
  readonly again = output<LookKey>();

  /** What was answered here last first; then what only the record says. */
  protected readonly rows = computed(() => {
    const record = this.record();
    const answers = this.answers().toReversed();
    const here = new Set(answers.map(({ look }) => look));
    return [...answers, ...record.filter(({ look }) => !here.has(look))].map((made) => {
      const { words, onRecord } = answerWords(made, record);
      return { look: made.look, words: this.units.say(words), by: onRecord ? 'from the record' : '' };
    });
  });
}
