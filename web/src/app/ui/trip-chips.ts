import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** How often a reel was out, told in one touch. */
@Component({
  selector: 'ys-trip-chips',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex flex-wrap gap-1.5" role="group" [attr.aria-label]="label()">
      @for (trips of COUNTS; track trips) {
        <button
          type="button"
          class="plain min-w-11 px-2.5!"
          [class.bg-ink]="told() === trips"
          [class.text-oil]="told() === trips"
          [attr.aria-pressed]="told() === trips"
          [disabled]="busy()"
          (click)="tell.emit(trips)"
        >
          {{ trips }}
        </button>
      }
    </div>
  `,
  host: { class: 'block' },
})
export class TripChips {
  readonly label = input.required<string>();
  /** As it was told last; null where nobody asked. */
  readonly told = input.required<number | null>();
  readonly busy = input(false);
  readonly tell = output<number>();

  /** What people answer across a counter. */
  protected readonly COUNTS = [0, 1, 2, 4, 6, 10, 15, 25, 40] as const;
}
