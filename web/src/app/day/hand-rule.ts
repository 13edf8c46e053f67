import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { BagInHand } from '@yard-spool/contract';
import { RouterLink } from '@angular/router';
import { clockText } from '../words/clock-text';
import { inHand } from '../words/in-hand';

const WIDE = 240;
const HOUR = 60;
/** Hours a rule shows at least. */
const LEAST_HOURS = 3;
/** What changes by less is not told, minutes. */
const TOLD_FROM = 1;

/** One bag's time in hand on a rule of hours: what is left between when it is ready and when it was promised. */
@Component({
  selector: 'ys-hand-rule',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let one = bag();
    <p class="flex flex-wrap items-baseline justify-between gap-x-3">
      <a class="min-w-0" [routerLink]="['/bags', one.number]">
        <b>Bag {{ one.number }}</b>
        <span class="text-mute"> by {{ promised() }}</span>
      </a>
      <b
        class="ml-auto whitespace-nowrap"
        [class.text-stop]="state() === 'late'"
        [class.text-join]="state() === 'unsure'"
        data-test="in-hand"
        >{{ words() }}</b
      >
    </p>
    <svg class="block w-full" viewBox="0 0 246 24" aria-hidden="true">
      <rect class="fill-groove" x="1" y="2" [attr.width]="wide" height="10" />
      <rect
        [class]="state() === 'unsure' ? 'fill-look-edge' : 'fill-edge'"
        x="1"
        y="2"
        [attr.width]="bar()"
        height="10"
      />
      @if (before(); as x) {
        <path class="stroke-ink" [attr.d]="'M' + x + ' 0v14'" stroke-dasharray="2 2" data-test="before" />
      }
      @if (sure(); as x) {
        <path class="stroke-ink" [attr.d]="'M' + x + ' 0v14'" stroke-width="2" />
      }
      @for (tick of ticks(); track tick.hour) {
        <path class="stroke-mute" [attr.d]="'M' + tick.x + ' 12v4'" />
        <text class="fill-mute" [attr.x]="tick.x + 3" y="23" font-size="10">{{ tick.name }}</text>
      }
    </svg>
  `,
  host: { class: 'block px-3 py-2' },
})
export class HandRule {
  readonly bag = input.required<BagInHand>();
  readonly now = input.required<string>();
  /** The same bag if what is tried was asked. */
  readonly tried = input<BagInHand | null>(null);

  protected readonly wide = WIDE;
  protected readonly promised = computed(() => clockText(this.bag().promisedAt, this.now()));
  /** As it would stand, where something is tried; as it stands otherwise. */
  private readonly is = computed(() => inHand(this.tried() ?? this.bag()));
  private readonly was = computed(() => inHand(this.bag()));
  private readonly changes = computed(
    () => this.tried() !== null && Math.abs(this.is().usually - this.was().usually) >= TOLD_FROM,
  );
  protected readonly state = computed(() => this.is().state);
  protected readonly words = computed(() =>
    this.changes() ? `${this.was().words} → ${this.is().words}` : this.is().words,
  );
  private readonly hours = computed(() =>
    Math.max(LEAST_HOURS, Math.min(24, Math.ceil(Math.max(this.is().usually, this.was().usually) / HOUR))),
  );
  private readonly xOf = (minutes: number): number =>
    1 + (WIDE * Math.max(0, Math.min(minutes, this.hours() * HOUR))) / (this.hours() * HOUR);
  protected readonly bar = computed(() => this.xOf(this.is().usually) - 1);
  /** Where the bar ended before; null where nothing is tried, or nothing changes here. */
  protected readonly before = computed(() => (this.changes() ? this.xOf(this.was().usually) : null));
  /** What is in hand nine times in ten. */
  protected readonly sure = computed(() => {
    const { surely } = this.is();
    return surely > 0 ? this.xOf(surely) : null;
  });
  protected readonly ticks = computed(() => {
    const hours = this.hours();
    const each = hours <= 4 ? 1 : hours <= 8 ? 2 : 6;
    return Array.from({ length: Math.floor(hours / each) + 1 }, (_, i) => ({
      hour: i * each,
      x: this.xOf(i * each * HOUR),
      name: i === 0 || i * each === hours ? '' : `${String(i * each)} h`,
    }));
  });
}
