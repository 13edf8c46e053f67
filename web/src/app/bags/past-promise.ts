import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { DateTime } from 'luxon';

/** How long ago a promise is that was typed; empty for one that is still to come, and for none. */
function howLongAgo(promised: string, now: DateTime = DateTime.now()): string {
  const at = DateTime.fromISO(promised);
  return at.isValid && at < now
    ? at.toRelative({ base: now, unit: ['days', 'hours', 'minutes'], locale: 'en' })
    : '';
}

/** How long ago a promise is that nobody said they mean; empty where nothing is to be asked. */
const askedOf = (promised: string, meant: string): string => (promised === meant ? '' : howLongAgo(promised));

/** A promise in the past is asked about: it may be a slip of the day, or line that has been waiting. */
@Component({
  selector: 'ys-past-promise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (ago(); as words) {
      <p
        class="look flex flex-wrap items-center gap-x-3 gap-y-1 px-2.5 py-1 text-[14px]"
        role="status"
        data-test="past-promise"
      >
        <b>That was {{ words }}.</b>
        <button
          type="button"
          class="min-h-11 font-[650] underline underline-offset-2"
          (click)="meant.set(promised())"
        >
          It was promised for then
        </button>
      </p>
    }
  `,
  host: { class: 'block empty:hidden' },
})
export class PastPromise {
  readonly promised = input.required<string>();
  /** The promise somebody said they mean though it is past. */
  readonly meant = model.required<string>();

  protected readonly ago = computed(() => askedOf(this.promised(), this.meant()));
}

/** What keeps a promise from being made: none that can be read, or a past one nobody said they mean. */
export function promiseMissing(promised: string, meant: string): string {
  if (!DateTime.fromISO(promised).isValid) return 'Say when it is promised.';
  return askedOf(promised, meant) === ''
    ? ''
    : 'Say whether the promise is for a time that is past, or change it.';
}
