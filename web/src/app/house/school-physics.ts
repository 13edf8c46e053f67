import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Habits } from '@yard-spool/contract';
import type { HouseQuestion, HouseRules } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { GapChart } from './gap-chart';
import { SoakChart } from './soak-chart';
import { TwistColumns } from './twist-columns';

/** What physics adds to a disputed question, with the shop's own commonest reel, supply and lines where it matters. */
@Component({
  selector: 'ys-school-physics',
  imports: [GapChart, SoakChart, TwistColumns],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @switch (question()) {
      @case ('soak') {
        <ys-soak-chart [nylons]="habits()?.nylons ?? []" [school]="rules().soak" />
      }
      @case ('level') {
        <ys-gap-chart [level]="rules().level" />
      }
      @case ('supply') {
        <ys-twist-columns [habits]="habits()" [rules]="rules()" />
      }
      @case ('label') {
        <ys-twist-columns [habits]="habits()" [rules]="rules()" />
      }
      @case ('judgeTwistBy') {
        <ys-twist-columns [habits]="habits()" [rules]="rules()" />
      }
      @default {
        @if (words(); as said) {
          <div class="card px-3.5 py-3">
            <b>What physics adds</b>
            <p class="pt-1">{{ said }}</p>
          </div>
        }
      }
    }
  `,
  host: { class: 'block' },
})
export class SchoolPhysics {
  private readonly units = inject(UnitsService);

  readonly question = input.required<HouseQuestion>();
  readonly rules = input.required<HouseRules>();
  readonly habits = input.required<Habits | null>();

  protected readonly words = computed(() => {
    switch (this.question()) {
      case 'order':
        return this.swapWords();
      case 'tension':
        return 'A pack wound tighter holds more: packing and bulk of the line are learned from the depths you read, so plans follow the tension this shop winds with.';
      case 'drag':
        return 'Strength goes with the diameter squared at one quality: half the diameter bears a quarter. The weakest layer decides, since a long run comes down to it.';
      case 'arborGrip':
        return this.gripWords();
      default:
        return '';
    }
  });

  /** What tape and nylon under braid take of the room. */
  private gripWords(): string {
    const metres = (of: number) => this.units.length(of);
    const mm = (of: number) => this.units.diameter(of);
    return `A tight drag turns a coil that does not grip. Two wraps of tape add about ${mm(0.3)} to the arbor’s radius; ${metres(10)} of ${mm(0.25)} nylon take the room of ${metres(7)} of ${mm(0.3)}.`;
  }

  /** How many times more turns backing takes at the arbor than on top, on the shop's own reel. */
  private swapWords(): string {
    const reel = this.habits()?.reel;
    if (!reel) return '';
    const [join, full] = reel.diameters;
    const share = Math.sqrt(reel.arborMm ** 2 + full ** 2 - join ** 2);
    const factor = (full + share) / (join + reel.arborMm);
    return `Counted on top of the main of a ${reel.label}, arbor ${this.units.small(reel.arborMm)}, the same backing takes ${factor.toFixed(2)} times as many turns at the arbor: a count taken there must be turned into metres first.`;
  }
}
