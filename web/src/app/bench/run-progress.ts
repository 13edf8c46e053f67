import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { formatCount } from '@yard-spool/core';

/** The layer being wound as a bar: how far the count is, from where to look, where to stop. */
@Component({
  selector: 'ys-run-progress',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      class="w-full"
      viewBox="0 0 260 26"
      role="img"
      [attr.aria-label]="count(turns()) + ' of ' + count(total()) + ' turns'"
    >
      <rect class="fill-groove" width="250" height="16" x="5" y="5" rx="2" />
      <rect class="fill-look" height="16" y="5" [attr.x]="x(from())" [attr.width]="x(to()) - x(from())" />
      <rect class="fill-ink" height="16" x="5" y="5" rx="2" [attr.width]="x(turns()) - 5" />
      <rect class="fill-stop" width="3" height="26" y="0" [attr.x]="x(total()) - 1.5" />
    </svg>
  `,
  host: { class: 'block' },
})
export class RunProgress {
  protected readonly count = formatCount;
  readonly turns = input.required<number>();
  readonly total = input.required<number>();
  /** Turns between which the surface is likely to reach its stop. */
  readonly from = input.required<number>();
  readonly to = input.required<number>();

  private readonly end = computed(() => Math.max(1, this.to(), this.total(), this.turns()) * 1.02);
  protected readonly x = (turns: number): number => 5 + (250 * Math.min(turns, this.end())) / this.end();
}
