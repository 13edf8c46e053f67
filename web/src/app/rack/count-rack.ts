import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  linkedSignal,
  signal,
} from '@angular/core';
import { api, type Piece } from '@yard-spool/contract';
import { parseQuantity } from '@yard-spool/core';
import { catchError, concatMap, from, map, of, toArray } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { sentenceOf } from '../data/request-problem';
import { UnitsService } from '../data/units.service';
import { LineSwatch } from '../drawing/line-swatch';
import { pieceStyle } from '../drawing/piece-style';
import { LoadState } from '../ui/load-state';
import { withItsUnit } from '../ui/quantity-field';
import {
  byPlace,
  countRow,
  keepCounts,
  savedCounts,
  SAME_MM,
  type CountRow,
  type CountsTyped,
} from './rack-count';
import { RackTabs } from './rack-tabs';

const RANGE = { min: 0, max: 100_000 };

/** What could not be taken in, and why. */
interface Refused {
  readonly code: string;
  readonly sentence: string;
}

const differ = (pieces: number): string => `${String(pieces)} ${pieces === 1 ? 'differs' : 'differ'}`;

/** The whole rack counted down one list, place by place: what differs from the books is shown, and taken in all or in part. */
@Component({
  selector: 'ys-count-rack',
  imports: [LineSwatch, LoadState, RackTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './count-rack.html',
  host: { class: 'block min-h-0 grow' },
})
export class CountRack {
  private readonly api = inject(ApiService);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly units = inject(UnitsService);

  protected readonly pieces = load(() => this.api.call(api.listPieces));
  private readonly counts = signal<CountsTyped>(savedCounts());
  protected readonly groups = computed(() =>
    byPlace(this.pieces.value() ?? []).map(({ place, pieces }) => ({
      place,
      rows: pieces.map((piece) => countRow(piece, this.counts(), (text) => this.metresOf(text))),
    })),
  );
  private readonly rows = computed(() => this.groups().flatMap(({ rows }) => rows));
  protected readonly differing = computed(() =>
    this.rows().filter(
      ({ differsMm, moved }) => differsMm !== null && !moved && Math.abs(differsMm) >= SAME_MM,
    ),
  );
  /** Codes that are left out of what is taken in; none once the count is another. */
  private readonly leftOut = linkedSignal<CountsTyped, ReadonlySet<string>>({
    source: this.counts,
    computation: (_, before) => before?.value ?? new Set(),
  });
  protected readonly taken = computed(() =>
    this.differing().filter(({ piece }) => !this.leftOut().has(piece.code)),
  );
  protected readonly told = computed(() => {
    const counted = this.rows().filter(({ typed }) => typed.trim() !== '').length;
    const net = this.taken().reduce((sum, { differsMm }) => sum + (differsMm ?? 0), 0) / 1000;
    const all = `${String(counted)} of ${String(this.rows().length)} pieces counted`;
    if (this.differing().length === 0) return `${all}; what was counted is as the books.`;
    const more = `${this.units.length(Math.abs(net))} ${net < 0 ? 'less' : 'more'} in all`;
    return `${all}, ${differ(this.differing().length)} from the books: ${more}.`;
  });
  protected readonly scanned = signal('');
  protected readonly missing = signal('');
  protected readonly busy = signal(false);
  protected readonly refused = signal<readonly Refused[]>([]);
  protected readonly styleOf = pieceStyle;

  protected count({ code, lengthMm }: Piece, text: string): void {
    const others = Object.entries(this.counts()).filter(([other]) => other !== code);
    const now = Object.fromEntries(
      text.trim() === '' ? others : [...others, [code, { text, booksMm: lengthMm }]],
    );
    this.counts.set(now);
    keepCounts(now);
  }

  /** A bare number gets its unit, so that switching units later cannot change what was counted. */
  protected settle({ piece, typed }: CountRow): void {
    const withUnit = withItsUnit(typed, 'line-length', this.units.system());
    if (withUnit !== typed) this.count(piece, withUnit);
  }

  protected wrong({ typed, differsMm }: CountRow): string {
    return typed.trim() !== '' && differsMm === null
      ? this.units.like('Write a length, like 120 or 1,200 m.', 'Write a length, like 120 or 1,200 yd.')
      : '';
  }

  protected differs({ differsMm, moved }: CountRow): string {
    if (moved) return 'the books have changed since: count it again';
    if (differsMm === null) return '';
    if (Math.abs(differsMm) < SAME_MM) return 'as the books';
    return `${this.units.length(Math.abs(differsMm) / 1000)} ${differsMm < 0 ? 'less' : 'more'}`;
  }

  protected isTaken({ piece }: CountRow): boolean {
    return !this.leftOut().has(piece.code);
  }

  protected leave({ piece: { code } }: CountRow): void {
    this.leftOut.update((out) => {
      const next = new Set(out);
      if (!next.delete(code)) next.add(code);
      return next;
    });
  }

  /** To the field of the piece that was scanned or typed. */
  protected find(code: string): void {
    const wanted = code.trim().toUpperCase();
    const found = this.rows().find(({ piece }) => piece.code.toUpperCase() === wanted);
    this.missing.set(found || wanted === '' ? '' : `No piece of the shop’s own has the code ${wanted}.`);
    if (found) this.fieldOf(found.piece.code)?.focus();
  }

  /** Enter in a field goes down the list. */
  protected next(row: CountRow): void {
    const after = this.rows()[this.rows().indexOf(row) + 1];
    if (after) this.fieldOf(after.piece.code)?.focus();
  }

  private fieldOf(code: string): HTMLInputElement | null {
    const fields = [...this.host.querySelectorAll<HTMLInputElement>('[data-code]')];
    return fields.find((field) => field.dataset.code === code) ?? null;
  }

  /** Takes the counts in, one after another; what is refused stays as it was typed, and says why. */
  protected takeIn(): void {
    if (this.busy()) return;
    this.busy.set(true);
    from(this.taken())
      .pipe(
        concatMap(({ piece: { code, lengthMm }, differsMm }) =>
          this.api
            .call(api.countPiece, {
              params: { code },
              body: {
                lengthMm: lengthMm + (differsMm ?? 0),
                booksMm: lengthMm,
                why: 'the whole rack was counted',
              },
            })
            .pipe(
              map(() => ({ code, sentence: '' })),
              catchError((error: unknown) => of({ code, sentence: sentenceOf(error) })),
            ),
        ),
        toArray(),
      )
      .subscribe((answers) => {
        const done = new Set(answers.filter(({ sentence }) => sentence === '').map(({ code }) => code));
        const left = Object.fromEntries(Object.entries(this.counts()).filter(([code]) => !done.has(code)));
        this.counts.set(left);
        keepCounts(left);
        this.refused.set(answers.filter(({ sentence }) => sentence !== ''));
        this.busy.set(false);
        this.pieces.reload();
      });
  }

  protected startOver(): void {
    this.counts.set({});
    keepCounts({});
  }

  private metresOf(text: string): number | null {
    const read = text.trim() === '' ? null : parseQuantity(text, 'line-length', this.units.system(), RANGE);
    return read?.ok ? read.value.value : null;
  }
}
