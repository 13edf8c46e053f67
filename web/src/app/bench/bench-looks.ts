import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { helpFor } from '../help/screen-help';
import { UnitsService } from '../data/units.service';
import { BenchCounting } from './bench-counting';
import { BenchView } from './bench-view';

/** What there is to look at beside the step: looks that are due, the supply, cautions, keys. */
@Component({
  selector: 'ys-bench-looks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (bench.correction(); as sentence) {
      <p class="look px-3.5 py-2.5 font-semibold" data-test="correction">{{ sentence }}</p>
    }
    @for (look of bench.looks(); track look.kind) {
      <div
        class="px-3.5 py-2.5"
        [class.look]="look.due"
        [class.card]="!look.due"
        [attr.data-look]="look.kind"
      >
        <p [class.font-bold]="look.due" [class.text-mute]="!look.due">{{ units.say(look.words) }}</p>
        @if (look.due && look.kind === 'tension') {
          <div class="flex gap-2 pt-2">
            <button type="button" class="plain min-h-18! grow" (click)="counting.tension(true)">
              It stays <span class="key">H</span>
            </button>
            <button type="button" class="plain min-h-18! grow" (click)="counting.tension(false)">
              It springs <span class="key">G</span>
            </button>
          </div>
        } @else if (look.due) {
          <button type="button" class="plain mt-2 min-h-18! w-full" (click)="act.emit(look.key)">
            {{ look.kind === 'slack' ? 'Read the slack metre' : 'Read the lay' }}
            <span class="key">{{ look.key }}</span>
          </button>
        }
      </div>
    }
    @for (words of bench.exceptions(); track $index) {
      <p class="look px-3.5 py-2 text-[14px] font-semibold">{{ units.say(words) }}</p>
    }
    @if (bench.winding()) {
      <div class="card px-3.5 py-2.5">
        <b>{{ bench.supply()?.productName ?? 'Line' }}</b>
        <span class="text-mute">
          @let water = bench.supply()?.water;
          from {{ bench.supply()?.own ? 'the customer' : (bench.mounted()?.code ?? 'its other spool')
          }}{{ water === 'soaking' || water === 'wet' ? ',' : '' }}
          @if (water === 'soaking') {
            <b class="text-ink">in the tub</b>
            <button type="button" class="plain my-1.5 min-h-18! w-full" (click)="act.emit('W')">
              Take it out of the tub <span class="key">W</span>
            </button>
          } @else if (water === 'wet') {
            <b class="text-ink">wet</b>
          }
        </span>
        <p class="pt-1">
          Stop when it sits <b>{{ units.small(bench.stopDepth() ?? 0) }}</b> below the lip. Trust the depth
          over the count.
        </p>
        <p class="pt-1 text-mute">{{ bench.words()?.todo }}</p>
        @for (words of bench.beside(); track words) {
          <p class="pt-1 font-semibold" data-test="beside">{{ words }}</p>
        }
        <div class="flex flex-wrap gap-2 pt-2">
          @if (bench.openFace()) {
            <button type="button" class="plain px-3!" (click)="act.emit('D')">
              Read a depth now <span class="key">D</span>
            </button>
          }
          @if (bench.mayRunOut()) {
            <button type="button" class="plain px-3!" (click)="act.emit('U')">
              The supply ran out <span class="key">U</span>
            </button>
          }
        </div>
      </div>
    } @else if (bench.words()?.look; as look) {
      <div class="card px-3.5 py-2.5">
        <b>Look at</b>
        <p class="text-mute">{{ look }}</p>
      </div>
    }
    @for (caution of bench.cautions(); track caution.id) {
      <div class="card border-l-4! border-l-ink! px-3.5 py-2.5">
        <b>{{ caution.title }}</b>
        <p class="text-mute">{{ caution.text }}</p>
      </div>
    }
    @if (helping()) {
      <div class="card px-3.5 py-2.5">
        <p data-test="screen-help">{{ says }}</p>
        <b class="block pt-2">Keys</b>
        <p class="text-mute">
          Space ten turns, or holds and starts a counter; + one turn, − one back, 5 fifty turns, C type the
          count, T twist, L lay, D depth, U the supply ran out, N leave a step out, X change of mind, Enter
          step done, Z step back, M sound, / tag field, W out of the tub, ? these keys.
        </p>
      </div>
    } @else {
      <button type="button" class="min-h-11 px-1 text-left text-[13px] text-mute" (click)="act.emit('?')">
        <span class="key">?</span> what this screen is for, and its keys
      </button>
    }
  `,
  host: { class: 'contents' },
})
export class BenchLooks {
  protected readonly bench = inject(BenchView);
  protected readonly counting = inject(BenchCounting);
  protected readonly units = inject(UnitsService);

  protected readonly says = helpFor('/bench/1');
  /** Whether the keys are shown. */
  readonly helping = input.required<boolean>();
  /** A key that was touched instead of pressed. */
  readonly act = output<string>();
}
