import type { Learning, Piece } from '@yard-spool/contract';
import {
  beliefsFor,
  counterAim,
  gapAdvice,
  kindKey,
  makePlan,
  parseQuantity,
  USUAL_HOUSE_RULES,
  type Allowed,
  type Dimension,
  type GapAdvice,
  type HouseRules,
  type KnownCounter,
  type MadePlan,
  type Observation,
  swapOf,
  type PlanInput,
  type SwapPlan,
  type UnitSystem,
} from '@yard-spool/core';
import { layersOf, type LayerPieces } from './draft-layers';
import { printsIn, printToChoose, ratedMaterial } from './rating-text';
import type { ReelDraft, Underneath } from './reel-draft';

/** What each quantity field takes, in the core's units. */
export const FIELD_RANGE = {
  gear: { min: 0.5, max: 12 },
  lip: { min: 12, max: 250 },
  width: { min: 3, max: 200 },
  arbor: { min: 4, max: 230 },
  farArbor: { min: 4, max: 230 },
  retrieve: { min: 0.1, max: 3 },
  kept: { min: 0, max: 5000 },
  keptDiameter: { min: 0.04, max: 3 },
  keptDepth: { min: 0, max: 60 },
  reducer: { min: 4, max: 240 },
  mainLength: { min: 1, max: 5000 },
  least: { min: 1, max: 5000 },
  gap: { min: 0, max: 30 },
  bevel: { min: 0, max: 20 },
  cushionLength: { min: 1, max: 1000 },
  topLength: { min: 1, max: 2000 },
  drag: { min: 0.1, max: 60 },
} as const satisfies Record<string, Allowed>;

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
  readonly pieces: LayerPieces;
  /** The gap a matched counter is aimed at, and what that rests on; null where the house says it, or a person. */
  readonly aim: CounterAim | null;
  /** Metres of main the customer wants; null where nothing sensible was typed. */
  readonly wanted: number | null;
  /** The gap the house would leave; taken where none was typed. */
  readonly gap: GapAdvice | null;
  /** Depth of the bottom of a bevelled rim, mm; null where it is plain. */
  readonly bevelMm: number | null;
  /** What to do next to get a plan; empty where there is one. */
  readonly next: string;
  /** Sentences of what cannot be, from the core. */
  readonly problems: readonly string[];
}

type Read = (field: keyof typeof FIELD_RANGE, dimension: Dimension) => number | null;

/** Reads quantities of a draft in the person's units; null where a field is empty or wrong. */
export const draftReader =
  (draft: ReelDraft, system: UnitSystem): Read =>
  (field, dimension) => {
    const quantity = parseQuantity(draft[field], dimension, system, FIELD_RANGE[field]);
    return quantity.ok ? quantity.value.value : null;
  };

const NOTHING_LEARNED: Learning = {
  kinds: [],
  lines: [],
  hands: [],
  prints: [],
  counters: { reels: [], kinds: [] },
};

/** Reads a draft and plans it with the core. Called for every keystroke; the same input gives the same plan. */
export function planDraft(
  draft: ReelDraft,
  rack: readonly Piece[],
  system: UnitSystem,
  rules: HouseRules = USUAL_HOUSE_RULES,
  learning: Learning = NOTHING_LEARNED,
): DraftPlan {
  const pieces = piecesOf(draft, rack);
  const read = draftReader(draft, system);
  const bevelMm = read('bevel', 'small-length');
  const gap = gapFor(draft, pieces, bevelMm, rules);
  const wanted = read('mainLength', 'line-length');
  const base = { input: null, made: null, swap: null, aim: null, pieces, wanted, gap, bevelMm, problems: [] };
  const observations = observationsOf(draft, read, system);
  const next = missing(draft, pieces, read, system);
  if (next !== '') return { ...base, next };
  const lengths = {
    main: wanted,
    cushion: read('cushionLength', 'line-length'),
    top: read('topLength', 'line-length'),
    kept: read('kept', 'line-length'),
    keptDiameter: read('keptDiameter', 'small-length'),
    keptDepth: read('keptDepth', 'small-length'),
    reducer: read('reducer', 'small-length'),
  };
  const asked: PlanInput = {
    observations,
    request: {
      layers: layersOf(draft, pieces, lengths),
      gap: read('gap', 'small-length') ?? gap?.gap ?? 0,
      gear: read('gear', 'ratio') ?? 1,
    },
    beliefs: beliefsFor(learning, {
      type: draft.type,
      kind: kindKey(draft),
      tag: draft.tag,
      lines: Object.values(pieces).flatMap((piece: Piece | undefined) => (piece ? [piece.product.code] : [])),
    }),
  };
  const { made, input, aim } = aimed(asked, draft.gap.trim() === '');
  const swap = made.ok && draft.mainFirst === 'yes' ? swapOf(made.value.spool, input.request) : null;
  return made.ok
    ? { ...base, input, made: made.value, swap, aim, next: '' }
    : { ...base, next: '', problems: made.issues.map(({ sentence }) => sentence) };
}

/** Often enough for a gap whose join moves with it to settle. */
const AIMS = 3;

/** Plans; where a counter was matched before and nobody said a gap, to the level where it should agree at the first walk. */
function aimed(asked: PlanInput, free: boolean) {
  const known = asked.beliefs?.counter;
  let [input, made, aim] = [asked, makePlan(asked), null as CounterAim | null];
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

function piecesOf(draft: ReelDraft, rack: readonly Piece[]): LayerPieces {
  const chosen = (id: string): Piece | undefined => rack.find((piece) => String(piece.id) === id);
  const { underneath } = draft;
  return {
    main: chosen(draft.mainPiece),
    backing:
      underneath === 'backing' || underneath === 'three-layer' ? chosen(draft.backingPiece) : undefined,
    top: underneath === 'three-layer' ? chosen(draft.topPiece) : undefined,
  };
}

/** The gap the house leaves for the line on top of this reel. */
function gapFor(
  { type }: ReelDraft,
  { main, top }: LayerPieces,
  bevel: number | null,
  rules: HouseRules,
): GapAdvice | null {
  const above = top ?? main;
  return above
    ? gapAdvice(
        above.product.diameter,
        type,
        bevel === null ? { kind: 'plain' } : { kind: 'bevel', depth: bevel },
        rules,
      )
    : null;
}

/** What a draft says of its spool, as the core takes it. */
export function observationsOf(draft: ReelDraft, read: Read, system: UnitSystem): Observation[] {
  const ratings = [draft.rating1, draft.rating2].flatMap((typed) =>
    printsIn(typed, system, ratedMaterial(draft.ratedFor)).flatMap((print): Observation[] => {
      const { length, diameter, material, printed } = print.readings[0];
      if (!print.sure) return [];
      const of = material === 'nylon' ? {} : { material };
      return [{ kind: 'rating', length, diameter, ...of, ...(printed ? { printed, text: print.text } : {}) }];
    }),
  );
  const lip = read('lip', 'small-length');
  const width = read('width', 'small-length');
  const arbor = read('arbor', 'small-length');
  const far = read('farArbor', 'small-length');
  const perTurn = read('retrieve', 'line-length');
  const gear = read('gear', 'ratio');
  return [
    ...learnedOf(draft),
    ...ratings,
    ...(lip === null ? [] : [{ kind: 'lip' as const, diameter: lip }]),
    ...(width === null ? [] : [{ kind: 'width' as const, width }]),
    ...(arbor === null
      ? []
      : [{ kind: 'arbor' as const, diameter: arbor, ...(far === null ? {} : { farDiameter: far }) }]),
    ...(perTurn === null || gear === null ? [] : [{ kind: 'retrieve' as const, perTurn, gear }]),
  ];
}

/** What closed fills taught; a draft kept from another version is simply without. */
function learnedOf({ learned }: ReelDraft): Observation[] {
  try {
    return learned === '' ? [] : (JSON.parse(learned) as Observation[]);
  } catch {
    return [];
  }
}

/** The next thing to type before there can be a plan. */
function missing(draft: ReelDraft, pieces: LayerPieces, read: Read, system: UnitSystem): string {
  const print = printToChoose([draft.rating1, draft.rating2], system, ratedMaterial(draft.ratedFor));
  if (print) return `"${print.text}" can be read in more than one way: choose which it is.`;
  if (!pieces.main) return 'Choose the piece the main line comes from.';
  if (read('gear', 'ratio') === null) return 'Type the gear ratio, like 5.2:1, so that turns can be counted.';
  if (draft.gap.trim() !== '' && read('gap', 'small-length') === null)
    return 'Type how far below the lip to stop, or leave it to the house.';
  const keeps = read('kept', 'line-length') !== null || read('keptDepth', 'small-length') !== null;
  if (keeps && read('keptDiameter', 'small-length') === null)
    return 'Type how thick the old line is that stays on.';
  return MISSING_BELOW[draft.underneath](pieces, read);
}

const noLength = (read: Read): boolean => read('mainLength', 'line-length') === null;
const HOW_MUCH = 'Type how much main line the customer wants.';

/** What each way to build a reel still needs. */
const MISSING_BELOW: Readonly<Record<Underneath, (pieces: LayerPieces, read: Read) => string>> = {
  'main-only': () => '',
  tape: (_, read) => (noLength(read) ? HOW_MUCH : ''),
  backing: ({ backing }, read) => {
    if (noLength(read)) return HOW_MUCH;
    return backing ? '' : 'Choose the piece the backing comes from, or fill with main only.';
  },
  'three-layer': ({ backing, top }, read) => {
    if (!backing || read('cushionLength', 'line-length') === null)
      return 'Choose the cushion and its length.';
    return top && read('topLength', 'line-length') !== null ? '' : 'Choose the top shot and its length.';
  },
};
