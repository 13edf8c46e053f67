import type { Wants } from '@yard-spool/contract';
import {
  OLD_LINE,
  type Allowed,
  type Dimension,
  type LayerRequest,
  type Observation,
  type PlanInput,
} from '@yard-spool/core';

/** What was kept of a reel, as far as its figures stand in it. */
export interface StoredFigures {
  readonly observations: readonly Observation[];
  readonly gear: number;
  readonly assumed?: PlanInput['assumed'];
  readonly layers?: readonly LayerRequest[];
  /** mm; as it was planned, whoever said it. */
  readonly gap?: number | undefined;
  readonly wants?: Wants;
}

/** Fields that say something only together with another's figure. */
type ToldWith = 'farArbor' | 'gear';

/** A field of a reel that holds a figure: the one place where a draft's figure and a plan's are the same. */
interface QuantityField {
  readonly dimension: Dimension;
  /** What it takes, in the core's units. */
  readonly range: Allowed;
  /** What it is called where it cannot be read. */
  readonly name: string;
  /** What the figure says of the spool; left out where it says nothing of it. */
  readonly says?: (value: number, other: (field: ToldWith) => number | null) => Observation | null;
  /** The figure as it was kept; null where nobody said it, and left out where it is told by more than itself. */
  readonly kept?: (kept: StoredFigures) => number | null;
}

type Kind<K extends Observation['kind']> = Extract<Observation, { kind: K }>;

const seen = <K extends Observation['kind']>(
  { observations }: StoredFigures,
  kind: K,
  figure: (one: Kind<K>) => number | undefined,
): number | null => {
  const one = observations.findLast((observed): observed is Kind<K> => observed.kind === kind);
  return (one && figure(one)) ?? null;
};

const layer = <K extends LayerRequest['kind']>(
  { layers = [] }: StoredFigures,
  kind: K,
): Extract<LayerRequest, { kind: K }> | undefined =>
  layers.findLast((one): one is Extract<LayerRequest, { kind: K }> => one.kind === kind);

/** Every field of a reel that holds a figure, those that say something of its spool in the order they are told in. */
const FIELDS = {
  gear: {
    dimension: 'ratio',
    range: { min: 0.5, max: 12 },
    name: 'gear ratio',
    kept: ({ gear, assumed }) => (assumed?.includes('gear') ? null : gear),
  },
  lip: {
    dimension: 'small-length',
    range: { min: 12, max: 250 },
    name: 'lip diameter',
    says: (diameter) => ({ kind: 'lip', diameter }),
    kept: (kept) => seen(kept, 'lip', ({ diameter }) => diameter),
  },
  width: {
    dimension: 'small-length',
    range: { min: 3, max: 200 },
    name: 'width',
    says: (width) => ({ kind: 'width', width }),
    kept: (kept) => seen(kept, 'width', ({ width }) => width),
  },
  arbor: {
    dimension: 'small-length',
    range: { min: 4, max: 230 },
    name: 'arbor diameter',
    says: (diameter, other) => {
      const far = other('farArbor');
      return { kind: 'arbor', diameter, ...(far === null ? {} : { farDiameter: far }) };
    },
    kept: (kept) => seen(kept, 'arbor', ({ diameter }) => diameter),
  },
  farArbor: {
    dimension: 'small-length',
    range: { min: 4, max: 230 },
    name: 'far end of the arbor',
    kept: (kept) => seen(kept, 'arbor', ({ farDiameter }) => farDiameter),
  },
  retrieve: {
    dimension: 'line-length',
    range: { min: 0.1, max: 3 },
    name: 'line a turn brings in',
    says: (perTurn, other) => {
      const gear = other('gear');
      return gear === null ? null : { kind: 'retrieve', perTurn, gear };
    },
    kept: (kept) => seen(kept, 'retrieve', ({ perTurn }) => perTurn),
  },
  keptDiameter: {
    dimension: 'small-length',
    range: { min: 0.04, max: 3 },
    name: 'diameter of the old line',
    kept: (kept) => {
      const old = layer(kept, 'retained');
      if (old?.line.key !== OLD_LINE || kept.assumed?.includes('kept-diameter')) return null;
      return old.line.diameter;
    },
  },
  reducer: {
    dimension: 'small-length',
    range: { min: 4, max: 240 },
    name: 'reducer’s diameter',
    kept: (kept) => layer(kept, 'reducer')?.diameter ?? null,
  },
  least: {
    dimension: 'line-length',
    range: { min: 1, max: 5000 },
    name: 'least main they take',
    kept: ({ wants }) => (wants?.leastMm == null ? null : wants.leastMm / 1000),
  },
  gap: {
    dimension: 'small-length',
    range: { min: 0, max: 30 },
    name: 'gap below the lip',
    kept: ({ gap, wants }) => (wants?.gap === 'typed' ? (gap ?? null) : null),
  },
  bevel: {
    dimension: 'small-length',
    range: { min: 0, max: 20 },
    name: 'depth of the bevel',
    kept: ({ wants }) => wants?.bevelMm ?? null,
  },
  drag: {
    dimension: 'strength',
    range: { min: 0.1, max: 60 },
    name: 'drag',
    kept: ({ wants }) => wants?.dragKg ?? null,
  },
  tapeWraps: {
    dimension: 'count',
    range: { min: 0, max: 200 },
    name: 'wraps of tape',
    kept: (kept) => {
      const { wraps = 'fits' } = layer(kept, 'tape') ?? {};
      return wraps === 'fits' ? null : wraps;
    },
  },
  tapeThickness: {
    dimension: 'small-length',
    range: { min: 0.05, max: 3 },
    name: 'tape’s thickness',
    kept: (kept) => layer(kept, 'tape')?.thickness ?? null,
  },
  ownDiameter: { dimension: 'small-length', range: { min: 0.04, max: 3 }, name: 'diameter of their line' },
  ownLength: { dimension: 'line-length', range: { min: 1, max: 20_000 }, name: 'length of their line' },
} as const satisfies Readonly<Record<string, QuantityField>>;

export type QuantityName = keyof typeof FIELDS;

export const QUANTITY_FIELDS: Readonly<Record<QuantityName, QuantityField>> = FIELDS;
export const QUANTITY_NAMES = Object.keys(FIELDS) as readonly QuantityName[];

/** What each takes, for the controls that ask for it. */
export const FIELD_RANGE = Object.fromEntries(
  QUANTITY_NAMES.map((name) => [name, QUANTITY_FIELDS[name].range]),
) as Readonly<Record<QuantityName, Allowed>>;
