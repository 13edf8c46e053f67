import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormGroup } from '@angular/forms';
import { allowedIn, DEPTH_RANGE, edgesAnswer, layAdvice, type WasherAction } from '@yard-spool/core';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { text } from '../ui/text-control';
import { typedValue } from '../ui/typed-value';
import { FaultOfRun } from './fault-of-run';
import { RunStore } from './run-store';
import { UnitsService } from '../data/units.service';

const DEPTH = allowedIn(DEPTH_RANGE);
const DID: Readonly<Record<WasherAction, string>> = {
  leave: 'Leave it as it is',
  'add-washer': 'A washer is added',
  'take-washer-out': 'A washer is taken out',
};

/** The lay: depth at rear and front (and centre) from one lip, what it is, and what was done about it. */
@Component({
  selector: 'ys-lay-panel',
  imports: [FaultOfRun, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="grid grid-cols-3 gap-2">
      <ys-quantity-field
        label="Rear"
        dimension="small-length"
        [control]="form.controls.rear"
        [allowed]="allowed"
      />
      <ys-quantity-field
        label="Centre, if read"
        dimension="small-length"
        [control]="form.controls.centre"
        [allowed]="allowed"
      />
      <ys-quantity-field
        label="Front"
        dimension="small-length"
        [control]="form.controls.front"
        [allowed]="allowed"
      />
    </div>
    <p class="text-[14px] text-mute">Below the lip, all three from one side of the calliper.</p>
    @if (advice(); as said) {
      <p class="look px-3 py-2 font-bold" role="status" data-test="lay-advice">
        {{ units.say(said.sentence) }}
      </p>
      <p class="text-[13px] text-mute">{{ said.why }}</p>
      @if (seen(); as made) {
        <ys-fault-of-run class="order-last" say="cone" [made]="made" />
      }
      @for (way of ways(); track way.did) {
        <button
          type="button"
          [class.go]="way.did === said.action"
          [class.plain]="way.did !== said.action"
          (click)="took(way.did)"
        >
          {{ way.name }}
        </button>
      }
    }
  `,
  host: { class: 'grid gap-2.5' },
})
export class LayPanel {
  private readonly store = inject(RunStore);
  protected readonly units = inject(UnitsService);
  private readonly quantity = quantityReader();

  readonly layer = input.required<string>();
  readonly left = output();

  protected readonly allowed = DEPTH;
  protected readonly form = new FormGroup({ rear: text(), front: text(), centre: text() });
  private readonly typed = typedValue(this.form);
  protected readonly ways = computed(() =>
    (Object.keys(DID) as WasherAction[]).map((did) => ({ did, name: DID[did] })),
  );
  private readonly read = computed(() => {
    this.typed();
    const { rear, front, centre } = this.form.controls;
    const [r, f, c] = [rear, front, centre].map((one) => this.quantity(one, 'small-length', DEPTH));
    if (r == null || f == null) return null;
    return { rear: r, front: f, ...(c == null ? {} : { centre: c }) };
  });
  protected readonly advice = computed(() => {
    const reading = this.read();
    const facts = this.store.facts();
    const state = this.store.state();
    const run = this.store.run();
    const layer = facts?.request.layers.find(({ id }) => id === this.layer());
    if (!reading || !facts || !state || !run || layer?.kind !== 'line') return null;
    const last = state.lays.at(-1);
    return layAdvice(reading, layer.line.diameter, facts.rules, {
      ...(last && last.did !== 'leave' ? { before: { reading: last, action: last.did } } : {}),
      seatReversed: run.seatReversed,
    });
  });

  /** A lay that is high at one end, as a look. */
  protected readonly seen = computed(() => {
    const shape = this.advice()?.shape;
    const answer = shape ? edgesAnswer(shape) : 'level';
    return answer === 'level' ? null : { look: 'edges' as const, answer };
  });

  protected took(did: WasherAction): void {
    const reading = this.read();
    const winding = this.store.underWay()?.winding;
    if (!reading || !winding) return;
    const payload = { layer: this.layer(), ...reading, did, wound: winding.lengthSoFar };
    void this.store.happen({ kind: 'lay-read', payload }).then(() => {
      this.left.emit();
    });
  }
}
