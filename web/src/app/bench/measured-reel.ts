import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { measuredRadius, meterStands } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { RunStore } from './run-store';

/** Half the width of the band that stands for how unsure the radius was before it was metered. */
const HALF = 120;

/** What a line meter beside the turn counter tells of the reel while it is wound: its radius, narrower with each stretch. */
@Component({
  selector: 'ys-measured-reel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (meter(); as beside) {
      <div class="pt-2 text-left" data-test="measured-reel">
        @if (measured(); as radius) {
          <p class="flex justify-between gap-3 text-[17px]">
            <span class="text-mute">Radius</span>
            <b data-test="measured-radius">{{ figure(radius.value) }} ± {{ sized(radius.sd) }}</b>
          </p>
          <svg class="my-1 w-full" viewBox="0 0 260 14" aria-hidden="true">
            <rect
              class="fill-groove"
              height="14"
              y="0"
              [attr.x]="130 - half"
              [attr.width]="2 * half"
              rx="2"
            />
            <rect
              class="fill-ink"
              height="14"
              y="0"
              rx="2"
              [attr.x]="130 - half * narrowed()"
              [attr.width]="2 * half * narrowed()"
            />
          </svg>
          <p class="text-[15px]">
            {{ beside.device.name }} measured {{ radius.stretches }}
            {{ radius.stretches === 1 ? 'stretch' : 'stretches' }}; without it ±
            {{ sized(radius.sdWithout) }}.
          </p>
          @if (radius.leftOut > 0) {
            <p class="look px-2 py-1 text-[15px]" data-test="slipped">
              {{ radius.leftOut }} left out: line slips in {{ beside.device.name }}, or runs beside it.
            </p>
          }
        }
        @if (beside.link !== 'up') {
          <p class="look px-2 py-1 text-[15px]" data-test="meter-lost">
            {{ beside.device.name }} {{ beside.link === 'silent' ? 'is silent' : 'does not answer' }}: turns
            are counted on, the reel is not measured.
          </p>
        } @else if (stands()) {
          <p class="look px-2 py-1 text-[15px]" data-test="meter-stands">
            {{ beside.device.name }} stands still: lay the line in it. Turns are counted on, the reel is not
            measured.
          </p>
        } @else if (!measured()) {
          <p class="text-[15px] text-mute">
            {{ beside.device.name }} measures the reel: the first figures come after some metres.
          </p>
        }
      </div>
    }
  `,
  host: { class: 'block' },
})
export class MeasuredReel {
  private readonly store = inject(RunStore);
  private readonly units = inject(UnitsService);
  protected readonly half = HALF;

  protected readonly meter = computed(() => this.store.counter()?.meter ?? null);
  protected readonly measured = computed(() => {
    const state = this.store.state();
    const layer = state?.current?.kind === 'wind' ? state.current.layer : undefined;
    if (!state || layer === undefined || !this.meter()) return null;
    const known = this.store.spool();
    const unmetered = this.store.unmetered();
    return known && unmetered && measuredRadius(known, unmetered, state, layer);
  });
  protected readonly stands = computed(() => {
    const state = this.store.state();
    return state !== null && meterStands(state);
  });
  /** What is left of how unsure the radius was, as a share. */
  protected readonly narrowed = computed(() => {
    const radius = this.measured();
    return radius && radius.sdWithout > 0 ? Math.min(1, radius.sd / radius.sdWithout) : 1;
  });

  /** One more than a depth is told with: what narrows would not show. */
  private readonly decimals = computed(() => (this.units.system() === 'metric' ? 2 : 4));

  protected figure(millimetres: number): string {
    return this.units.show(millimetres, 'small-length', this.decimals()).number;
  }

  protected sized(millimetres: number): string {
    return this.units.show(millimetres, 'small-length', this.decimals()).text;
  }
}
