import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, type Recipe, type ReelKind } from '@yard-spool/contract';
import { formatCount, makePlan } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { loadFor } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { SmallSection } from '../drawing/small-section';
import { useKeys } from '../keyboard/keyboard.service';
import { LoadState } from '../ui/load-state';
import { dayText } from '../ui/day-text';

/** What has been wound on a kind of reel, as recipes: taken up again from here in one key. */
@Component({
  selector: 'ys-kind-recipes',
  imports: [LoadState, RouterLink, SmallSection],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card grid gap-2 px-4 py-3" data-test="recipes">
      <h2>What has been wound on it</h2>
      @if (holds(); as words) {
        <p class="text-mute">{{ words }}</p>
      }
      <ys-load-state what="the recipes" [of]="recipes.now()" (again)="recipes.reload()" />
      @for (recipe of recipes.value() ?? []; track $index) {
        <div class="grid grid-cols-[64px_minmax(0,1fr)] gap-3 border-t border-line pt-2" data-test="recipe">
          <ys-small-section [drawing]="recipe.drawing" />
          <div class="min-w-0">
            <p class="font-bold">
              {{ amount(recipe.mainMm) }} {{ recipe.main }}, {{ turns(recipe.mainTurns) }}
            </p>
            @if (recipe.backing && recipe.backingMm) {
              <p>
                over {{ amount(recipe.backingMm) }} {{ recipe.backing }},
                {{ turns(recipe.backingTurns ?? 0) }}
              </p>
            }
            <p class="text-[13px] text-mute">
              {{ recipe.times === 1 ? 'once' : recipe.times + ' times' }}, last {{ day(recipe.lastAt) }} on
              <a class="underline" [routerLink]="['/reels', recipe.tag]">{{ recipe.tag }}</a>{{ gap(recipe) }}
            </p>
          </div>
          <a
            class="col-span-2"
            [class]="$first ? 'go' : 'plain'"
            routerLink="/bags/new"
            [queryParams]="{ like: recipe.tag }"
            >As before
            @if ($first) {
              <span class="key">B</span>
            }
          </a>
        </div>
      } @empty {
        @if (recipes.value()) {
          <p class="text-mute">Nothing yet. The first fill of this kind writes it down.</p>
        }
      }
    </section>
  `,
  host: { class: 'block' },
})
export class KindRecipes {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly units = inject(UnitsService);

  readonly kind = input.required<ReelKind>();

  protected readonly recipes = loadFor(
    computed(() => this.kind().id),
    (id) => this.api.call(api.listRecipes, { params: { id } }),
    // One kind's recipes never stand under another's name: B would book that one in.
    'nothing',
  );
  protected readonly day = dayText;

  /** What it is believed to hold of a middling nylon, by all that is known of it. */
  protected readonly holds = computed(() => {
    const { observations, learned, gear } = this.kind();
    const line = { key: 'held', material: 'nylon', diameter: HELD } as const;
    const layers = [{ kind: 'line', id: 'main', role: 'main', line, length: 'fits' }] as const;
    const made = makePlan({
      observations: [...observations, ...learned],
      request: { layers, gap: GAP, gear },
    });
    const length = made.ok ? made.value.plan.layers[0]?.length : undefined;
    if (!length) return '';
    const { value, low, high } = length;
    return `Believed to hold ${this.units.length(value)} of ${this.units.diameter(HELD)} nylon, likely ${this.units.length(low)} to ${this.units.length(high)}, to ${this.units.small(GAP)} below the lip.`;
  });

  constructor() {
    useKeys(
      {
        B: () => {
          const [first] = this.recipes.value() ?? [];
          if (first) void this.router.navigate(['/bags/new'], { queryParams: { like: first.tag } });
        },
      },
      { B: 'Book one in as the first of these' },
    );
  }

  protected amount([middle, least, most]: readonly [number, number, number]): string {
    const said = this.units.length(middle / 1000);
    return most - least < 1000
      ? said
      : `${said} (${this.units.length(least / 1000)}–${this.units.length(most / 1000)})`;
  }

  protected turns(count: number): string {
    return `${formatCount(count)} turns`;
  }

  protected gap({ gap }: Recipe): string {
    if (!gap) return '';
    const [middle, least, most] = gap;
    const range = most - least < 0.05 ? '' : ` (${this.units.small(least)}–${this.units.small(most)})`;
    return `; gap got ${this.units.small(middle)}${range}`;
  }
}

/** The diameter capacities are told for, mm. */
const HELD = 0.3;
/** The gap they are told to, mm. Common practice, no source. */
const GAP = 1.5;
