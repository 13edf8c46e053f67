import type { CustomerReel, PlannedCut, Wants } from '@yard-spool/contract';
import {
  formatQuantity,
  levelText,
  packText,
  parseQuantity,
  saysMaterial,
  type Dimension,
  type LayerRequest,
  type PlanInput,
  type UnitSystem,
} from '@yard-spool/core';
import { joinText } from './draft-join';
import { fitsUnlessSaid } from './draft-missing';
import { byLine, SOURCES, type DraftLayer } from './draft-sources';
import { QUANTITY_FIELDS, QUANTITY_NAMES, type StoredFigures } from './quantity-fields';
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
    if (dimension === 'count') return String(value);
    if (dimension === 'ratio') return `${String(Number(value.toPrecision(TYPED_DIGITS)))}:1`;
    const other: UnitSystem = system === 'metric' ? 'imperial' : 'metric';
    const exact = [system, other].flatMap((one) => exactly(value, dimension, one) ?? []);
    return exact[0] ?? `${String(value)} ${formatQuantity(value, dimension).unit}`;
  };

/** The figure in one system with few digits, if it reads back as the same. */
function exactly(value: number, dimension: Dimension, system: UnitSystem): string | null {
  const { unit } = formatQuantity(0, dimension, system);
  const onRule = formatQuantity(value, dimension, system).text.replaceAll('\u00a0', ' ');
  if (dimension === 'small-length' && system === 'imperial' && readsAs(onRule, value, dimension))
    return onRule;
  const one = parseQuantity(`1 ${unit}`, dimension);
  if (!one.ok) return null;
  const text = `${String(Number((value / one.value.value).toPrecision(TYPED_DIGITS)))} ${unit}`;
  return readsAs(text, value, dimension) ? text : null;
}

function readsAs(text: string, value: number, dimension: Dimension): boolean {
  const back = parseQuantity(text, dimension);
  return back.ok && Math.abs(back.value.value - value) <= 1e-12 * Math.abs(value);
}

/** The figures that were kept, as the fields of a draft; empty where nobody said them. */
function figuresOf(kept: StoredFigures, system: UnitSystem): Facts {
  const write = writer(system);
  return Object.fromEntries(
    QUANTITY_NAMES.flatMap((name): [string, string][] => {
      const { dimension, kept: figureIn } = QUANTITY_FIELDS[name];
      const figure = figureIn?.(kept) ?? null;
      return figure === null ? [] : [[name, write(figure, dimension)]];
    }),
  );
}

/** What is known of a spool, as the fields of a draft. */
export function factsOf(kept: StoredFigures, system: UnitSystem): Facts {
  const { observations } = kept;
  const write = writer(system);
  const ratings = observations.filter((one) => one.kind === 'rating');
  const depths = observations.filter(({ kind }) => kind === 'depth' || kind === 'stretch');
  const rating = (one: (typeof ratings)[number]): string =>
    one.text ?? `${write(one.length, 'line-length')} × ${write(one.diameter, 'small-length')}`;
  // What a print says of its own material needs no other place to be said.
  const plain = ratings.find(({ text = '' }) => !saysMaterial(text)) ?? ratings[0];
  return {
    ...figuresOf(kept, system),
    rating1: ratings.slice(0, 1).map(rating).join(''),
    // A spool may carry more prints than there are fields.
    rating2: ratings.slice(1).map(rating).join('; '),
    ratedFor: plain?.material === 'braid' ? 'braid' : 'nylon',
    learned: depths.length > 0 ? JSON.stringify(depths) : '',
  };
}

const underneathOf = (layers: readonly LayerRequest[]): Underneath => {
  if (layers.some((layer) => layer.kind === 'line' && layer.role === 'top-shot')) return 'three-layer';
  if (layers.some(({ kind }) => kind === 'tape')) return 'tape';
  const [first, above] = layers.filter((layer) => layer.kind === 'line');
  if (first?.id !== 'backing') return 'main-only';
  const grips =
    typeof first.length === 'number' && first.length <= MOST_GRIP && above?.line.material === 'braid';
  return grips ? 'grip' : 'backing';
};

/** Nylon of no more than this under braid is there for its grip, m. From memory. */
const MOST_GRIP = 20;

interface Kept {
  readonly planInput: PlanInput;
  readonly cuts: readonly PlannedCut[];
  readonly wants: Wants;
  readonly spool: string;
}

/** How what was kept of a plan is written in the fields again. */
class Rewriter {
  private readonly write: ReturnType<typeof writer>;
  private readonly layers: readonly LayerRequest[];
  readonly underneath: Underneath;

  constructor(
    private readonly kept: Kept,
    system: UnitSystem,
    private readonly again: boolean,
  ) {
    this.write = writer(system);
    this.layers = kept.planInput.request.layers;
    this.underneath = underneathOf(this.layers);
  }

  readonly small = (millimetres: number): string => this.write(millimetres, 'small-length');
  readonly length = (metres: number): string => this.write(metres, 'line-length');

  pieceOf(layer: string): string {
    const cut = this.kept.cuts.find((one) => one.layer === layer);
    if (!cut) return layer === 'main' ? this.onIt() : '';
    if (cut.own && this.again) return SOURCES.own;
    return this.again || cut.pieceId === null ? byLine(cut.productCode) : String(cut.pieceId);
  }

  /** Line that came with the reel: turned, or left as it was. */
  private onIt(): string {
    const { endForEnd, counterOnly } = this.kept.wants;
    if (counterOnly) return SOURCES.stays;
    return endForEnd ? SOURCES.turned : '';
  }

  /** The pieces backing is joined from; another fill is cut from whichever there are then. */
  joined(): string {
    const [first, second] = this.kept.cuts.filter(({ layer }) => layer === 'backing');
    if (this.again || first?.pieceId == null || second?.pieceId == null) return '';
    return joinText({ first: first.pieceId, second: second.pieceId, firstMm: first.lengthMm });
  }

  amountOf(id: DraftLayer): string {
    const layer = this.layers.find((one) => one.id === id);
    if (layer?.kind !== 'line') return '';
    const takes = this.kept.cuts.find((one) => one.layer === id)?.takes;
    if (takes === 'rest') return 'what is left';
    if (takes) return packText(takes.pack, this.packHeld(layer, takes.pack));
    if (layer.length === 'fits') return fitsUnlessSaid(this.underneath, id) ? '' : 'as much as fits';
    return typeof layer.length === 'number' ? this.length(layer.length) : levelText(layer.length, this.small);
  }

  /** What the pack held that a layer was a share of, so that another time it is that pack again, or as many metres. */
  private packHeld({ length }: Extract<LayerRequest, { kind: 'line' }>, share: number): string {
    if (!this.again) return '';
    return typeof length === 'number' ? this.length(Number((length / share).toPrecision(TYPED_DIGITS))) : '';
  }

  /** Line that is not the shop's. */
  own(): Facts {
    const notShops = Object.values(SOURCES) as string[];
    const own = this.layers.find(
      (layer) => layer.kind === 'line' && notShops.includes(this.pieceOf(layer.id)),
    );
    return own?.kind === 'line'
      ? { ownMaterial: own.line.material, ownDiameter: this.small(own.line.diameter) }
      : {};
  }

  private get old() {
    return this.layers.filter((layer) => layer.kind === 'retained');
  }

  /** How much old line stays on: up to a level, or in all. */
  oldLine(): Facts {
    const top = this.old.at(-1)?.left;
    if (!top) return {};
    if (!('length' in top)) return { kept: levelText(top, this.small) };
    const metres = this.old.reduce((sum, { left }) => sum + ('length' in left ? left.length : 0), 0);
    return { kept: this.length(metres) };
  }
}

/**
 * A reel as it was planned, as the draft that would plan it again.
 *
 * @param again whether it is for another fill: the same line then, from whichever piece there is now
 */
export function reelFromPlan(
  reel: Pick<CustomerReel, 'tag' | 'type' | 'label'> & Partial<Pick<CustomerReel, 'on' | 'looks'>>,
  kept: Kept,
  system: UnitSystem,
  again = false,
): ReelDraft {
  const { planInput, wants, spool } = kept;
  const { gap, gear, layers } = planInput.request;
  const { observations, assumed } = planInput;
  const rewrite = new Rewriter(kept, system, again);
  const { underneath } = rewrite;
  const backing = rewrite.amountOf('backing');
  return {
    ...emptyReel(),
    ...factsOf({ observations, gear, assumed, layers, gap, wants }, system),
    tag: reel.tag,
    type: reel.type,
    label: reel.label,
    looks: reel.looks ?? '',
    lies: liesOf(reel.on),
    spool: spool === 'own' ? '' : spool,
    ...rewrite.oldLine(),
    ...rewrite.own(),
    mainPiece: rewrite.pieceOf('main'),
    mainLength: rewrite.amountOf('main'),
    backingPiece: rewrite.pieceOf('backing'),
    joined: rewrite.joined(),
    ...belowMain(underneath, backing),
    topPiece: rewrite.pieceOf('top'),
    topLength: rewrite.amountOf('top') || emptyReel().topLength,
    ...wanted(wants),
    underneath,
  };
}

/** A reel of which nobody has planned anything: what it is, and what lies on it by the record. */
export const knownReel = ({ tag, type, label, looks, on }: Omit<CustomerReel, 'last'>): ReelDraft => ({
  ...emptyReel(),
  tag,
  type,
  label,
  looks,
  lies: liesOf(on),
});

const liesOf = (on: CustomerReel['on'] | undefined): string =>
  on && on.length > 0 ? JSON.stringify(on) : '';

const belowMain = (underneath: Underneath, amount: string): Facts => {
  if (underneath === 'three-layer') return { cushionLength: amount || emptyReel().cushionLength };
  return underneath === 'grip' ? { gripLength: amount || emptyReel().gripLength } : { backingLength: amount };
};

/** What the customer wants beside the line itself, in words. */
const wanted = (wants: Wants): Facts => ({
  onItNow: wants.onItNow,
  leader: wants.leader,
  mainFirst: wants.mainFirst ? 'yes' : '',
});
