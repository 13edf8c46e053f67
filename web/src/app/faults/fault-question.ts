import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { allowedIn, CANNOT_TELL, DEPTH_RANGE, levelAnswer, lookOf, type LookKey } from '@yard-spool/core';
import { HouseService } from '../data/house.service';
import { useKeys } from '../keyboard/keyboard.service';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';

/** An answer to a look, with the depth that was measured where it was. */
export interface FaultAnswer {
  readonly look: LookKey;
  readonly answer: string;
  readonly gapRead: number | null;
}

const DEPTH = allowedIn(DEPTH_RANGE);

/** One look: what to ask or to do, how long it takes, and its answers; “cannot tell” is always one. */
@Component({
  selector: 'ys-fault-question',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card grid gap-3 p-4" aria-live="polite" data-test="question">
      <p class="flex flex-wrap gap-x-3 text-[13px] text-mute">
        <span>{{ minutes() }}</span>
        @if (of().tool; as tool) {
          <span>With a {{ tool }}</span>
        }
      </p>
      <h2 class="text-[20px]" tabindex="-1" data-asks>{{ of().ask }}</h2>
      @if (of().how; as how) {
        <p>{{ how }}</p>
      }
      @for (caution of cautions(); track caution.id) {
        <p class="look px-3 py-2">
          <b>{{ caution.title }}.</b> {{ caution.text }}
        </p>
      }
      @if (measures()) {
        <div class="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-2">
          <ys-quantity-field
            label="Depth below the lip"
            dimension="small-length"
            [control]="depth"
            [allowed]="allowed"
          />
          <button type="button" class="go" [disabled]="read() === null" (click)="measured()">
            That deep
          </button>
        </div>
      }
      <div class="grid gap-2">
        @for (answer of answers(); track answer.key; let i = $index) {
          <button
            type="button"
            class="plain min-h-13! justify-between! text-left text-[17px]"
            (click)="given.emit({ look: look(), answer: answer.key, gapRead: null })"
          >
            {{ answer.name }} <span class="key">{{ i + 1 }}</span>
          </button>
        }
        <button
          type="button"
          class="plain min-h-11! justify-between! text-left text-mute"
          (click)="given.emit({ look: look(), answer: cannotTell, gapRead: null })"
        >
          Cannot tell <span class="key">{{ answers().length + 1 }}</span>
        </button>
      </div>
    </section>
  `,
  host: { class: 'block' },
})
export class FaultQuestion {
  private readonly house = inject(HouseService);
  private readonly quantity = quantityReader();

  readonly look = input.required<LookKey>();
  /** Gap it was to end at, mm; null where nobody knows it: then no depth is typed. */
  readonly wanted = input<number | null>(null);
  readonly given = output<FaultAnswer>();

  protected readonly cannotTell = CANNOT_TELL;
  protected readonly allowed = DEPTH;
  protected readonly depth = new FormControl('', { nonNullable: true });
  private readonly typed = toSignal(this.depth.valueChanges);
  protected readonly of = computed(() => lookOf(this.look()));
  protected readonly measures = computed(() => this.look() === 'gap' && this.wanted() !== null);
  protected readonly read = computed(() => {
    this.typed();
    return this.quantity(this.depth, 'small-length', DEPTH);
  });
  protected readonly answers = computed(() =>
    Object.entries(this.of().answers).map(([key, { name }]) => ({ key, name: capital(name) })),
  );
  protected readonly minutes = computed(() => {
    const { minutes } = this.of();
    return minutes < 1
      ? 'Half a minute'
      : minutes < 2
        ? 'A minute or two'
        : `About ${String(minutes)} minutes`;
  });
  protected readonly cautions = computed(() => {
    const at = this.of().caution;
    return at ? this.house.cautionsAt([at]) : [];
  });

  constructor() {
    useKeys((name) => {
      const at = /^[1-9]$/.test(name) ? Number(name) - 1 : -1;
      const answer = at === this.answers().length ? CANNOT_TELL : this.answers()[at]?.key;
      return answer === undefined
        ? undefined
        : () => this.given.emit({ look: this.look(), answer, gapRead: null });
    });
    effect(() => {
      this.look();
      this.depth.reset();
    });
  }

  protected measured(): void {
    const wanted = this.wanted();
    const gapRead = this.read();
    if (wanted === null || gapRead === null) return;
    this.given.emit({ look: this.look(), answer: levelAnswer(gapRead, wanted), gapRead });
  }
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
