import type { CustomerReel, PlannedCut, Wants } from '@yard-spool/contract';
import {
  formatQuantity,
  parseQuantity,
  type Dimension,
  type LayerRequest,
  type Observation,
  type PlanInput,
  type UnitSystem,
} from '@yard-spool/core';
import { emptyReel, type ReelDraft, type Underneath } from './reel-draft';

type Facts = Partial<ReelDraft>;

/** Digits a person would type; a figure that takes more was typed in the other units. */
const TYPED_DIGITS = 6;

/**
 * Writes a stored figure back as a person would have typed it: in their own units where that reads back as the very same
 * figure, else in the other ones. Nothing stored ever changes by being shown and saved again.
 */
const writer =
  (system: UnitSystem) =>
  (value: number, dimension: Dimension): string => {
    if (dimension === 'ratio') return `${String(Number(value.toPrecision(TYPED_DIGITS)))}:1`;
    const other: UnitSystem = system === 'metric' ? 'imperial' : 'metric';
    const exact = [system, other].flatMap((one) => exactly(value, dimension, one) ?? []);
    return exact[0] ?? `${String(value)} ${formatQuantity(value, dimension).unit}`;
  };

/** The figure in one system with few digits, if it reads back as the same. */
function exactly(value: number, dimension: Dimension, system: UnitSystem): string | null {
  const { unit } = formatQuantity(value, dimension, system);
  const one = parseQuantity(`1 ${unit}`, dimension);
  if (!one.ok) return null;
  const text = `${String(Number((value / one.value.value).toPrecision(TYPED_DIGITS)))} ${unit}`;
  const back = parseQuantity(text, dimension);
  return back.ok && Math.abs(back.value.value - value) <= 1e-12 * Math.abs(value) ? text : null;
}

/** What is known of a spool, as the fields of a draft. */
export function factsOf(observations: readonly Observation[], gear: number, system: UnitSystem): Facts {
  const write = writer(system);
  const ratings = observations.filter((one) => one.kind === 'rating');
  const depths = observations.filter(({ kind }) => kind === 'depth' || kind === 'stretch');
  const rating = (one: (typeof ratings)[number]): string =>
    one.text ?? `${write(one.length, 'line-length')} × ${write(one.diameter, 'small-length')}`;
  const facts: Record<string, string> = {
    gear: write(gear, 'ratio'),
    rating1: ratings.slice(0, 1).map(rating).join(''),
    // A spool may carry more prints than there are fields.
    rating2: ratings.slice(1).map(rating).join(', '),
    ratedFor: ratings[0]?.material === 'braid' ? 'braid' : 'nylon',
    learned: depths.length > 0 ? JSON.stringify(depths) : '',
  };
  for (const one of observations) {
    if (one.kind === 'lip') facts.lip = write(one.diameter, 'small-length');
    if (one.kind === 'width') facts.width = write(one.width, 'small-length');
    if (one.kind === 'retrieve') facts.retrieve = write(one.perTurn, 'line-length');
    if (one.kind === 'arbor') {
      facts.arbor = write(one.diameter, 'small-length');
      if (one.farDiameter !== undefined) facts.farArbor = write(one.farDiameter, 'small-length');
    }
  }
  return facts;
}

const underneathOf = (layers: readonly LayerRequest[]): Underneath => {
  if (layers.some((layer) => layer.kind === 'line' && layer.role === 'top-shot')) return 'three-layer';
  if (layers.some(({ kind }) => kind === 'tape')) return 'tape';
  return layers.some(({ id }) => id === 'backing') ? 'backing' : 'main-only';
};

interface Kept {
  readonly planInput: PlanInput;
  readonly cuts: readonly PlannedCut[];
  readonly wants: Wants;
  readonly spool: string;
}

/** A reel as it was planned, as the draft that would plan it again. */
export function reelFromPlan(
  reel: Pick<CustomerReel, 'tag' | 'type' | 'label'>,
  { planInput, cuts, wants, spool }: Kept,
  system: UnitSystem,
): ReelDraft {
  const write = writer(system);
  const { layers, gap, gear } = planInput.request;
  const pieceOf = (layer: string): string => {
    const cut = cuts.find((one) => one.layer === layer);
    return cut ? String(cut.pieceId) : '';
  };
  const lengthOf = (id: string): string => {
    const layer = layers.find((one) => one.id === id);
    return layer?.kind === 'line' && layer.length !== 'fits' ? write(layer.length, 'line-length') : '';
  };
  const kept = layers.find((layer) => layer.kind === 'retained');
  const reducer = layers.find((layer) => layer.kind === 'reducer');
  return {
    ...emptyReel(),
    ...factsOf(planInput.observations, gear, system),
    tag: reel.tag,
    type: reel.type,
    label: reel.label,
    spool: spool === 'own' ? '' : spool,
    onItNow: wants.onItNow,
    ...(kept
      ? {
          ...('length' in kept.left
            ? { kept: write(kept.left.length, 'line-length') }
            : { keptDepth: write(kept.left.depth, 'small-length') }),
          keptDiameter: write(kept.line.diameter, 'small-length'),
        }
      : {}),
    ...(reducer ? { reducer: write(reducer.diameter, 'small-length') } : {}),
    mainPiece: pieceOf('main'),
    mainLength: lengthOf('main'),
    backingPiece: pieceOf('backing'),
    cushionLength: lengthOf('backing') || emptyReel().cushionLength,
    topPiece: pieceOf('top'),
    topLength: lengthOf('top') || emptyReel().topLength,
    least: wants.leastMm === null ? '' : write(wants.leastMm / 1000, 'line-length'),
    leader: wants.leader,
    drag: wants.dragKg === null ? '' : write(wants.dragKg, 'strength'),
    mainFirst: wants.mainFirst ? 'yes' : '',
    gap: gap === undefined || wants.gap !== 'typed' ? '' : write(gap, 'small-length'),
    bevel: wants.bevelMm === null ? '' : write(wants.bevelMm, 'small-length'),
    underneath: underneathOf(layers),
  };
}
