import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { explainLayer, knownFrom, makeItSurer, type Reckoning, type Surer } from '@yard-spool/core';
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
    @if (others().length) {
      <dl class="card px-3.5 py-3 text-[14px]">
        @for (one of others(); track one.what) {
          <dt class="pt-1.5 text-[13px] text-mute">{{ one.what }}</dt>
          <dd>{{ one.sum }}</dd>
        }
      </dl>
    }
    <p class="text-[13px] text-mute">
      The spool is worked out from all that is known of it at once. The prints of one spool are believed to 6
      % together and to 3 % each, a lip to 0.3 mm.
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
              name: `The ${request.role.replace('-', ' ')}, calculated in m and mm`,
              steps: explainLayer(made.plan, made.spool, id, asked.request.gear),
            },
          ]
        : [],
    );
  });

  /** How the figures beside the layers come about. */
  protected readonly others = computed((): Reckoning[] => {
    const { made, input } = this.planned();
    if (!made || !input) return [];
    const { plan, spool } = made;
    const solved = plan.layers.find(({ id }) => id === plan.solvedFor)?.length;
    const range = solved
      ? {
          what: 'Likely range: eight of ten such reels lie inside',
          sum: `${this.units.lengths(solved)}; never below zero`,
        }
      : {
          what: 'Likely range of the gap',
          sum: this.units.levels(plan.gap),
        };
    const wet = plan.wetGap && {
      what: 'Gap once wet',
      sum: `nylon swells 1 to 3 % in diameter when it is soaked, which leaves ${this.units.levels(plan.wetGap)}`,
    };
    const around = 2 * Math.PI * (spool.spool.lipRadius - plan.gap.value);
    return [
      { what: 'How the spool is known', sum: this.units.say(knownFrom(input.observations)) },
      range,
      ...(wet ? [wet] : []),
      {
        what: 'Twist',
        sum: `each coil is one turn: 1000 ÷ (π × diameter) in a metre, the supply’s less the rotor’s; ${(1000 / around).toFixed(1)} at the full spool`,
      },
    ];
  });

  protected gain({ layer, from, to }: Surer): string {
    const show = (sd: number): string => (layer === null ? this.units.small(sd) : this.units.length(sd));
    return `±${show(from)} becomes ±${show(to)}${layer === 'main' ? ' of main' : ''}`;
  }
}
