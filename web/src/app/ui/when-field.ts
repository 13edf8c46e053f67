import { CdkConnectedOverlay, CdkOverlayOrigin } from '@angular/cdk/overlay';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  CUSTOM_ELEMENTS_SCHEMA,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import type { FormControl } from '@angular/forms';
import { DateTime } from 'luxon';
import { ShopDays } from '../data/shop-days';
import { toSignalOf } from './control-signal';
import { DAY_FORM, MOMENT_FORM, readDay, readMoment, UNREAD } from './read-when';

/** The hour of a moment that was typed without one. */
const USUAL_HOUR = 17;
/** Fields so far: each has an id of its own. */
let fields = 0;
const LOCAL = "yyyy-MM-dd'T'HH:mm";

/**
 * A day, or a day and a time, typed and shown as the shop tells them, in its zone; or chosen from a calendar. The control
 * holds `2031-11-27` or `2031-11-27T16:00`; what was typed and is no day is kept behind a mark, so that nothing takes it
 * for one.
 */
@Component({
  selector: 'ys-when-field',
  imports: [CdkConnectedOverlay, CdkOverlayOrigin],
  schemas: [CUSTOM_ELEMENTS_SCHEMA],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="caption block pb-0.5" [for]="id">{{ label() }}</label>
    <div class="flex" cdkOverlayOrigin #origin="cdkOverlayOrigin">
      <input
        #field
        class="entry rounded-r-none!"
        [id]="id"
        autocomplete="off"
        [class.entry-wrong]="wrong()"
        [attr.aria-invalid]="wrong() !== ''"
        [value]="shown()"
        [placeholder]="placeholder() || example()"
        (input)="typed(field.value)"
        (blur)="typing.set(null)"
      />
      <button
        type="button"
        class="plain rounded-l-none! border-l-0! px-3!"
        aria-label="Choose from a calendar"
        title="Choose from a calendar"
        [attr.aria-expanded]="open()"
        (click)="open.set(!open())"
      >
        <svg
          viewBox="0 0 16 16"
          class="size-4"
          fill="none"
          stroke="currentColor"
          stroke-width="1.6"
          aria-hidden="true"
        >
          <path d="M2 3.5h12v10.5H2zM2 7h12M5 1.5v3M11 1.5v3" />
        </svg>
      </button>
    </div>
    @if (wrong(); as sentence) {
      <p class="pt-1 text-[13px] font-bold text-stop" role="alert">{{ sentence }}</p>
    } @else if (note(); as words) {
      <p class="pt-1 text-[13px] text-mute" aria-live="polite">{{ words }}</p>
    }
    <ng-template
      cdkConnectedOverlay
      [cdkConnectedOverlayOrigin]="origin"
      [cdkConnectedOverlayOpen]="open()"
      (overlayOutsideClick)="leave($event)"
      (overlayKeydown)="key($event)"
    >
      <div class="calendar">
        <calendar-date
          #calendar
          [attr.value]="day()"
          [attr.first-day-of-week]="days.weekBegins() % 7"
          locale="en-GB"
          (change)="choose(calendar.value)"
        >
          <svg
            slot="previous"
            viewBox="0 0 16 16"
            class="size-5"
            fill="none"
            stroke="currentColor"
            stroke-width="2"
            aria-label="The month before"
          >
            <path d="M10 3 5 8l5 5" />
          </svg>
          <svg
            slot="next"
            viewBox="0 0 16 16"
            class="size-5"
            fill="none"
            stroke="currentColor"
            stroke-width="2"
            aria-label="The month after"
          >
            <path d="m6 3 5 5-5 5" />
          </svg>
          <calendar-month></calendar-month>
        </calendar-date>
      </div>
    </ng-template>
  `,
  host: { class: 'block min-w-0' },
})
export class WhenField {
  readonly control = input.required<FormControl<string>>();
  readonly label = input.required<string>();
  /** What an empty field stands for; its form where nothing is said. */
  readonly placeholder = input('');
  /** Whether the time of the day is part of it. */
  readonly time = input(false);

  protected readonly days = inject(ShopDays);
  protected readonly id = `when-${String((fields += 1))}`;
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  private readonly calendar = viewChild<ElementRef<HTMLElement>>('calendar');
  private readonly value = toSignalOf(this.control);
  /** What is being typed; null while nobody types. */
  protected readonly typing = signal<string | null>(null);
  protected readonly open = signal(false);

  private readonly at = computed(() => {
    const value = this.value();
    return value === '' ? null : DateTime.fromISO(value);
  });
  private readonly form = computed(() => (this.time() ? MOMENT_FORM : DAY_FORM));
  protected readonly example = computed(() =>
    DateTime.now().set({ hour: USUAL_HOUR, minute: 0 }).toFormat(this.form()),
  );
  protected readonly shown = computed(() => {
    const at = this.at();
    return this.typing() ?? (at?.isValid ? at.toFormat(this.form()) : this.value().replace(UNREAD, ''));
  });
  protected readonly wrong = computed(() => {
    return this.value() === '' || this.at()?.isValid ? '' : `Write it like ${this.example()}.`;
  });
  /** What was understood, while it is typed: Tue 12 May 2031, 202 days ago. */
  protected readonly note = computed(() => {
    const at = this.at();
    if (this.typing() === null || !at?.isValid) return '';
    const far = at.toRelativeCalendar({ base: DateTime.now(), unit: 'days', locale: 'en' });
    return `${at.toFormat(`ccc ${this.form()}`)}, ${far}`;
  });
  protected readonly day = computed(() => (this.at()?.isValid ? (this.at()?.toISODate() ?? '') : ''));

  constructor() {
    effect(() => {
      // Read once somebody wants to choose; the field does without.
      const calendar = this.calendar();
      if (calendar) void import('cally').then(() => calendar.nativeElement.focus());
    });
  }

  protected typed(text: string): void {
    this.typing.set(text);
    const now = DateTime.now();
    const at = this.time()
      ? readMoment(text, now, USUAL_HOUR, this.days.order())
      : readDay(text, now, this.days.order());
    const unread = text.trim() === '' ? '' : UNREAD + text;
    this.keep(at ? at.toFormat(this.time() ? LOCAL : 'yyyy-MM-dd') : unread);
  }

  protected choose(day: string): void {
    const at = this.at();
    const time = at?.isValid ? at.toFormat('HH:mm') : `${String(USUAL_HOUR)}:00`;
    this.typing.set(null);
    this.keep(this.time() ? `${day}T${time}` : day);
    this.close();
  }

  protected leave(event: MouseEvent): void {
    if (event.target instanceof Node && this.field().nativeElement.parentElement?.contains(event.target))
      return;
    this.open.set(false);
  }

  protected key(event: KeyboardEvent): void {
    if (event.key !== 'Escape' || !this.open()) return;
    // The form around it stays.
    event.preventDefault();
    this.close();
  }

  private close(): void {
    this.open.set(false);
    this.field().nativeElement.focus();
  }

  private keep(value: string): void {
    this.control().setValue(value);
    this.control().markAsDirty();
  }
}
