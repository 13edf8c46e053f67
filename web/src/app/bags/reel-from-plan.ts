import type { CustomerReel, PlannedCut, Wants } from '@yard-spool/contract';
import {
  formatQuantity,
  levelText,
  packText,
  parseQuantity,
  type Dimension,
  type LayerRequest,
  type Observation,
  type PlanInput,
  type UnitSystem,
} from '@yard-spool/core';
import { fitsUnlessSaid } from './draft-missing';
import { byLine, SOURCES, type DraftLayer } from './draft-sources';
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

/**
 * A reel as it was planned, as the draft that would plan it again.
 *
 * @param again whether it is for another fill: the same line then, from whichever piece there is now
 */
export function reelFromPlan(
  reel: Pick<CustomerReel, 'tag' | 'type' | 'label'>,
  { planInput, cuts, wants, spool }: Kept,
  system: UnitSystem,
  again = false,
): ReelDraft {
  const write = writer(system);
  const { layers, gap, gear } = planInput.request;
  const assumed = planInput.assumed ?? [];
  const small = (millimetres: number): string => write(millimetres, 'small-length');
  const length = (metres: number): string => write(metres, 'line-length');
  const underneath = underneathOf(layers);
  const pieceOf = (layer: string): string => {
    const cut = cuts.find((one) => one.layer === layer);
    if (!cut) return layer === 'main' && wants.endForEnd ? SOURCES.turned : '';
    if (cut.own && again) return SOURCES.own;
    return again || cut.pieceId === null ? byLine(cut.productCode) : String(cut.pieceId);
  };
  const amountOf = (id: DraftLayer): string => {
    const layer = layers.find((one) => one.id === id);
    if (layer?.kind !== 'line') return '';
    const takes = cuts.find((one) => one.layer === id)?.takes;
    if (takes) return takes === 'rest' ? 'what is left' : packText(takes.pack);
    if (layer.length === 'fits') return fitsUnlessSaid(underneath, id) ? '' : 'as much as fits';
    return typeof layer.length === 'number' ? length(layer.length) : levelText(layer.length, small);
  };
  const own = layers.find(
    (layer) => layer.kind === 'line' && (Object.values(SOURCES) as string[]).includes(pieceOf(layer.id)),
  );
  const kept = layers.find((layer) => layer.kind === 'retained');
  const reducer = layers.find((layer) => layer.kind === 'reducer');
  const tape = layers.find((layer) => layer.kind === 'tape');
  return {
    ...emptyReel(),
    ...factsOf(planInput.observations, gear, system),
    tag: reel.tag,
    type: reel.type,
    label: reel.label,
    spool: spool === 'own' ? '' : spool,
    onItNow: wants.onItNow,
    ...(assumed.includes('gear') ? { gear: '' } : {}),
    ...(kept
      ? {
          kept: 'length' in kept.left ? length(kept.left.length) : levelText(kept.left, small),
          keptDiameter: assumed.includes('kept-diameter') ? '' : small(kept.line.diameter),
        }
      : {}),
    ...(reducer ? { reducer: small(reducer.diameter) } : {}),
    ...(tape && tape.wraps !== 'fits' ? { tapeWraps: String(tape.wraps) } : {}),
    ...(tape ? { tapeThickness: small(tape.thickness) } : {}),
    ...(own?.kind === 'line'
      ? { ownMaterial: own.line.material, ownDiameter: small(own.line.diameter) }
      : {}),
    mainPiece: pieceOf('main'),
    mainLength: amountOf('main'),
    backingPiece: pieceOf('backing'),
    ...(underneath === 'three-layer'
      ? { cushionLength: amountOf('backing') || emptyReel().cushionLength }
      : { backingLength: amountOf('backing') }),
    topPiece: pieceOf('top'),
    topLength: amountOf('top') || emptyReel().topLength,
    least: wants.leastMm === null ? '' : write(wants.leastMm / 1000, 'line-length'),
    leader: wants.leader,
    drag: wants.dragKg === null ? '' : write(wants.dragKg, 'strength'),
    mainFirst: wants.mainFirst ? 'yes' : '',
    gap: gap === undefined || wants.gap !== 'typed' ? '' : write(gap, 'small-length'),
    bevel: wants.bevelMm === null ? '' : write(wants.bevelMm, 'small-length'),
    underneath,
  };
}
