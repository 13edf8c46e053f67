import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import {
  formatCount,
  compareBuilds,
  type Build,
  type BuildKind,
  type HouseRules,
  type Words,
} from '@yard-spool/core';
import type { Piece } from '@yard-spool/contract';
import { HouseService } from '../data/house.service';
import { UnitsService } from '../data/units.service';
import { useKeys } from '../keyboard/keyboard.service';
import type { DraftPlan } from './draft-plan';
import type { LayerSource } from './draft-sources';

const NAMES: Readonly<Record<BuildKind, string>> = {
  backing: 'Backing under main',
  'shorter-main': 'A shorter main',
  'main-only': 'Main only',
  tape: 'Tape under main',
  'main-first': 'Main first, then swapped',
};

/** The other ways to build one reel side by side, each with its cost, its turns and a reason; taken with one key. */
@Component({
  selector: 'ys-other-ways',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (build of builds(); track build.kind; let i = $index) {
      <div class="grid grid-cols-[1fr_auto] gap-x-3 border-b border-line px-3.5 py-2.5 last:border-0">
        <b>{{ names[build.kind] }}</b>
        <button
          type="button"
          class="plain row-span-2 min-h-10! self-start px-3!"
          [disabled]="blocked(build) !== ''"
          (click)="taken.emit(build)"
        >
          Take <span class="key">{{ i + 1 }}</span>
        </button>
        <span>
          {{ units.length(build.uses.main) }} main{{
            build.uses.backing > 0 ? ', ' + units.length(build.uses.backing) + ' backing' : ''
          }}
        </span>
        <span class="col-span-2 text-[13px] text-mute">
          {{ count(build.handleTurns) }} turns, {{ joins(build) }}{{ cost(build) }}.
          {{ units.say(build.reason) }}
        </span>
        @if (blocked(build); as sentence) {
          <span class="col-span-2 text-[13px] font-bold text-stop">{{ units.say(sentence) }}</span>
        }
      </div>
    } @empty {
      <p class="px-3.5 py-3 text-mute">
        Type how much main is wanted, and the other ways stand here side by side.
      </p>
    }
  `,
  host: { class: 'card block min-h-0 overflow-y-auto' },
})
export class OtherWays {
  protected readonly count = formatCount;
  protected readonly units = inject(UnitsService);
  private readonly house = inject(HouseService);

  readonly planned = input.required<DraftPlan>();
  /** Metres of main wanted. */
  readonly wanted = input.required<number | null>();
  readonly spareSpool = input(false);
  readonly rules = input.required<Pick<HouseRules, 'order'>>();
  readonly taken = output<Build>();

  protected readonly names = NAMES;
  protected readonly builds = computed((): readonly Build[] => {
    const { made, input: asked, sources, cuts } = this.planned();
    const wanted = this.wanted();
    if (!made || !asked || !sources.main || wanted === null) return [];
    const found = compareBuilds(
      made.spool,
      {
        main: stock(sources.main, cuts.main?.piece),
        ...(sources.backing ? { backing: stock(sources.backing, cuts.backing?.piece) } : {}),
        mainLength: wanted,
        gap: asked.request.gap ?? made.plan.gap.value,
        gear: asked.request.gear,
        spareSpool: this.spareSpool(),
      },
      this.rules(),
    );
    return found.ok ? found.value : [];
  });

  constructor() {
    useKeys((key) => this.keyFor(key));
  }

  protected blocked({ issues }: Build): Words {
    return issues.find(({ severity }) => severity === 'error')?.sentence ?? '';
  }

  protected joins({ joins }: Build): string {
    return joins === 0 ? 'no join' : `${String(joins)} join`;
  }

  protected cost({ cost, saves }: Build): string {
    if (cost.value <= 0) return '';
    const saving = saves > 0.005 ? `, saves ${this.house.money(100 * saves)}` : '';
    return `, line for ${this.house.money(100 * cost.value)}${saving}`;
  }

  /** A figure takes the way of that number. */
  private keyFor(key: string): (() => void) | undefined {
    const build = this.builds()[Number(key) - 1];
    return build && this.blocked(build) === '' ? () => this.taken.emit(build) : undefined;
  }
}

/** A layer's line as the core compares it; line without a price costs nothing, and line yet to come is not short. */
const stock = ({ line }: LayerSource, piece: Piece | null | undefined) => ({
  line,
  free: piece ? (piece.lengthMm - piece.promisedMm) / 1000 : Infinity,
  pricePerMetre: piece?.priceMinor ? piece.priceMinor / 100 / (piece.receivedMm / 1000) : 0,
});
