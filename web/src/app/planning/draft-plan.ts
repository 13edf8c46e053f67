import type { Learning } from '@yard-spool/contract';
import {
  type Assumed,
  beliefsFor,
  counterAim,
  gapAdvice,
  type GapAdvice,
  type HouseRules,
  inferSpool,
  isUnknown,
  kindKey,
  type KnownCounter,
  type MadePlan,
  makePlan,
  NOTHING_TAKEN,
  type Observation,
  type PlanInput,
  priorsFor,
  swapOf,
  type SwapPlan,
  type TakenLine,
  tell,
  type UnitSystem,
  usualGear,
  USUAL_HOUSE_RULES,
} from '@yard-spool/core';
import { cutsFor, type DraftCuts } from './draft-cuts';
import { joinIn } from './draft-join';
import { amountReader, draftReader, unreadable, type Read, type ReadAmount } from './draft-fields';
import { amountOn, layersOf, type SaidAmounts } from './draft-layers';
import { amountField, fitsUnlessSaid, missing } from './draft-missing';
import { observationsOf } from './draft-observations';
import { onRecord } from './on-record';
import { asItLies, stays } from './draft-stays';
import { DRAFT_LAYERS, sourcesOf, type DraftRack, type LayerSources } from './draft-sources';
import type { ReelDraft } from './reel-draft';

/** Where a fill is aimed so that its counter agrees. */
export interface CounterAim {
  /** mm below the lip */
  readonly gap: number;
  readonly known: KnownCounter;
}

/** A draft read: the plan where there is enough for one, and what is missing or wrong where there is not. */
export interface DraftPlan {
  readonly input: PlanInput | null;
  readonly made: MadePlan | null;
  /** Both windings, where the main goes on first; its turns and depths are those that are wound to. */
  readonly swap: SwapPlan | null;
  readonly sources: LayerSources;
  readonly cuts: DraftCuts;
  /** The gap a matched counter is aimed at, and what that rests on; null where the house says it, or a person. */
  readonly aim: CounterAim | null;
  /** Metres of main the customer wants; null where it is no length. */
  readonly wanted: number | null;
  /** The gap the house would leave; taken where none was typed. */
  readonly gap: GapAdvice | null;
  /** Whether a gap was typed that has no say, since every layer has its amount. */
  readonly gapUnused: boolean;
  /** Depth of the bottom of a bevelled rim, mm; null where it is plain. */
  readonly bevelMm: number | null;
  /** What was taken as usual because nobody said it. */
  readonly assumed: readonly Assumed[];
  /** What to do next to get a plan; empty where there is one. */
  readonly next: string;
  /** A field that cannot be read, whether or not the plan needs it. */
  readonly unread: string;
  /** Sentences of what cannot be, from the core. */
  readonly problems: readonly string[];
}

const NOTHING_LEARNED: Learning = {
  kinds: [],
  lines: [],
  hands: [],
  prints: [],
  counters: { reels: [], kinds: [] },
};

/** What a draft is planned with beside itself. */
export interface PlannedWith {
  readonly rack: DraftRack;
  readonly system: UnitSystem;
  readonly rules?: HouseRules | undefined;
  readonly learning?: Learning | undefined;
  /** What other reels take of each piece. */
  readonly taken?: TakenLine;
  /** mm lost with each cut. */
  readonly tailMm?: number;
}

/** mm lost with each cut, until the shop's rules are known. */
export const USUAL_TAIL_MM = 2000;

/** Reads a draft and plans it with the core. Called for every keystroke; the same input gives the same plan. */
export function planDraft(
  typed: ReelDraft,
  {
    rack,
    system,
    rules = USUAL_HOUSE_RULES,
    learning = NOTHING_LEARNED,
    taken = NOTHING_TAKEN,
    tailMm = USUAL_TAIL_MM,
  }: PlannedWith,
): DraftPlan {
  const draft = asItLies(typed);
  const read = draftReader(draft, system);
  const readAmount = amountReader(draft, system);
  const sources = sourcesOf(draft, rack, read);
  const amounts = amountsOf(draft, sources, readAmount, taken);
  const bevelMm = read('bevel');
  const observations = observationsOf(draft, read, system);
  const gap = gapFor(draft, sources, { bevel: bevelMm, room: roomOf(draft, observations) }, rules);
  const wanted = wantedOf(amounts, readAmount);
  const assumed = assumedIn(typed, read);
  const unread = unreadable(draft, system);
  const base = {
    input: null,
    made: null,
    swap: null,
    aim: null,
    sources,
    cuts: {},
    assumed,
    unread,
    wanted,
    gap,
    bevelMm,
    gapUnused: false,
    problems: [],
  };
  const next = missing({ draft, sources, amounts, read, readAmount, system });
  if (next !== '') return { ...base, next };
  const layers = layersOf(draft, sources, amounts, read, readAmount);
  // Where every layer has its amount, nothing is left to fill to a gap: the gap is what comes out.
  const gives = layers.some(isUnknown);
  const gapUnused = !gives && draft.gap.trim() !== '';
  const asked: PlanInput = {
    observations,
    request: {
      layers,
      gear: read('gear') ?? usualGear(draft.type),
      ...(gives ? stopAt(read, gap) : gap ? { house: gap.gap } : {}),
    },
    beliefs: believed(draft, sources, learning),
    ...(assumed.length > 0 ? { assumed } : {}),
  };
  const { made, input, aim } = aimed(asked, gives && draft.gap.trim() === '');
  if (!made.ok)
    return {
      ...base,
      gapUnused,
      next: '',
      problems: made.issues.map(({ sentence }) => tell(sentence, system)),
    };
  const swap = draft.mainFirst === 'yes' ? swapOf(made.value.spool, input.request) : null;
  const cuts = cutsFor(made.value, sources, amounts, taken, {
    rules,
    tailMm,
    joined: joinIn(draft, rack.pieces),
  });
  return { ...base, input, made: made.value, swap, aim, cuts, gapUnused, next: '' };
}

const believed = (draft: ReelDraft, sources: LayerSources, learning: Learning) =>
  beliefsFor(learning, {
    type: draft.type,
    kind: kindKey(draft),
    tag: draft.tag,
    lines: DRAFT_LAYERS.flatMap((layer) => sources[layer]?.product.code ?? []),
  });

/** Where to stop: as typed, else as the house has it. */
const stopAt = (read: Read, house: GapAdvice | null) => ({ gap: read('gap') ?? house?.gap ?? 0 });

/** Whether line stays on that nobody measured. */
const diameterUnknown = (draft: ReelDraft, read: Read): boolean =>
  stays(draft) ? draft.ownDiameter.trim() === '' : draft.kept.trim() !== '' && read('keptDiameter') === null;

/** What is taken as usual because nobody said it. */
const assumedIn = (draft: ReelDraft, read: Read): Assumed[] => [
  ...(read('gear') === null ? (['gear'] as const) : []),
  ...(diameterUnknown(draft, read) && !onRecord(draft) ? (['kept-diameter'] as const) : []),
];

/** Metres of main the customer wants; what was wanted before, where it is as much as fits now. */
function wantedOf({ main }: SaidAmounts, readAmount: ReadAmount): number | null {
  if (typeof main?.length === 'number') return main.length;
  const before = readAmount('wantedMain');
  return before?.kind === 'length' ? before.metres : null;
}

function amountsOf(
  draft: ReelDraft,
  sources: LayerSources,
  readAmount: ReturnType<typeof amountReader>,
  taken: TakenLine,
): SaidAmounts {
  return Object.fromEntries(
    DRAFT_LAYERS.flatMap((layer) => {
      const field = amountField(draft.underneath, layer);
      const fits = draft[field].trim() === '' && fitsUnlessSaid(draft.underneath, layer);
      const amount = fits ? ({ kind: 'fits' } as const) : readAmount(field);
      const source = sources[layer];
      const said = amount && source ? amountOn(amount, source, taken) : null;
      return said ? [[layer, said]] : [];
    }),
  );
}

/** Often enough for a gap whose join moves with it to settle. */
const AIMS = 3;

/** Plans; where a counter was matched before and nobody said a gap, to the level where it should agree at the first walk. */
function aimed(asked: PlanInput, free: boolean) {
  const known = asked.beliefs?.counter;
  let input = asked;
  let made = makePlan(asked);
  let aim = null as CounterAim | null;
  if (!free || !known) return { input, made, aim };
  for (let i = 0; i < AIMS && made.ok; i += 1) {
    const gap = counterAim(made.value.spool, made.value.plan, known);
    if (gap === null) return { input, made, aim };
    input = { ...asked, request: { ...asked.request, gap } };
    made = makePlan(input);
    aim = { gap, known };
  }
  return { input, made, aim };
}

/** The gap the house leaves for the line on top of this reel. */
function gapFor(
  { type }: ReelDraft,
  { main, top }: LayerSources,
  { bevel, room }: { readonly bevel: number | null; readonly room: number | null },
  rules: HouseRules,
): GapAdvice | null {
  const above = top ?? main;
  return above
    ? gapAdvice(
        above.line.diameter,
        type,
        bevel === null ? { kind: 'plain' } : { kind: 'bevel', depth: bevel },
        rules,
        room,
      )
    : null;
}

/** Depth of the bare spool below its lip where the gap depends on it: on reels whose spools are shallow. */
function roomOf({ type }: ReelDraft, observations: readonly Observation[]): number | null {
  const spool = type === 'baitcaster' ? inferSpool(observations, priorsFor(type)) : null;
  return spool?.ok ? spool.value.spool.lipRadius - spool.value.spool.arborRadius : null;
}
