import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { explainLayer, makeItSurer, type Surer } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import type { DraftPlan } from './draft-plan';

const LOOKS: Readonly<Record<Surer['look'], string>> = {
  lip: 'Measure across the lip',
  width: 'Measure the width inside',
  arbor: 'Measure the bare arbor',
  retrieve: 'Wind one turn of the full spool and measure it',
  rating: 'Type the rating',
  depth: 'Read one depth at the join',
};

/** Why the plan says what it says, and what would make it surer. */
@Component({
  selector: 'ys-plan-why',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (surer().length) {
      <div class="card px-3.5 py-3">
        <b>What would make it surer</b>
        <ul>
          @for (one of surer(); track one.look) {
            <li class="pt-1.5">
              {{ looks[one.look] }}:
              <span class="whitespace-nowrap">{{ gain(one) }}</span>
            </li>
          }
        </ul>
      </div>
    }
    @for (layer of layers(); track layer.id) {
      <div class="card px-3.5 py-3 text-[14px]">
        <b>{{ layer.name }}</b>
        <dl>
          @for (step of layer.steps; track step.what) {
            <dt class="pt-1.5 text-[13px] text-mute">{{ step.what }}</dt>
            <dd>{{ step.sum }}</dd>
          }
        </dl>
      </div>
    }
    <p class="text-[13px] text-mute">
      The spool is worked out from all that is known of it at once; a print is believed to 4 %, a lip to 0.3
      mm.
    </p>
  `,
  host: { class: 'grid gap-3' },
})
export class PlanWhy {
  private readonly units = inject(UnitsService);
  readonly planned = input.required<DraftPlan>();

  protected readonly looks = LOOKS;
  protected readonly surer = computed(() => {
    const asked = this.planned().input;
    return asked ? makeItSurer(asked).slice(0, 4) : [];
  });
  protected readonly layers = computed(() => {
    const { made, input: asked } = this.planned();
    if (!made || !asked) return [];
    return made.plan.layers.flatMap(({ id, request }) =>
      request.kind === 'line'
        ? [
            {
              id,
              name: `The ${request.role.replace('-', ' ')}, reckoned in m and mm`,
              steps: explainLayer(made.plan, made.spool, id, asked.request.gear),
            },
          ]
        : [],
    );
  });

  protected gain({ layer, from, to }: Surer): string {
    const show = (sd: number): string => (layer === null ? this.units.small(sd) : this.units.length(sd));
    return `±${show(from)} becomes ±${show(to)}${layer === 'main' ? ' of main' : ''}`;
  }
}
