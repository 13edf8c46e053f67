import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { lookOf, type LookKey, type LookKnown, type LookMade } from '@yard-spool/core';
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

  protected readonly rows = computed(() => {
    const answers = this.answers();
    const record = this.record();
    const here = new Set(answers.map(({ look }) => look));
    return [
      ...answers.toReversed().map((one) => {
        const known = record.find(({ look, answer }) => look === one.look && answer === one.answer);
        return known
          ? { look: one.look, words: this.units.say(known.words), by: 'from the record' }
          : { look: one.look, words: answerWords(one), by: '' };
      }),
      ...record
        .filter(({ look }) => !here.has(look))
        .map(({ look, words }) => ({ look, words: this.units.say(words), by: 'from the record' })),
    ].filter(({ look }) => lookOf(look).ask !== '');
  });
}
