import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { formatCount, SERVES, type LineStyle } from '@yard-spool/core';
import type { PlannedCut } from '@yard-spool/contract';
import { UnitsService } from '../data/units.service';
import { LineSwatch } from '../drawing/line-swatch';

/** One cut as a list shows it. */
export interface CutRow {
  readonly layer: string;
  /** The line's code, where the shop has one. */
  readonly code?: string;
  readonly line: string;
  readonly piece: string;
  readonly water: PlannedCut['water'];
  readonly lineStyle: LineStyle;
  readonly metres: number;
  readonly handleTurns: number;
  /** Metres free on the piece after this cut and its tail; null where the cut is promised already or has no piece. */
  readonly left: number | null;
  /** Why the rack proposes this piece. */
  readonly proposed?: string;
  /** Metres that may lack, by less than is known; without a piece, what the longest one lacks. */
  readonly short?: number;
  /** How often its piece has enough, 0 to 1. */
  readonly serves?: number;
  /** An opened piece that has enough less often, where a sealed one is proposed for that. */
  readonly tight?: { readonly code: string; readonly serves: number } | null;
  /** Whether its line has yet to come. */
  readonly comes?: boolean;
  /** How many more cuts like this the piece still gives. */
  readonly more?: number;
}

/** What is said of the second piece of a layer that is joined from two. */
export const JOINED_ON = 'joined on where the first ends';

/** More reels than this a piece is simply enough for. */
const WORTH_SAYING = 30;

/** What will be cut from which piece, with what stays on it. */
@Component({
  selector: 'ys-cut-list',
  imports: [LineSwatch],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (cut of cuts(); track cut.layer + cut.piece) {
      <div class="grid grid-cols-[14px_1fr_auto] gap-3 border-b border-line px-3.5 py-3 last:border-0">
        <ys-line-swatch [lineStyle]="cut.lineStyle" />
        <div class="min-w-0">
          <b class="block truncate" [title]="cut.line">{{ cut.line }}</b>
          <span class="text-mute"
            >{{ cut.piece }}{{ cut.water === 'dry' ? '' : ' (' + cut.water + ')' }},
            {{ count(cut.handleTurns) }} handle turns</span
          >
          @if (cut.proposed) {
            <span class="block text-mute">{{ cut.proposed }}</span>
          }
          @if (cut.comes) {
            <b class="block">{{ shortWords(cut) }}</b>
          } @else if (cut.left !== null) {
            @if (cut.left >= 0) {
              <span class="block text-mute">{{ leftWords(cut.left, cut.more ?? 0) }}</span>
              @if ((cut.short ?? 0) >= 0.5) {
                <b class="block">
                  Perhaps {{ units.length(cut.short ?? 0) }} short, less than is known: it is used up.
                </b>
              }
              @if (riskWords(cut); as risk) {
                <b class="block" data-test="runs-out">{{ risk }}</b>
              }
              @if (cut.tight; as tight) {
                <span class="block text-mute"
                  >{{ tight.code }} is opened, but {{ runsOut(tight.serves) }}</span
                >
              }
            } @else {
              <b class="block text-stop">{{ units.length(-cut.left) }} short</b>
            }
          }
        </div>
        @let shown = units.show(cut.metres, 'line-length');
        <div class="figure text-[40px] leading-none">
          {{ shown.number }}<small class="text-[20px]"> {{ shown.unit }}</small>
        </div>
      </div>
    }
  `,
  host: { class: 'card block' },
})
export class CutList {
  protected readonly count = formatCount;
  protected readonly units = inject(UnitsService);
  readonly cuts = input.required<readonly CutRow[]>();

  /** What stays free on a piece, and how many more reels like this it still does. */
  protected leftWords(left: number, more: number): string {
    if (left < 0.5) return 'uses all of it';
    const words = `${this.units.length(left)} free afterwards`;
    // Of a full bulk spool nobody asks.
    if (more === 0 || more > WORTH_SAYING) return words;
    return `${words}, enough for ${String(more)} more like it`;
  }

  /** What part of the time the piece does not do; empty where it does in nine of ten. */
  protected riskWords({ serves = 1 }: CutRow): string {
    return serves >= SERVES ? '' : `It ${this.runsOut(serves)}.`;
  }

  protected runsOut(serves: number): string {
    const often = Math.round(10 * (1 - serves));
    return often >= 10 ? 'runs out nearly always' : `runs out in ${String(often)} of 10`;
  }

  protected shortWords({ short = 0, metres }: CutRow): string {
    return short >= metres - 0.5
      ? 'Yet to come: none of it is on the rack.'
      : `Yet to come: the longest piece is ${this.units.length(short)} short.`;
  }
}
