import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import type { FormControl } from '@angular/forms';
import { Info } from 'luxon';
import { TextField } from '../ui/text-field';

/** When the shop is open: two times, and the days on which it is closed. */
@Component({
  selector: 'ys-open-hours',
  imports: [TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="grid grid-cols-2 gap-3">
      <ys-text-field label="Opens" placeholder="09:00" [control]="opens()" [problem]="problem()('opens')" />
      <ys-text-field
        label="Closes"
        placeholder="18:00"
        [control]="closes()"
        [problem]="problem()('closes')"
      />
    </div>
    <fieldset class="mt-3">
      <legend class="text-[13px] font-[650]">Open on</legend>
      <div class="flex flex-wrap gap-x-4">
        @for (name of days; track name) {
          <label class="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              class="size-5"
              [checked]="!closedOn().includes($index + 1)"
              (change)="toggle($index + 1)"
            />
            {{ name }}
          </label>
        }
      </div>
      @if (problem()('closedOn'); as sentence) {
        <p class="font-bold text-stop" role="alert">{{ sentence }}</p>
      }
    </fieldset>
  `,
  host: { class: 'block' },
})
export class OpenHoursField {
  readonly opens = input.required<FormControl<string>>();
  readonly closes = input.required<FormControl<string>>();
  /** Days on which the shop is closed, Monday 1 to Sunday 7. */
  readonly closedOn = model.required<readonly number[]>();
  readonly problem = input.required<(field: string) => string>();

  protected readonly days = Info.weekdays('short', { locale: 'en' });

  protected toggle(day: number): void {
    const closed = this.closedOn();
    this.closedOn.set(
      closed.includes(day) ? closed.filter((one) => one !== day) : [...closed, day].sort((a, b) => a - b),
    );
  }
}
