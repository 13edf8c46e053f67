import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { startWith } from 'rxjs';
import type { Habits } from '@yard-spool/contract';
import { HOUSE_QUESTIONS, soakAdvice, soakUptake, type HouseRules } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { LineChart, type ChartLine, type ChartMark } from '../ui/line-chart';
import { SelectField } from '../ui/select-field';
import { text } from '../ui/text-control';

const HOURS = 30;
const STEPS = 60;
/** Diameters drawn at once; more cannot be told apart. */
const MOST_LINES = 5;
/** Where a shop has no nylon yet. */
const USUAL_DIAMETERS = [0.2, 0.3, 0.4];

/** Water taken up against time for the shop's nylons, with the range the figures leave for one of them. */
@Component({
  selector: 'ys-soak-chart',
  imports: [LineChart, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="card px-3.5 py-3">
      <div class="flex flex-wrap items-end justify-between gap-3">
        <b>Water a strand has taken up, % of what it can</b>
        <ys-select-field class="w-44" label="Range shown for" [control]="chosen" [options]="options()" />
      </div>
      <ys-line-chart
        class="h-64"
        [lines]="lines()"
        [marks]="marks()"
        [x]="{ title: 'hours in water', min: 0, max: 30, step: 5 }"
        [y]="{ title: '%', min: 0, max: 100, step: 20 }"
        [words]="words()"
      />
      <p class="pt-1" data-test="soak-words">{{ words() }}</p>
      <p class="text-[13px] text-mute">
        Diffusion into a cylinder; how fast water moves in nylon is known to a factor of three, hence the
        band. A wound pack is slower. Fluorocarbon and braid take up next to none.
      </p>
    </div>
  `,
})
export class SoakChart {
  private readonly units = inject(UnitsService);

  readonly nylons = input.required<Habits['nylons']>();
  readonly school = input.required<HouseRules['soak']>();

  protected readonly chosen = text();
  private readonly thickest = effect(() => {
    const one = String(this.one());
    if (this.chosen.value !== one) this.chosen.setValue(one, { emitEvent: false });
  });
  private readonly typed = toSignal(this.chosen.valueChanges.pipe(startWith('')), { initialValue: '' });

  private readonly diameters = computed(() => {
    const all = this.nylons().map(({ diameter }) => diameter);
    if (all.length === 0) return USUAL_DIAMETERS;
    // Spread over what the shop keeps, thinnest and thickest among them.
    const count = Math.min(MOST_LINES, all.length);
    const at = (i: number): number => Math.round((i * (all.length - 1)) / Math.max(1, count - 1));
    return [...new Set(Array.from({ length: count }, (_, i) => all[at(i)] ?? 0))];
  });
  private readonly one = computed(() => {
    const typed = Number(this.typed());
    const all = this.diameters();
    return all.includes(typed) ? typed : (all.at(-1) ?? 0.3);
  });
  protected readonly options = computed(() =>
    [...this.diameters()]
      .reverse()
      .map((diameter) => ({ value: String(diameter), name: this.units.diameter(diameter) })),
  );
  private readonly hours = computed(
    () => soakAdvice({ key: '', material: 'nylon', diameter: this.one() }, { soak: this.school() }).hours,
  );
  protected readonly lines = computed((): ChartLine[] => {
    const curve = (diameter: number, of: 'low' | 'share' | 'high') =>
      Array.from({ length: STEPS + 1 }, (_, i): [number, number] => {
        const hours = (HOURS * i) / STEPS;
        return [hours, 100 * (soakUptake(diameter, hours)?.[of] ?? 0)];
      });
    const one = this.one();
    const thin = { color: 'look-edge', width: 1 } as const;
    return [
      { name: '', points: curve(one, 'low'), ...thin },
      { name: '', points: curve(one, 'high'), band: true, ...thin },
      ...this.diameters().map((diameter) => ({
        name: this.units.diameter(diameter),
        points: curve(diameter, 'share'),
        color: diameter === one ? 'ink' : 'edge',
        width: diameter === one ? 2.5 : 1.5,
      })),
    ];
  });
  protected readonly marks = computed((): ChartMark[] =>
    HOUSE_QUESTIONS.soak.schools.flatMap(({ id }) => {
      const { hours } = soakAdvice({ key: '', material: 'nylon', diameter: 0.3 }, { soak: id });
      return hours > 0 ? [{ x: hours, name: `${String(hours)} h`, held: id === this.school() }] : [];
    }),
  );
  protected readonly words = computed(() => {
    const hours = this.hours();
    const diameter = this.units.diameter(this.one());
    if (hours === 0) return `Wound dry, ${diameter} takes its water up in the first hours of fishing.`;
    const uptake = soakUptake(this.one(), hours);
    const percent = (share: number | undefined): string => (100 * (share ?? 0)).toFixed(0);
    return `${diameter}: ${percent(uptake?.share)} % after ${String(hours)} h, likely ${percent(uptake?.low)} to ${percent(uptake?.high)} %.`;
  });
}
