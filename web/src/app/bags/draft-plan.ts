import type { Piece } from '@yard-spool/contract';
import {
  makePlan,
  parseQuantity,
  parseRating,
  type Allowed,
  type Dimension,
  type LayerRequest,
  type MadePlan,
  type Observation,
  type PlanInput,
  type UnitSystem,
} from '@yard-spool/core';
import type { BookingDraft } from './booking-draft';

/** What each quantity field takes, in the core's units. */
export const FIELD_RANGE = {
  gear: { min: 0.5, max: 12 },
  lip: { min: 12, max: 250 },
  width: { min: 3, max: 200 },
  arbor: { min: 4, max: 230 },
  mainLength: { min: 1, max: 5000 },
  gap: { min: 0, max: 30 },
} as const satisfies Record<string, Allowed>;

/** A draft read: the plan where there is enough for one, and what is missing or wrong where there is not. */
export interface DraftPlan {
  readonly input: PlanInput | null;
  readonly made: MadePlan | null;
  readonly main: Piece | undefined;
  readonly backing: Piece | undefined;
  /** What to do next to get a plan; empty where there is one. */
  readonly next: string;
  /** Sentences of what cannot be, from the core. */
  readonly problems: readonly string[];
}

/** Reads a draft and plans it with the core. Called for every keystroke; the same input gives the same plan. */
export function planDraft(draft: BookingDraft, pieces: readonly Piece[], system: UnitSystem): DraftPlan {
  const main = pieces.find(({ id }) => String(id) === draft.mainPiece);
  const backing =
    draft.underneath === 'backing' ? pieces.find(({ id }) => String(id) === draft.backingPiece) : undefined;
  const read = (field: keyof typeof FIELD_RANGE, dimension: Dimension): number | null => {
    const quantity = parseQuantity(draft[field], dimension, system, FIELD_RANGE[field]);
    return quantity.ok ? quantity.value.value : null;
  };
  const base = { input: null, made: null, main, backing, problems: [] };
  const observations = observationsOf(draft, read, system);
  const next = missing(draft, main, backing, observations, read);
  if (next !== '' || !main) return { ...base, next };
  const length = read('mainLength', 'line-length');
  const layers: LayerRequest[] = backing
    ? [lineLayer('backing', backing, 'fits'), lineLayer('main', main, length ?? 0)]
    : [lineLayer('main', main, 'fits')];
  const input: PlanInput = {
    observations,
    request: { layers, gap: read('gap', 'small-length') ?? 0, gear: read('gear', 'ratio') ?? 1 },
  };
  const made = makePlan(input);
  return made.ok
    ? { ...base, input, made: made.value, next: '' }
    : { ...base, next: '', problems: made.issues.map(({ sentence }) => sentence) };
}

const lineLayer = (role: 'backing' | 'main', { product }: Piece, length: number | 'fits'): LayerRequest => ({
  kind: 'line',
  id: role,
  role,
  line: { key: product.code, material: product.material, diameter: product.diameter },
  length,
});

type Read = (field: keyof typeof FIELD_RANGE, dimension: Dimension) => number | null;

function observationsOf(draft: BookingDraft, read: Read, system: UnitSystem): Observation[] {
  const ratings = [draft.rating1, draft.rating2].flatMap((text): Observation[] => {
    const rating = text.trim() === '' ? null : parseRating(text, system);
    return rating?.ok ? [{ kind: 'rating', ...rating.value }] : [];
  });
  const lip = read('lip', 'small-length');
  const width = read('width', 'small-length');
  const arbor = read('arbor', 'small-length');
  return [
    ...ratings,
    ...(lip === null ? [] : [{ kind: 'lip' as const, diameter: lip }]),
    ...(width === null ? [] : [{ kind: 'width' as const, width }]),
    ...(arbor === null ? [] : [{ kind: 'arbor' as const, diameter: arbor }]),
  ];
}

/** The next thing to type before there can be a plan. */
function missing(
  draft: BookingDraft,
  main: Piece | undefined,
  backing: Piece | undefined,
  observations: readonly Observation[],
  read: Read,
): string {
  if (observations.length === 0) return 'Type what the spool says, like 210 × 0.25, or measure its lip.';
  if (!main) return 'Choose the piece the main line comes from.';
  if (read('gear', 'ratio') === null) return 'Type the gear ratio, like 5.2:1, so that turns can be counted.';
  if (read('gap', 'small-length') === null) return 'Type how far below the lip to stop.';
  if (draft.underneath !== 'backing') return '';
  if (read('mainLength', 'line-length') === null) return 'Type how much main line the customer wants.';
  if (!backing) return 'Choose the piece the backing comes from, or fill with main only.';
  return '';
}
