import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Reel } from '@yard-spool/contract';
import { inferSpool, priorsFor } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';

const many = (count: number, one: string, more: string): string =>
  `${String(count)} ${count === 1 ? one : more}`;

/** What is known of a spool by now, and how sure: from its prints, what was measured, and every fill since. */
@Component({
  selector: 'ys-known-spool',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (known(); as spool) {
      <section class="card px-3.5 py-3" data-test="known-spool">
        <h2 class="text-[15px]">What is known of this spool</h2>
        <dl class="grid grid-cols-[1fr_auto] gap-x-3 gap-y-0.5 pt-1.5">
          @for (row of spool.rows; track row.name) {
            <dt class="text-mute">{{ row.name }}</dt>
            <dd class="font-bold">{{ row.text }}</dd>
          }
        </dl>
        <p class="pt-1.5 text-[13px] text-mute">{{ spool.from }}</p>
      </section>
    }
  `,
  host: { class: 'block' },
})
export class KnownSpool {
  private readonly units = inject(UnitsService);

  readonly type = input.required<Reel['type']>();
  readonly observations = input.required<Reel['spools'][number]['observations']>();
  readonly gear = input<Reel['gear']>(null);
  /** Fills of it so far. */
  readonly fills = input.required<number>();

  private gearRow() {
    const gear = this.gear();
    if (!gear) return [];
    return [{ name: gear.found ? 'Gear, as a fill showed' : 'Gear', text: `${gear.ratio.toFixed(1)}:1` }];
  }

  protected readonly known = computed(() => {
    const inferred = inferSpool(this.observations(), priorsFor(this.type()));
    if (!inferred.ok) return null;
    const { spool, deviation } = inferred.value;
    const sized = (value: number, sd: number): string => this.units.spread(value, sd);
    const depths = this.observations().filter(({ kind }) => kind === 'depth').length;
    const packs = this.observations().filter(({ kind }) => kind === 'stretch').length;
    const parts = [
      many(this.observations().length - depths - packs, 'print or measure', 'prints and measures'),
      many(depths, 'depth read', 'depths read'),
      ...(packs > 0 ? [many(packs, 'length against turns', 'lengths against turns')] : []),
    ];
    return {
      rows: [
        { name: 'Lip diameter', text: sized(2 * spool.lipRadius, 2 * deviation.lipRadius) },
        { name: 'Arbor diameter', text: sized(2 * spool.arborRadius, 2 * deviation.arborRadius) },
        { name: 'Width', text: sized(spool.width, deviation.width) },
        {
          name: 'Line fills of the room',
          text: `${(100 * spool.packing).toFixed(0)} ± ${(100 * deviation.packing).toFixed(0)} %`,
        },
        ...this.gearRow(),
      ],
      from: `From ${parts.join(', ')}; filled here ${this.fills() === 1 ? 'once' : `${String(this.fills())} times`}.`,
    };
  });
}
