import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Print, PrintReading } from '@yard-spool/core';

/** Readings shown of one print, the taken one among them. */
const MOST = 3;

/** What the prints of a spool say, in words; where one can be read in more ways, the ways to choose from. */
@Component({
  selector: 'ys-print-words',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (print of told(); track print.text) {
      @if (print.sure) {
        <p class="pt-0.5 text-[13px] text-mute">
          {{ print.readings[0].words }}
          @for (other of others(print); track other.text) {
            <button
              type="button"
              class="ml-1 min-h-6 underline underline-offset-2"
              (click)="chosen.emit({ print, reading: other.text })"
            >
              or {{ other.words }}?
            </button>
          }
        </p>
      } @else {
        <div class="look mt-1 px-2.5 py-1.5" role="status" data-test="print-question">
          <b class="text-[14px]">What is “{{ print.text }}”?</b>
          <div class="flex flex-wrap gap-1.5 pt-1">
            @for (reading of print.readings.slice(0, most); track reading.text) {
              <button
                type="button"
                class="plain min-h-11! px-2.5! text-[14px]"
                (click)="chosen.emit({ print, reading: reading.text })"
              >
                {{ reading.words }}
              </button>
            }
          </div>
        </div>
      }
    }
  `,
  host: { class: 'block empty:hidden' },
})
export class PrintWords {
  readonly prints = input.required<readonly Print[]>();
  readonly chosen = output<{ readonly print: Print; readonly reading: string }>();

  protected readonly most = MOST;
  /** A length and a diameter with their units say themselves. */
  protected readonly told = computed(() =>
    this.prints().filter(
      ({ sure, readings: [first, ...others] }) => !sure || first.printed !== undefined || others.length > 0,
    ),
  );

  /** What else it could be, where one of them is a single print: many at once are of one system. */
  protected others({ readings }: Print): readonly PrintReading[] {
    return this.prints().length === 1 ? readings.slice(1, 2) : [];
  }
}
