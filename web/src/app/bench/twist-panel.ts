import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  untracked,
} from '@angular/core';
import { FormGroup } from '@angular/forms';
import {
  benchTwist,
  isBraid,
  readSlackTest,
  turnsRound,
  type SeenTurn,
  type SupplySeen,
  type SupplyWayAtBench,
} from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { Choice } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { SelectField } from '../ui/select-field';
import { text } from '../ui/text-control';
import { typedValue } from '../ui/typed-value';
import { FaultOfRun } from './fault-of-run';
import { RunStore } from './run-store';

const WAYS: Readonly<Record<SupplyWayAtBench, string>> = {
  'over-end': 'Over its end',
  rolling: 'Rolling on its edge or spindle',
  rig: 'On a rig',
  winder: 'On the bench winder',
  'drag-reel': 'Off another reel’s drag',
  'walked-out': 'Walked out to length',
  reverse: 'Off the reel’s other spool',
};
const TURNS: readonly { value: SeenTurn; name: string }[] = [
  { value: 'clockwise', name: 'Clockwise' },
  { value: 'anticlockwise', name: 'Anticlockwise' },
];
const PINCHED = { min: 0.2, max: 20 };
const PLY = { min: 0, max: 500 };

/** Which way round: two rotations as seen, what they come to, and the slack metre that tells whether it is so. */
@Component({
  selector: 'ys-twist-panel',
  imports: [Choice, FaultOfRun, QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './twist-panel.html',
  host: { class: 'grid gap-2.5' },
})
export class TwistPanel {
  private readonly store = inject(RunStore);
  private readonly quantity = quantityReader();
  protected readonly units = inject(UnitsService);

  protected readonly twisted = { look: 'slack', answer: 'turns' } as const;

  readonly layer = input.required<string>();
  readonly left = output();

  protected readonly ways = Object.entries(WAYS).map(([value, name]) => ({ value, name }));
  protected readonly turns = TURNS;
  protected readonly allowed = { pinched: PINCHED, ply: PLY };
  protected readonly stand = new FormGroup({
    way: text('over-end'),
    supplyTurns: text('clockwise'),
    reelTurns: text('clockwise'),
  });
  protected readonly slack = new FormGroup({ pinched: text(this.units.like('2 m', '6 ft')), ply: text() });
  private readonly stood = typedValue(this.stand);
  private readonly slackTyped = typedValue(this.slack);

  protected readonly rotor = computed(() => {
    const type = this.store.run()?.job.type;
    return type !== undefined && turnsRound(type) && this.stood().way !== 'winder';
  });
  protected readonly supplyTurns = computed(() => ['over-end', 'rig'].includes(this.stood().way));
  private readonly seen = computed((): SupplySeen => {
    const { way, supplyTurns, reelTurns } = this.stood();
    return {
      way: way as SupplyWayAtBench,
      supplyTurns: this.supplyTurns() ? (supplyTurns as SeenTurn) : null,
      reelTurns: this.rotor() ? (reelTurns as SeenTurn) : null,
    };
  });
  protected readonly twist = computed(() => {
    const run = this.store.run();
    const winding = this.store.underWay()?.winding;
    if (!run || !winding) return null;
    const supply = run.supplies.find(({ layer }) => layer === this.layer())?.diameters[0] ?? 100;
    const reel = 2 * Math.max(1, winding.wound.find(({ id }) => id === this.layer())?.outerRadius ?? 1);
    return benchTwist(this.seen(), run.job.type, { reel, supply });
  });
  protected readonly verdict = computed(() => {
    this.slackTyped();
    const run = this.store.run();
    const winding = this.store.underWay()?.winding;
    const twist = this.twist();
    const pinched = this.quantity(this.slack.controls.pinched, 'line-length', PINCHED);
    const plyTurns = this.quantity(this.slack.controls.ply, 'ratio', PLY);
    if (!run || !winding || !twist || pinched === null || plyTurns === null) return null;
    const layer = this.store.facts()?.request.layers.find(({ id }) => id === this.layer());
    const braid = layer?.kind === 'line' && isBraid(layer.line.material);
    const reading = { pinched, plyTurns, wound: winding.lengthSoFar, span: run.under.spanMm / 1000, braid };
    const said = readSlackTest(reading, twist.expected);
    const against = said.verdict === 'unsure' && twist.matched === false;
    return { ...said, against, pinched, plyTurns };
  });
  protected readonly circles = computed(() => {
    const { supplyTurns, reelTurns } = this.seen();
    const named = (turn: SeenTurn | null): string => turn ?? 'does not turn';
    return [
      { x: 74, turn: supplyTurns, name: 'supply, from its line’s side', words: named(supplyTurns) },
      { x: 226, turn: reelTurns, name: 'reel from behind', words: named(reelTurns) },
    ];
  });
  protected readonly drawn = computed(() =>
    this.circles()
      .map(({ name, words }) => `${name}: ${words}`)
      .join('; '),
  );

  constructor() {
    effect(() => {
      const seen = this.store.state()?.supplies[this.layer()];
      const job = this.store.run()?.job;
      // A spool that turns takes line off a rolling supply; line turned end for end comes off the other spool.
      const usual = job?.wants.endForEnd && this.layer() === 'main' ? 'reverse' : 'rolling';
      if (!seen && job && (usual === 'reverse' || !turnsRound(job.type)))
        untracked(() => {
          this.stand.patchValue({ way: usual });
        });
      if (seen)
        untracked(() => {
          this.stand.patchValue({
            way: seen.way,
            ...(seen.supplyTurns ? { supplyTurns: seen.supplyTurns } : {}),
            ...(seen.reelTurns ? { reelTurns: seen.reelTurns } : {}),
          });
        });
    });
  }

  /** Writes down how the supply stands, where that is news. */
  private stands(): Promise<void> {
    const now = this.seen();
    const known = this.store.state()?.supplies[this.layer()];
    const same =
      known?.way === now.way && known.supplyTurns === now.supplyTurns && known.reelTurns === now.reelTurns;
    return same
      ? Promise.resolve()
      : this.store.happen({ kind: 'supply', payload: { layer: this.layer(), ...now } });
  }

  protected keep(): void {
    void this.stands().then(() => {
      this.left.emit();
    });
  }

  protected readSlack(): void {
    const said = this.verdict();
    const winding = this.store.underWay()?.winding;
    if (!said || !winding) return;
    const { pinched, plyTurns } = said;
    const payload = { layer: this.layer(), pinched, plyTurns, wound: winding.lengthSoFar };
    void this.stands()
      .then(() => this.store.happen({ kind: 'slack-read', payload }))
      .then(() => {
        if (said.good) this.left.emit();
      });
  }

  protected turnOver(): void {
    const payload = { layer: this.layer(), why: 'supply-turned' } as const;
    void this.stands()
      .then(() => this.store.happen({ kind: 'restarted', payload }))
      .then(() => {
        this.left.emit();
      });
  }

  protected size(value: number): string {
    return Math.abs(value).toFixed(1);
  }
}
