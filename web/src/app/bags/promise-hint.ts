import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { api, type EarliestPromise, type PromiseAsked } from '@yard-spool/contract';
import { spanText } from '@yard-spool/core';
import { DateTime } from 'luxon';
import { catchError, debounce, distinctUntilChanged, map, of, switchMap, timer } from 'rxjs';
import { ApiService } from '../data/api.service';
import { promisedText } from '../words/promised-text';

/** The earliest promise that holds nine times in ten, beside the field; and what would make an earlier one possible. */
@Component({
  selector: 'ys-promise-hint',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (earliest(); as one) {
      @if (one.at; as at) {
        <p
          class="flex flex-wrap items-center gap-x-3 gap-y-1 py-1 text-[14px]"
          [class.look]="short() !== ''"
          [class.px-2.5]="short() !== ''"
          role="status"
          data-test="earliest"
        >
          @if (short(); as by) {
            <b>Too early by {{ by }}.</b>
          }
          <span>Holds nine times in ten: {{ told(at) }}</span>
          @if (short() !== '') {
            @for (cure of one.cures; track cure.kind) {
              <span data-test="cure">{{ cureText(cure) }}: {{ told(cure.at) }}</span>
            }
          }
          <button
            type="button"
            class="min-h-11 font-[650] underline underline-offset-2"
            (click)="taken.emit(at)"
          >
            Promise that
          </button>
        </p>
      }
    }
  `,
  host: { class: 'block empty:hidden' },
})
export class PromiseHint {
  private readonly api = inject(ApiService);

  /** What is asked about; null while the reels cannot be planned yet. */
  readonly asked = input.required<Omit<PromiseAsked, 'promisedAt'> | null>();
  /** What is promised so far; empty where nothing is. */
  readonly promised = input.required<string>();
  /** Keys typed within so long of each other ask once, ms. */
  readonly rest = input(700);
  /** The earliest promise, where somebody takes it. */
  readonly taken = output<string>();

  protected readonly told = promisedText;
  /** As an instant; null while it is none. */
  private readonly promisedIso = computed(() => {
    const at = DateTime.fromISO(this.promised());
    return at.isValid ? at.toUTC().toISO() : null;
  });
  private readonly question = computed(() => {
    const asked = this.asked();
    return JSON.stringify(asked && { ...asked, promisedAt: this.promisedIso() });
  });
  protected readonly earliest = toSignal(
    toObservable(this.question).pipe(
      distinctUntilChanged(),
      debounce(() => timer(this.rest())),
      map((text) => JSON.parse(text) as PromiseAsked | null),
      switchMap((body) =>
        body
          ? this.api.call(api.askPromise, { body }).pipe(catchError(() => of<EarliestPromise | null>(null)))
          : of(null),
      ),
    ),
    { initialValue: null },
  );
  protected readonly cureText = ({ kind, code, name }: EarliestPromise['cures'][number]): string =>
    kind === 'dry'
      ? 'Without the soak'
      : kind === 'line'
        ? `With ${code}, ${name}, which is wet already`
        : 'With somebody at the other bench';

  /** By how much what is promised is too early; empty where it is not. */
  protected readonly short = computed(() => {
    const at = this.earliest()?.at;
    if (at == null || this.promised() === '') return '';
    const minutes = (Date.parse(at) - Date.parse(this.promised())) / 60_000;
    return minutes > 0 ? spanText(minutes) : '';
  });
}
