import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { counted, gearAt } from '@yard-spool/core';
import { RunStore } from './run-store';

/** What the bench's counter has to be asked about: away, taken, held, begun again, or jumped. */
@Component({
  selector: 'ys-counter-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.counter(); as counter) {
      @if (counter.link === 'away') {
        <p class="look px-3.5 py-2.5 font-bold">
          {{ counter.device.name }} does not answer. Wind on: what it counts is credited once it is back. Or
          count by hand, and it asks then.
        </p>
      } @else if (counter.link === 'taken') {
        <div class="look flex flex-wrap items-center justify-between gap-3 px-3.5 py-2.5" data-test="taken">
          <p>{{ counter.device.name }} counts another reel that stands at this bench.</p>
          <button type="button" class="plain" (click)="store.takeHere()">Count this one with it</button>
        </div>
      } @else if (odd(); as asked) {
        <div class="look px-3.5 py-2.5" role="alert" data-test="odd-count">
          <b class="text-[17px]">{{ asked.sentence }}</b>
          <div class="grid gap-2 pt-2">
            @for (answer of asked.answers; track answer.words) {
              <button type="button" class="plain min-h-18! text-left" (click)="take(answer.units)">
                {{ answer.words }}
              </button>
            }
          </div>
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

  /** What an odd count may mean, the likeliest first. */
  protected readonly odd = computed(() => {
    const frame = this.store.counter();
    if (!frame?.odd || frame.count === null) return null;
    const [went, stands] = [frame.unclaimed / frame.device.per, frame.count / frame.device.per];
    const of = frame.device.counts === 'metres' ? 'm' : 'turns';
    const none = { words: 'Count none of them', units: 0 };
    if (frame.odd === 'jumped')
      return {
        sentence: `${frame.device.name} jumped by ${went.toFixed(0)} ${of} at once.`,
        answers: [none, { words: `They were wound: count ${went.toFixed(0)} ${of}`, units: went }],
      };
    const again = { words: `It began again: count the ${stands.toFixed(0)} ${of} since`, units: stands };
    return {
      sentence: `${frame.device.name} went back by ${(-went).toFixed(0)} ${of}: it seems to have begun again from zero.`,
      answers: [
        ...(stands > 0 ? [again] : []),
        none,
        { words: `${(-went).toFixed(0)} ${of} were wound back off`, units: went },
      ],
    };
  });

  /** Writes an odd count down as so many of what the device counts, from where it stands now. */
  protected take(units: number): void {
    const [frame, facts, state] = [this.store.counter(), this.store.facts(), this.store.state()];
    const layer = state?.current?.layer;
    if (frame?.count == null || !facts || !state || layer === undefined) return;
    const { device } = frame;
    const at = { device: device.name, count: frame.count };
    const gear = gearAt(facts.request, state.supplies, layer);
    void this.store.happen(
      units === 0
        ? { kind: 'device-at', payload: at }
        : counted(device, layer, { units, count: frame.count }, gear),
    );
  }

  /** Credits what a counter went on by while the count was held, or leaves it out, and goes on. */
  protected claim(count: boolean): void {
    const frame = this.store.counter();
    if (frame?.count == null) return;
    const at = { device: frame.device.name, count: frame.count };
    const settled = count ? Promise.resolve() : this.store.happen({ kind: 'device-at', payload: at });
    void settled.then(() => this.store.happen({ kind: 'held', payload: { on: false } }));
  }
}
