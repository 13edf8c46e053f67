import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Piece } from '@yard-spool/contract';
import { HouseService } from '../data/house.service';
import { UnitsService } from '../data/units.service';
import { LengthRule } from '../drawing/length-rule';
import { makerWords } from '../ui/maker-words';
import { learnedWords, percent } from '../ui/learned-words';
import { pieceStretches } from './piece-rule';
import { WaterMark } from './water-mark';

export type PieceAction = 'count' | 'weigh' | 'soak' | 'take-out' | 'change' | 'maker' | 'let-go';

/** What facts are called where one of them cannot be read. */
const FACT_NAMES: Readonly<Record<string, string>> = {
  lot: 'its lot',
  priceMinor: 'its price',
  tareG: 'the weight of the empty spool',
  flangeMm: 'its flange',
  coreMm: 'its core',
  wound: 'how it was wound',
  leaves: 'how it leaves',
  newOn: 'the day the line was new',
  maker: 'what its maker says',
};

/** One piece: what is left and free, what is known of it, and what can be done with it. */
@Component({
  selector: 'ys-piece-card',
  imports: [LengthRule, WaterMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './piece-card.html',
  host: { class: 'block' },
})
export class PieceCard {
  protected readonly units = inject(UnitsService);
  private readonly house = inject(HouseService);

  readonly piece = input.required<Piece>();
  /** Whether the rack is looked at as of a past day, when nothing can be done with it. */
  readonly past = input(false);
  readonly chosen = output<PieceAction>();

  protected readonly stretches = computed(() => pieceStretches(this.piece()));
  protected readonly left = computed(() => this.units.show(this.piece().lengthMm / 1000, 'line-length'));
  protected readonly free = computed(() => {
    const { lengthMm, promisedMm } = this.piece();
    return this.units.show(Math.max(0, lengthMm - promisedMm) / 1000, 'line-length');
  });
  protected readonly actions = computed((): { id: PieceAction; name: string }[] => [
    { id: 'count', name: 'Count' },
    { id: 'weigh', name: 'Weigh in' },
    ...(this.piece().soaking
      ? [{ id: 'take-out' as const, name: 'Take it out' }]
      : this.piece().product.material === 'nylon'
        ? [{ id: 'soak' as const, name: 'Soak' }]
        : []),
    { id: 'change', name: 'Move, rename' },
    { id: 'maker', name: 'On its box' },
    { id: 'let-go', name: 'Write off' },
  ]);

  constructor() {
    this.house.learnMore();
  }

  /** What closed fills have taught of its line. */
  protected readonly learned = computed(() => {
    const { code } = this.piece().product;
    const found = this.house.learning()?.lines.find(({ key }) => key === code);
    if (!found) return '';
    const { median, sd } = found.belief;
    return `Learned from ${learnedWords(found)}: it takes ${percent(median)} of its nominal size, give or take ${percent(median * sd)}.`;
  });
  protected readonly facts = computed(() => {
    const { lot, priceMinor, receivedMm, tareG, flangeMm, coreMm, wound, leaves, newOn } = this.piece();
    return [
      lot && `lot ${lot}`,
      priceMinor !== null &&
        `${this.house.money(priceMinor)} for ${this.units.length(receivedMm / 1000)}, ${this.perHundred(priceMinor / receivedMm)}`,
      tareG !== null && `empty spool ${this.units.show(tareG, 'mass').text}`,
      flangeMm !== null && `flange ${this.units.small(flangeMm)}`,
      coreMm !== null && `core ${this.units.small(coreMm)}`,
      wound !== 'unknown' && (wound === 'rolled' ? 'off the side' : 'wound off the end'),
      leaves !== 'unknown' && `leaves ${leaves} with the label up`,
      newOn !== null && `new about ${newOn.slice(0, 7)}`,
    ]
      .filter(Boolean)
      .join(' · ');
  });

  /** What stands in the books of this piece and cannot be read, and how it is mended. */
  protected readonly unread = computed(() => {
    const unread = this.piece().unread ?? [];
    if (unread.length === 0) return '';
    const names = unread.map((field) => FACT_NAMES[field] ?? field).join(', ');
    const places = unread.map((field) => (field === 'maker' ? '“On its box”' : '“Move, rename”'));
    return `Cannot be read: ${names}. Write it down again under ${[...new Set(places)].join(' and ')}.`;
  });
  /** What is printed on the line, and what its maker says of it. */
  protected readonly onBox = computed(() => {
    const words = makerWords(this.piece().product.maker).join(' · ');
    return words === '' ? '' : `On its box: ${words}`;
  });

  /** A price by the hundred metres, or yards. */
  private perHundred(minorPerMm: number): string {
    const [mm, unit] = this.units.system() === 'metric' ? [100_000, 'm'] : [91_440, 'yd'];
    return `${this.house.money(minorPerMm * mm)} per 100 ${unit}`;
  }
}
