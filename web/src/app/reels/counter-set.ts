import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import { counterMatch, metresPer, reelToTouch, setTable } from '@yard-spool/core';
import { dayText } from '../ui/day-text';
import { markText, movedText, readingText } from '../words/counter-words';
import { ApiService } from '../data/api.service';
import { loadFor } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { LoadState } from '../ui/load-state';

/** Shares of the match a set is compared at. */
const SHARES = [0.25, 0.5, 0.75, 1, 1.25, 1.5, 2];

/** Reels used as a set: each against the tape and against the others, which to touch, and one sheet for the boat. */
@Component({
  selector: 'ys-counter-set',
  imports: [LoadState, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './counter-set.html',
  host: { class: 'block p-4 px-5' },
})
export class CounterSet {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);

  /** From the address. */
  readonly customer = input.required<string>();

  protected readonly all = loadFor(this.customer, (id) =>
    this.api.call(api.listCustomerCounters, { params: { id } }),
  );
  private readonly left = signal<ReadonlySet<string>>(new Set());
  protected readonly reels = computed(() =>
    (this.all.value() ?? []).map((reel) => ({
      tag: reel.tag,
      label: reel.label,
      in: !this.left().has(reel.tag),
      day: dayText(reel.filledAt),
      state: `${readingText(reel.counter.reads, reel.counter.step)} at ${markText(reel.counter.match, reel.counter.unit)}${reel.counter.agrees ? '' : ', left so'}`,
    })),
  );
  protected readonly chosen = computed(() =>
    (this.all.value() ?? []).filter(({ tag }) => !this.left().has(tag)),
  );
  /** The reels as they are compared. */
  private readonly set = computed(() =>
    this.chosen().map(({ tag, counter }) => ({ name: tag, counter, unit: counter.unit })),
  );
  protected readonly unit = computed(() => this.chosen()[0]?.counter.unit ?? 'm');
  protected readonly rows = computed(() => {
    const [first] = this.chosen();
    if (!first) return [];
    const { match, unit } = first.counter;
    const per = metresPer(unit);
    return setTable(
      this.set(),
      SHARES.map((share) => share * match),
    ).map(({ length, readings, spread }) => ({
      length: String(Math.round((10 * length) / per) / 10),
      atMatch: Math.abs(length - match) < 0.01,
      readings: readings.map((reading) => reading.toFixed(0)),
      spread: `${(spread / per).toFixed(1)} ${unit}`,
    }));
  });
  /** The reel that lies farthest from the others, and what to do to it. */
  protected readonly touch = computed(() => {
    const matches = this.chosen().flatMap(({ tag, counter }) => {
      const { unit, step, match, perTurn, sd, spool } = counter;
      const belief = { perTurn, sd, from: 'reel' as const };
      const found = counterMatch({ face: { unit, step }, match, spool, belief, walks: [], moved: 0 });
      return found.ok ? [{ name: tag, match: found.value }] : [];
    });
    const one = reelToTouch(matches);
    const mark = this.chosen()[0];
    if (!one || !mark || this.widest() <= TOGETHER * mark.counter.match)
      return this.chosen().length > 1 ? 'They read alike: leave them as they are.' : '';
    if (one.move === null)
      return `${one.name} lies apart and cannot be matched on its main: go by its own column, or fill it with another main.`;
    return `Touch ${one.name}: ${one.move > 0 ? 'add' : 'take off'} ${movedText(one.move, this.units.system())}, then it reads with the others.`;
  });
  private readonly widest = computed(() => {
    const [first] = this.chosen();
    if (!first) return 0;
    return setTable(this.set(), [first.counter.match])[0]?.spread ?? 0;
  });

  protected turn(tag: string): void {
    this.left.update((left) => {
      const next = new Set(left);
      if (!next.delete(tag)) next.add(tag);
      return next;
    });
  }

  protected print(): void {
    window.print();
  }
}

/** Reels whose readings lie within this share of the match read alike: what one foot in a hundred is. */
const TOGETHER = 0.01;
