import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { formatCount, type WindingNow } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { BenchView } from './bench-view';
import { MeasuredReel } from './measured-reel';
import { RunProgress } from './run-progress';

/** The layer being wound: the one big number, how likely it is, and what is on so far. */
@Component({
  selector: 'ys-winding-count',
  imports: [MeasuredReel, RunProgress],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="text-center">
      <div
        class="figure text-[min(200px,26vw)] leading-[0.85] lg:max-xl:text-[120px]"
        [attr.data-test]="bench.over() > 0 ? 'turns-over' : 'turns-to-go'"
        [class.text-stop]="now().turnsToGo === 0"
      >
        {{ bench.over() > 0 ? bench.over() : now().turnsToGo }}
      </div>
      <div class="pt-4 text-[20px] font-bold" data-test="to-go-words">
        {{ bench.counted() }}
        {{ bench.over() === 0 ? 'left' : bench.tooMany() ? 'to take off' : 'over the plan' }}
      </div>
      <div class="pt-1 text-[17px] text-mute">
        @if (bench.over() > 0) {
          {{
            bench.tooMany()
              ? 'wound past the plan; take them off, or finish here'
              : 'likely up to ' +
                count(now().planned.handleTurns.high) +
                ' turns; read the depth before more goes on'
          }}
        } @else if (now().likely.high > now().likely.low) {
          likely {{ now().likely.low }} to {{ now().likely.high }}; start checking at turn
          {{ count(now().planned.handleTurns.low) }}
        } @else if (now().turnsToGo === 0) {
          stop here
        } @else {
          stop at {{ count(now().planned.handleTurns.value) }}
        }
      </div>
      <ys-run-progress
        class="mx-auto max-w-72 pt-4"
        [turns]="now().turns"
        [total]="now().planned.handleTurns.value"
        [from]="now().planned.handleTurns.low"
        [to]="now().planned.handleTurns.high"
      />
      <dl class="mx-auto grid max-w-72 grid-cols-[1fr_auto] gap-x-3 pt-2 text-left text-[17px]">
        <dt class="text-mute">On so far</dt>
        <dd class="font-bold" data-test="length-so-far">{{ units.length(now().lengthSoFar) }}</dd>
        <dt class="text-mute">Turns so far</dt>
        <dd class="font-bold" data-test="turns-so-far">{{ count(now().turns) }}</dd>
        <dt class="text-mute">Line per turn</dt>
        <dd class="font-bold">{{ units.show(now().perTurn, 'line-length', 2).text }}</dd>
      </dl>
      <ys-measured-reel class="mx-auto max-w-72" />
      @if (!bench.counterUp()) {
        <div class="mx-auto flex max-w-72 gap-2 pt-2">
          <button type="button" class="plain min-h-18! grow px-2!" (click)="act.emit('−')">
            One back <span class="key">−</span>
          </button>
          <button type="button" class="plain min-h-18! grow px-2!" (click)="act.emit('+')">
            One turn <span class="key">+</span>
          </button>
          <button type="button" class="plain min-h-18! grow px-2!" (click)="act.emit('5')">
            Fifty <span class="key">5</span>
          </button>
        </div>
      }
      <p class="mx-auto max-w-72 pt-2 text-left text-[13px] text-mute" data-test="rests-on">
        {{ bench.restsOn() }}
      </p>
    </div>
  `,
  host: { class: 'block' },
})
export class WindingCount {
  protected readonly count = formatCount;
  protected readonly bench = inject(BenchView);
  protected readonly units = inject(UnitsService);

  readonly now = input.required<WindingNow>();
  /** A key that was touched instead of pressed. */
  readonly act = output<string>();
}
