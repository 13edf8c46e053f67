import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { countQuestion, gearAt, type CountAnswer } from '@yard-spool/core';
import { interval, map, startWith } from 'rxjs';
import { useKeys } from '../keyboard/keyboard.service';
import { UnitsService } from '../data/units.service';
import { RunStore } from './run-store';

/** What the bench's counter has to be asked about: away, silent, taken, held, or what it counted in doubt. */
@Component({
  selector: 'ys-counter-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (question(); as asked) {
      <div class="look px-3.5 py-2.5" role="alert" data-test="odd-count">
        <b class="text-[17px]">{{ units.say(asked.sentence) }}</b>
        <div class="grid gap-2 pt-2">
          @for (answer of asked.answers; track $index; let i = $index) {
            <button type="button" class="plain min-h-18! justify-between text-left" (click)="take(answer)">
              {{ units.say(answer.words) }} <span class="key shrink-0">Alt&nbsp;{{ i + 1 }}</span>
            </button>
          }
        </div>
        <p class="pt-1.5 text-[15px]">None of these? Take one, then type what is on the layer: C.</p>
      </div>
    } @else if (lost(); as sentence) {
      <p class="look px-3.5 py-2.5 font-bold" data-test="counter-lost">
        {{ sentence }} Wind on: what it counts is credited once it is heard again. Or count by hand, and it is
        held against that then.
      </p>
    } @else if (store.counter(); as counter) {
      @if (counter.flooding) {
        <p class="look px-3.5 py-2.5 font-bold" role="status" data-test="counter-floods">
          {{ counter.device.name }} sends more lines than are read. Its count stands; look at how it is set
          up, and at its cable.
        </p>
      }
      @if (counter.link === 'taken') {
        <div class="look flex flex-wrap items-center justify-between gap-3 px-3.5 py-2.5" data-test="taken">
          <p>{{ counter.device.name }} counts another reel that stands at this bench.</p>
          <button type="button" class="plain" (click)="store.takeHere()">Count this one with it</button>
        </div>
      } @else if (store.shown()?.held) {
        <div class="look px-3.5 py-2.5" role="status" data-test="held">
          <b>The count is held</b>
          @if (counter.unclaimed !== 0) {
            <p>
              {{ counter.device.name }} went on by
              {{ (counter.unclaimed / counter.device.per).toFixed(0) }} meanwhile.
            </p>
            <div class="flex gap-2 pt-2">
              <button type="button" class="plain min-h-18! grow" (click)="claim(true)">Count them</button>
              <button type="button" class="plain min-h-18! grow" (click)="claim(false)">
                Leave them out
              </button>
            </div>
          }
        </div>
      }
    }
  `,
  host: { class: 'block empty:hidden' },
})
export class CounterPanel {
  protected readonly store = inject(RunStore);
  protected readonly units = inject(UnitsService);
  private readonly now = toSignal(
    interval(1000).pipe(
      startWith(0),
      map(() => Date.now()),
    ),
    { initialValue: Date.now() },
  );

  constructor() {
    useKeys((key) => {
      const answer = this.question()?.answers[Number(/^Alt ([1-9])$/.exec(key)?.[1] ?? 0) - 1];
      return answer ? () => this.take(answer) : undefined;
    });
  }

  /** Why the counter cannot be heard; empty where it can, or counts another reel. */
  protected readonly lost = computed(() => {
    const device = this.store.device();
    if (!device || !this.store.counterLost()) return '';
    if (!this.store.linked()) return `The server is away, and ${device.name} with it.`;
    const frame = this.store.counter();
    if (frame?.link !== 'silent' || frame.heardAt === null) return `${device.name} does not answer.`;
    const silent = Math.max(0, Math.round((this.now() - Date.parse(frame.heardAt)) / 1000));
    return `${device.name} has been silent for ${String(silent)} s.`;
  });

  /** What its count may mean, the likeliest first. */
  protected readonly question = computed(() => {
    const frame = this.store.counter();
    const facts = this.store.facts();
    const state = this.store.state();
    if (!frame?.odd || frame.count === null || !facts || !state || !this.store.counterHeard()) return null;
    const { count, odd } = frame;
    const gear = (layer: string): number => gearAt(facts.request, state.supplies, layer);
    return countQuestion(state, { ...frame, count, odd, gear });
  });

  protected take({ happenings }: CountAnswer): void {
    void this.store.answer(happenings);
  }

  /** Credits what a counter went on by while the count was held, or leaves it out, and goes on. */
  protected claim(count: boolean): void {
    const frame = this.store.counter();
    if (frame?.count == null) return;
    const at = { device: frame.device.name, count: frame.count };
    const deviceTold = count ? Promise.resolve() : this.store.happen({ kind: 'device-at', payload: at });
    void deviceTold.then(() => this.store.happen({ kind: 'held', payload: { on: false } }));
  }
}
