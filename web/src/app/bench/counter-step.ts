import { computed, inject, Injectable, signal } from '@angular/core';
import {
  allowedIn,
  counterNow,
  counterRequest,
  counterTable,
  GAP_MATTERS,
  gapMoved,
  gearAt,
  metresPer,
  setupOf,
  walkDoubts,
  WALK_RANGE,
  walksOf,
  type CounterMatch,
  type CounterSetup,
  type CounterUnit,
  type RunHappening,
  type UnitSystem,
  type Walk,
  type Walked,
  type WalkDoubt,
} from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { RunStore } from './run-store';

/** A reading as it was typed. */
export interface ReadAtMark {
  readonly reading: number;
  readonly tape: number;
  readonly over: 'field' | 'meter';
  /** What it was read to: a tenth where it was typed with one, 30.0 too. */
  readonly step: number;
}

/** What a counter’s reading can be, as a field allows it. */
export const READING = allowedIn(WALK_RANGE.reading);

/** What a reading as it was typed was read to. */
export const readTo = (typed: string): number => (/[.,]\d{1,2}\D*$/.test(typed.trim()) ? 0.1 : 1);

/** A reading that is asked about before it is believed. */
interface Doubted {
  readonly read: ReadAtMark;
  readonly doubts: readonly WalkDoubt[];
}

const IN_FEET: CounterSetup = { unit: 'ft', step: 1, match: 30.48 };

const USUAL: Readonly<Record<UnitSystem, CounterSetup>> = {
  metric: { unit: 'm', step: 1, match: 30 },
  imperial: IN_FEET,
  thousandths: IN_FEET,
};

/** The counter of the reel under the handle: what its walks come to, what is asked, and what happens next. */
@Injectable()
export class CounterStep {
  private readonly store = inject(RunStore);
  private readonly units = inject(UnitsService);

  private readonly said = signal<CounterSetup | null>(null);
  private readonly asked = signal<Doubted | null>(null);

  /** What earlier walks of this reel, or of its kind, taught. */
  readonly known = computed(() => this.store.run()?.job.planInput.beliefs?.counter);
  /** What the counter shows and where it is to agree: as it was said last. */
  readonly setup = computed((): CounterSetup => {
    const state = this.store.state();
    const before = (state && setupOf(state)) ?? this.known();
    return this.said() ?? before ?? USUAL[this.units.system()];
  });
  /** Whether its own line stays on, filled elsewhere or before. */
  readonly counterOnly = computed(() => this.store.facts()?.counterOnly === true);
  readonly walks = computed(() => this.store.state()?.walks ?? []);
  /** The walks that count. */
  readonly standing = computed(() => this.walks().filter(({ left }) => !left));
  /** The counter by all walks so far, on the spool as it is now. */
  readonly match = computed((): CounterMatch | null => {
    const facts = this.store.facts();
    const under = this.store.underWay();
    const state = this.store.shown();
    return facts && under && state ? counterNow(facts, under, state, this.setup(), this.known()) : null;
  });
  /** Whether a reading can be typed now: where there is little room, that comes before the chart. */
  readonly readsHere = computed(() => {
    const match = this.match();
    return match?.verdict === 'walk' || match?.halfWay != null;
  });
  readonly table = computed(() => {
    const match = this.match();
    const { match: at, unit } = this.setup();
    return match && this.standing().length > 0 ? counterTable(match, at, unit) : [];
  });
  readonly doubted = this.asked.asReadonly();
  /** Metres on the layer at each walk, those left out among them. */
  readonly movedAt = computed(() => {
    const facts = this.store.facts();
    const under = this.store.underWay();
    const state = this.store.state();
    if (!facts || !under || !state) return [];
    const walks = state.walks.map((walk) => ({ ...walk, left: false }));
    return walksOf(facts, under, { ...state, walks }, this.setup().unit).map(({ moved }) => moved);
  });
  /** Turns still to move, as they are counted at this bench. */
  readonly turns = computed(() => {
    const facts = this.store.facts();
    const state = this.store.state();
    const match = this.match();
    if (!facts || !state || !match) return 0;
    return Math.round(Math.abs(match.spoolTurns) / gearAt(facts.request, state.supplies, this.layer()));
  });
  readonly moving = computed(() => this.store.state()?.moving ?? false);

  private layer(): string {
    return this.store.state()?.current?.layer ?? this.store.facts()?.request.layers.at(-1)?.id ?? '';
  }

  /** Says what the counter shows, or where it is to agree. */
  say(setup: Partial<CounterSetup>): void {
    this.said.set({ ...this.setup(), ...setup });
  }

  /** Takes a reading. One that cannot be is asked about first. */
  read(read: ReadAtMark): void {
    const doubts = this.doubtsOf(read);
    if (doubts.length > 0) this.asked.set({ read, doubts });
    else this.walked(read);
  }

  /** The answer: one of the doubts is so, or none is and it stands as it was read, or it is walked again. */
  answer(doubt: WalkDoubt | 'stands' | 'again'): void {
    const asked = this.asked();
    if (!asked) return;
    this.asked.set(null);
    if (doubt === 'stands') this.walked(asked.read, this.without());
    else if (doubt === 'again') this.walked(asked.read, { left: true });
    else this.settle(asked.read, doubt);
  }

  /** The walk began at another count than zero: what was walked is the difference. */
  beganAt(began: number): void {
    const asked = this.asked();
    if (!asked || asked.read.reading - began < 1) return;
    this.asked.set(null);
    this.walked(asked.read, { cause: 'not-zeroed', began });
  }

  /** Places of the walks that a reading contradicts, among all walks: where it stands, they do not. */
  readonly standingPlaces = computed(() => this.walks().flatMap(({ left }, i) => (left ? [] : [i])));

  /** Two that contradict each other are never both believed. */
  private without(): Pick<Walked, 'without'> {
    const places = this.standingPlaces();
    return places.length > 0 ? { without: places } : {};
  }

  private settle(read: ReadAtMark, { cause, ifYes, unit, earlier }: WalkDoubt): void {
    if (!ifYes) {
      this.walked(read, { cause, left: true });
      return;
    }
    const first = this.walks().length === 0;
    const setup = this.setup();
    // Nothing was read before in the wrong unit: from now on it is what it really shows.
    if (unit && first) this.said.set({ ...setup, unit });
    const moved = ifYes.moved - (this.request()?.moved ?? 0);
    if (Math.abs(moved) > 0.01) this.moved(moved);
    const reading = unit && first ? read.reading : ifYes.reading;
    this.walked(
      { ...read, reading, tape: ifYes.tape },
      {
        cause,
        ...(reading === read.reading ? {} : { typed: read.reading }),
        ...(earlier ? { earlier: this.placeOf(earlier) } : {}),
      },
    );
  }

  /** An earlier walk by its place among all walks, those left out counted too. */
  private placeOf({ index, tape }: NonNullable<WalkDoubt['earlier']>) {
    return { walk: this.standingPlaces()[index] ?? 0, tape };
  }

  private request() {
    const facts = this.store.facts();
    const under = this.store.underWay();
    const state = this.store.state();
    return facts && under && state ? counterRequest(facts, under, state, this.setup(), this.known()) : null;
  }

  private doubtsOf({ reading, tape, over }: ReadAtMark): WalkDoubt[] {
    const request = this.request();
    const match = this.match();
    if (!request?.spool || !match) return [];
    const walk: Walk = { reading, tape, over, moved: request.moved };
    const { face, walks, spool } = request;
    const tapeUnit = tapeUnitOf(tape, face.unit);
    return walkDoubts(walk, { spool, fit: match.fit, face, walks, tapeUnit, joinAt: match.joinAt });
  }

  private walked(
    { reading, tape, over, step }: ReadAtMark,
    more: Pick<Walked, 'cause' | 'left' | 'earlier' | 'began' | 'typed' | 'without'> = {},
  ): void {
    const { match, unit } = this.setup();
    const expected = this.match()?.expected.value;
    void this.store.happen({
      kind: 'walked',
      payload: {
        layer: this.layer(),
        match,
        tape,
        reading,
        unit,
        over,
        step: Number.isInteger(reading) ? step : 0.1,
        ...(expected !== undefined && Math.abs(tape - match) < 0.01 && expected > 0 ? { expected } : {}),
        ...more,
      },
    });
  }

  /** Metres wound on, or taken off where below zero: what was told is what is booked. Never more off than is on. */
  private asTold(metres: number): RunHappening | null {
    const under = this.store.underWay();
    if (!under) return null;
    const layer = this.layer();
    const on = under.wound.find(({ id }) => id === layer)?.length ?? 0;
    return { kind: 'metres', payload: { layer, metres: Math.max(metres, -on) } };
  }

  /** Ends the step. Where line was moved so far that the gap is another by now, that is read again. */
  async finish(): Promise<void> {
    const step = this.store.state()?.current;
    if (step?.kind !== 'counter') return;
    const facts = this.store.facts();
    const under = this.store.underWay();
    const state = this.store.state();
    const moved = facts && under && state ? (gapMoved(facts, under, state) ?? 0) : 0;
    await this.store.happen({ kind: 'step-done', payload: { step: step.id } });
    const gap = state?.steps.find(({ kind }) => kind === 'gap');
    if (gap && Math.abs(moved) > GAP_MATTERS)
      await this.store.happen({ kind: 'step-again', payload: { steps: [gap.id] } });
  }

  /** Line was wound on, or taken off where below zero: so many metres, or as many as were asked for. */
  moved(metres = this.match()?.move.value ?? 0): void {
    const happening = this.asTold(metres);
    if (happening) void this.store.happen(happening);
  }

  /** The length it is to agree at, in its own unit. */
  readonly matchInUnit = computed(() => this.setup().match / metresPer(this.setup().unit));
  /** Whether line was moved since the last walk. */
  readonly movedSince = computed(() => {
    const request = this.request();
    const last = request?.walks.at(-1);
    return last !== undefined && Math.abs((request?.moved ?? 0) - last.moved) > 0.05;
  });

  /** Counts what goes on or comes off by the device, or no longer; only while there is something to move. */
  toggleCount(up: boolean): void {
    const asked = ['add', 'take-off'].includes(this.match()?.verdict ?? '');
    if (this.moving()) this.count(false);
    else if (up && asked) this.count(true);
  }

  /** What goes on or comes off is counted from now on, or no longer. */
  count(on: boolean): void {
    void this.store.happen({ kind: 'moving', payload: { on } });
  }
}

/** What a tape is marked in, where a mark is round in it. */
const tapeUnitOf = (tape: number, unit: CounterUnit): CounterUnit =>
  Math.abs(tape - Math.round(tape)) < 0.02 && unit !== 'm' ? 'm' : unit;
