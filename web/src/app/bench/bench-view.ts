import { computed, inject, Injectable } from '@angular/core';
import {
  countsLine,
  type DragJudgement,
  evidenceOfRun,
  gapMoved,
  gapRemedy,
  gearAt,
  judgeDrag,
  layersOn,
  looseLayer,
  REEL_TRAITS,
  restOfFill,
  type RunHappening,
  type SectionView,
  settleFill,
  stepFields,
  stepWords,
  thumbRemedy,
  tooLong,
} from '@yard-spool/core';
import { BenchHere } from '../data/bench-here.service';
import { HouseService } from '../data/house.service';
import { UnitsService } from '../data/units.service';
import { exceptionWords } from '../words/exception-words';
import { actionsOf } from './bench-actions-of';
import { CounterStep } from './counter-step';
import { benchSection, layersAhead } from './bench-section';
import { dragParts } from '../data/drag-parts';
import { looksDue } from './looks-due';
import { RunStore } from './run-store';
import { besideStep } from './step-beside';

/** What the bench shows of a run: everything here follows from its log and its counter. */
@Injectable()
export class BenchView {
  private readonly house = inject(HouseService);
  private readonly store = inject(RunStore);
  private readonly units = inject(UnitsService);
  private readonly counterStep = inject(CounterStep);
  private readonly here = inject(BenchHere);

  readonly state = this.store.shown;
  /** The step to do now; the same one however often the log is folded again, so that what is typed at it stays. */
  readonly current = computed(() => this.state()?.current ?? null, { equal: (a, b) => a?.id === b?.id });
  readonly winding = this.store.winding;
  readonly leftHanded = computed(() => this.store.run()?.under.hand === 'left');
  readonly words = computed(() => {
    const facts = this.store.facts();
    const step = this.current();
    const state = this.state();
    const way = state?.supplies[step?.layer ?? '']?.way ?? null;
    if (!facts || !step) return null;
    const { name, todo, look, cautions } = stepWords(step, facts, way);
    return { name, todo: this.units.say(todo), look: this.units.say(look), cautions };
  });
  /** What was wanted, what was chosen, and what was done last time, where the step needs it. */
  readonly beside = computed(() => {
    const run = this.store.run();
    const facts = this.store.facts();
    const state = this.state();
    if (!run || !facts || !state) return [];
    const per = gearAt(facts.request, state.supplies, this.current()?.layer ?? '');
    return [this.movedWords(), ...besideStep(this.current(), run, { units: this.units, per })].filter(
      Boolean,
    );
  });
  /** That line was moved since the gap was read, and where it stands by that. */
  private movedWords(): string {
    const facts = this.store.facts();
    const under = this.store.underWay();
    const state = this.state();
    if (this.current()?.kind !== 'gap' || !facts || !under || !state) return '';
    const moved = gapMoved(facts, under, state);
    const read = state.depths.findLast(({ after }) => after === 'gap');
    if (!moved || !read) return '';
    return `${this.units.small(read.depth)} was read before line was ${moved > 0 ? 'added' : 'taken off'}: by that it stands ${this.units.small(read.depth - moved)} below the lip now. Read it again, or leave it so.`;
  }
  readonly cautions = computed(() => this.house.cautionsAt(this.words()?.cautions ?? []));
  readonly fields = computed(() => {
    const facts = this.store.facts();
    const step = this.current();
    return facts && step ? stepFields(step) : [];
  });
  /** Where a main that is too long would end, and where its join would lie with backing taken off. */
  private readonly waysOut = computed((): SectionView['marks'] => {
    const long = this.long();
    if (!long) return [];
    const { gap, takeOff } = long;
    const small = (mm: number): string => this.units.small(mm);
    return [
      { kind: 'now', depth: gap.value, text: `${small(gap.value)} all on` },
      ...(takeOff
        ? [{ kind: 'join' as const, depth: takeOff.depth, text: `${small(takeOff.depth)} join` }]
        : []),
    ];
  });
  readonly section = computed(() => {
    const run = this.store.run();
    const underWay = this.store.underWay();
    if (!run || !underWay) return null;
    const view = benchSection(run, underWay, (mm) => this.units.small(mm));
    return { ...view, marks: [...view.marks, ...this.waysOut()] };
  });
  readonly ahead = computed(() => {
    const run = this.store.run();
    const underWay = this.store.underWay();
    const state = this.state();
    return run && underWay && state ? layersAhead(run, underWay, state.done) : { lengths: {}, totals: {} };
  });
  /** What is counted on this layer. */
  readonly counted = computed(() =>
    this.state()?.supplies[this.current()?.layer ?? '']?.way === 'winder' ? 'winder turns' : 'handle turns',
  );
  /** Depth at which the layer being wound is full, mm. */
  readonly stopDepth = computed(() => this.winding()?.planned.depthAfter.value ?? null);
  readonly supply = computed(() =>
    this.store.run()?.job.cuts.find(({ layer }) => layer === this.current()?.layer),
  );
  /** The line of the layer that is wound. */
  readonly lineWound = computed(() => {
    const layer = this.store.facts()?.request.layers.find(({ id }) => id === this.current()?.layer);
    return layer?.kind === 'line' ? layer.line : null;
  });
  /** The piece that is mounted: the one booked, or the last that was taken in its place. */
  readonly mounted = computed(() => {
    const taken = this.state()?.pieces.findLast(({ layer }) => layer === this.current()?.layer);
    const booked = this.supply();
    return taken ?? (booked ? { pieceId: booked.pieceId, code: booked.pieceCode } : null);
  });
  /** The key its bench's foot switch types; empty where it has none. */
  readonly pedal = computed(
    () => this.here.benches().find(({ id }) => id === this.store.run()?.benchId)?.pedal ?? '',
  );
  /** What the record of this layer will rest on. */
  readonly restsOn = computed(() => {
    const meter = this.store.counter()?.meter;
    if (this.counterUp() && meter?.link === 'up')
      return `The record uses the counter, ${meter.device.name} and each depth you read.`;
    if (this.counterUp()) return 'The record uses the counter and each depth you read.';
    return this.soFar() > 0
      ? 'The record uses your count and each depth you read.'
      : 'Nothing is counted. Wound by eye, the record uses only the depth you read.';
  });
  readonly looks = computed(() => {
    const run = this.store.run();
    const facts = this.store.facts();
    const state = this.state();
    const underWay = this.store.underWay();
    return run && facts && state && underWay && this.winding()
      ? looksDue(facts, state, underWay, run.under.spanMm / 1000)
      : [];
  });
  /** What is left of the last layer, once a depth was read. */
  readonly correction = computed(() => {
    const underWay = this.store.underWay();
    const state = this.state();
    const read = state?.depths.at(-1);
    // On a reel whose line stays on, its counter says how much.
    const rest = underWay && read && !this.store.facts()?.counterOnly ? restOfFill(underWay) : null;
    if (!rest?.fits || rest.wanted === null || !read) return '';
    const { fits, gap } = rest;
    return `${this.units.small(read.depth)} read: ${this.units.length(fits.value)} of ${rest.layer.replace('-', ' ')} fit to the gap, likely ${this.units.lengths(fits)}. As planned it ${gap.value < 0 ? 'stands' : 'ends'} ${this.units.level(gap.value)}.`;
  });
  readonly long = computed(() => {
    const underWay = this.store.underWay();
    const state = this.state();
    // Asked once a depth was read: before that the plan knows no better than when it was booked.
    return underWay && state && state.depths.length > 0 ? tooLong(underWay, state) : null;
  });
  /** What a level asks for that is not where it was wanted: by the gap as it was read, or by the thumb. */
  readonly remedy = computed(() => {
    const facts = this.store.facts();
    const underWay = this.store.underWay();
    const state = this.state();
    const kind = this.current()?.kind;
    if (!facts || !underWay || !state) return null;
    if (kind === 'gap') return gapRemedy(facts, underWay, state);
    return kind === 'thumb' ? thumbRemedy(facts, underWay, state) : null;
  });
  /** The layer being wound where it was found loose. */
  readonly loose = computed(() => {
    const underWay = this.store.underWay();
    const state = this.state();
    return underWay && state && this.winding() ? looseLayer(underWay, state) : null;
  });
  /** Readings that contradict each other, once everything else is done. */
  readonly question = computed(() => {
    const run = this.store.run();
    const facts = this.store.facts();
    const state = this.store.state();
    const step = this.current();
    if (!run || !facts || !state || run.state === 'closed' || (step && step.kind !== 'tag')) return null;
    const settled = settleFill(evidenceOfRun(run.job.planInput, facts, state, run.pieces));
    return settled.ok ? settled.value.question : null;
  });
  /** What is not the house's for this reel. */
  readonly exceptions = computed(() => {
    const run = this.store.run();
    return run ? exceptionWords(run.under) : [];
  });
  /** Whether the layer being wound comes off a piece, which may run out whatever the books say. */
  readonly mayRunOut = computed(() => this.winding() !== null && this.mounted() !== null);
  /** Whether the piece of the layer being wound was said to be used up. */
  readonly wasUsedUp = computed(() => this.state()?.usedUp.has(this.current()?.layer ?? '') ?? false);
  /** Whether the layer is what is fished. */
  readonly isMain = computed(() => {
    const layer = this.store.facts()?.request.layers.find(({ id }) => id === this.current()?.layer);
    return layer?.kind === 'line' && layer.role !== 'backing';
  });
  /** Whether all that is on can come off again to give the arbor grip. */
  readonly canStripAll = computed(() => {
    const run = this.store.run();
    const state = this.state();
    // A reel whose line stays on is not filled again.
    if (run?.state !== 'open' || run.job.wants.counterOnly) return false;
    return state !== null && layersOn(state).length > 0;
  });
  readonly counterUp = this.store.counterHeard;
  readonly openFace = computed(() => {
    const run = this.store.run();
    return run !== null && REEL_TRAITS[run.job.type].openFace;
  });
  readonly actions = computed(() =>
    actionsOf({
      step: this.current(),
      closed: this.store.run()?.state === 'closed',
      counter: this.counterUp(),
      held: this.state()?.held ?? false,
      reached: this.reached(),
      openFace: this.openFace(),
      match: this.counterStep.match()?.verdict ?? 'walk',
      moving: this.counterStep.moving(),
    }),
  );
  /** Turns past what the layer comes to. */
  readonly over = computed(() => this.winding()?.turnsOver ?? 0);
  /** Whether they are to come off: past a length that was settled, or past all that is likely. Else the depth decides. */
  readonly tooMany = computed(() => {
    const winding = this.winding();
    const state = this.state();
    if (!winding || !state) return false;
    const cutShort = state.chosen.some(({ layer, how }) => layer === winding.layer && how === 'cut-short');
    return cutShort || winding.turns > winding.planned.handleTurns.high;
  });
  /** A drag as it is typed, held against what was asked and against the weakest part. */
  dragJudged(read: number): DragJudgement | null {
    const run = this.store.run();
    const facts = this.store.facts();
    const state = this.state();
    if (!run || !facts || !state) return null;
    return judgeDrag(read, run.job.wants.dragKg, dragParts(run, facts, state));
  }
  readonly reached = computed(() => (this.winding()?.turnsToGo ?? 0) === 0);

  /** Whether a line meter counts here: then metres are what is typed. */
  readonly metered = computed(() => {
    const device = this.store.device();
    return device !== null && countsLine(device);
  });
  /** What the count stands at, in turns or in metres. */
  readonly soFar = computed(() => {
    const winding = this.winding();
    return (this.metered() ? winding?.lengthSoFar : winding?.turns) ?? 0;
  });

  /** Turns made by hand, as they are written down: with what one of them is worth. */
  byHand(layer: string, turns: number): RunHappening {
    return { kind: 'turns', payload: { layer, turns, ...this.worth(layer) } };
  }

  /**
   * The count put right: the metres that are missing over a meter, else all turns of the layer. What was seen of a layer
   * wound by eye stands: there the turns that are missing go on top of it.
   */
  setTo(layer: string, count: number): RunHappening {
    if (this.metered()) return { kind: 'metres', payload: { layer, metres: count - this.soFar() } };
    return this.state()?.byEye.has(layer)
      ? this.byHand(layer, Math.round(count - this.soFar()))
      : { kind: 'count-set', payload: { layer, turns: Math.round(count), ...this.worth(layer) } };
  }

  private worth(layer: string): { readonly per?: number } {
    const facts = this.store.facts();
    const state = this.state();
    return facts && state ? { per: gearAt(facts.request, state.supplies, layer) } : {};
  }
}
