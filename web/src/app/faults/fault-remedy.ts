import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { Piece } from '@yard-spool/contract';
import { toldWords, type FaultCause, type FaultRemedy } from '@yard-spool/core';
import { HouseService } from '../data/house.service';
import { UnitsService } from '../data/units.service';
import { useKeys } from '../keyboard/keyboard.service';

const BY = {
  bench: '',
  customer: 'For whoever fishes it.',
  service: 'Not our work: for a service bench or a rod maker, by the maker’s instructions.',
} as const;

/** What to do about it, worked out for this reel; what it takes; what can be said; what if it does not work. */
@Component({
  selector: 'ys-fault-remedy',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card grid gap-2.5 p-4" data-test="remedy">
      <h2>What to do</h2>
      @if (by(); as words) {
        <p class="look px-3 py-2 font-bold">{{ words }}</p>
      }
      <ol class="grid list-decimal gap-1 pl-5">
        @for (step of remedy().steps; track $index) {
          <li>{{ units.say(step) }}</li>
        }
      </ol>
      <p class="text-mute">{{ takes() }} {{ remedy().fails }}</p>
      @for (caution of cautions(); track caution.id) {
        <p class="look px-3 py-2 text-[14px]">
          <b>{{ caution.title }}.</b> {{ caution.text }}
        </p>
      }
      @if (leads(); as to) {
        <a class="plain" [routerLink]="to.path" [queryParams]="to.query"
          >{{ to.name }} <span class="key">B</span></a
        >
      }
      <div class="grid gap-2 border-t border-line pt-2.5">
        <p class="caption">To read to the customer</p>
        <p>“{{ told() }}”</p>
        <button type="button" class="plain" (click)="copy()">{{ copied() ? 'Copied' : 'Copy it' }}</button>
      </div>
    </section>
  `,
  host: { class: 'block' },
})
export class FaultRemedyCard {
  private readonly house = inject(HouseService);
  private readonly router = inject(Router);
  protected readonly units = inject(UnitsService);

  readonly cause = input.required<FaultCause>();
  readonly remedy = input.required<FaultRemedy>();
  /** The line on top, by its key. */
  readonly line = input('');
  readonly tag = input<string>('');
  /** What lies on the rack, where line goes on. */
  readonly pieces = input<readonly Piece[]>([]);

  protected readonly by = computed(() => BY[this.remedy().by]);
  protected readonly told = computed(() => toldWords(this.cause()));
  /** The piece of the same line that has enough left, the smallest first: it leaves the others whole. */
  private readonly piece = computed(() => {
    const { line } = this.remedy();
    if (line?.how !== 'on') return null;
    return (
      this.pieces()
        .filter(
          ({ product, writtenOff, broughtWith }) =>
            product.code === this.line() && !writtenOff && broughtWith === null,
        )
        .map((piece) => ({ piece, free: piece.lengthMm - piece.promisedMm }))
        .filter(({ free }) => free >= 1000 * line.metres)
        .sort((a, b) => a.free - b.free)[0]?.piece ?? null
    );
  });
  protected readonly takes = computed(() => {
    const { minutes, line } = this.remedy();
    if (minutes === 0) return '';
    const piece = this.piece();
    const price = piece?.priceMinor && line ? (1000 * line.metres * piece.priceMinor) / piece.receivedMm : 0;
    const from = line?.how === 'on' ? (piece ? ` from ${piece.code}` : ', of which no piece has enough') : '';
    return `About ${String(minutes)} minutes at the bench${from}${price > 0 ? `, line for ${this.house.money(price)}` : ''}.`;
  });
  protected readonly cautions = computed(() => this.house.cautionsAt(this.remedy().cautions));
  protected readonly leads = computed(() => {
    const { leads } = this.remedy();
    const tag = this.tag();
    if (leads === 'refill' && tag !== '')
      return { path: ['/bags/new'], query: { like: tag }, name: 'Book it in as before' };
    if (leads === 'counter' && tag !== '')
      return { path: ['/reels', tag, 'counter'], query: {}, name: 'Its counter’s table' };
    if (leads === 'lot')
      return { path: ['/reels/comebacks'], query: {}, name: 'What stands out among comebacks' };
    return null;
  });
  protected readonly copied = signal(false);

  constructor() {
    useKeys(
      {
        B: () => {
          const to = this.leads();
          if (to) void this.router.navigate(to.path, { queryParams: to.query });
        },
      },
      { B: 'Where the remedy leads' },
    );
  }

  protected copy(): void {
    void navigator.clipboard.writeText(this.told()).then(() => this.copied.set(true));
  }
}
