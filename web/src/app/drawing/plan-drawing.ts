import {
  formatCount,
  type FillPlan,
  LINE_TINTS,
  type LineStyle,
  markWords,
  type PlannedLayer,
  type RuleStretch,
  type SectionView,
  type SpoolGeometry,
} from '@yard-spool/core';

/** What a layer of line is called and how it is drawn, by layer id. */
export interface LayerNames {
  readonly lineStyle: (layer: string) => LineStyle;
  readonly length: (metres: number) => string;
  readonly small: (millimetres: number) => string;
  /** Turns a layer takes, in words; empty where what is drawn is not what is wound to. */
  readonly turns?: (handleTurns: number) => string;
  /** Whether all of it lies there already: its level is where it stands, and nothing to stop at. */
  readonly stands?: boolean;
}

const handleTurnsWords = (turns: number): string => `${formatCount(turns)} handle turns`;

/** Old line that stays on, and tape: drawn apart from any line of the shop's. */
export const KEPT_STYLE: LineStyle = { texture: 'salvage', tint: LINE_TINTS.kept };
export const TAPE_STYLE: LineStyle = { texture: 'tail', tint: LINE_TINTS.tape };

const styleOf = ({ id, request }: PlannedLayer, names: LayerNames): LineStyle =>
  request.kind === 'retained' ? KEPT_STYLE : request.kind === 'tape' ? TAPE_STYLE : names.lineStyle(id);

/** What a layer is called where it is drawn: how much of what, and the turns it takes. */
function labelOf({ request, length, wraps, handleTurns }: PlannedLayer, names: LayerNames): string {
  switch (request.kind) {
    case 'retained':
      return `${names.length(length.value)} old line kept`;
    case 'tape':
      return `${wraps.value.toFixed(0)} wraps of tape`;
    case 'line': {
      const turns = (names.turns ?? handleTurnsWords)(handleTurns.value);
      return [`${names.length(length.value)} ${request.role.replace('-', ' ')}`, turns]
        .filter(Boolean)
        .join(', ');
    }
    case 'reducer':
      return '';
  }
}

/** The section of a plan: its layers, old line and tape below them, the join and the stop. */
export function planSection(plan: FillPlan, spool: SpoolGeometry, names: LayerNames): SectionView {
  const drawn = plan.layers.filter(({ request }) => request.kind !== 'reducer');
  const lines = plan.layers.filter(({ request }) => request.kind === 'line' || request.kind === 'retained');
  const joins = lines.slice(0, -1).filter(({ length }) => length.value > 0);
  return {
    lipRadius: spool.lipRadius,
    width: spool.width,
    arborRadius: spool.arborRadius,
    layers: drawn.map((layer) => ({
      inner: layer.innerRadius,
      outer: layer.outerRadius,
      lineStyle: styleOf(layer, names),
      label: labelOf(layer, names),
    })),
    marks: [
      names.stands
        ? { kind: 'now', depth: plan.gap.value, text: markWords(plan.gap.value, 'gap', names.small) }
        : { kind: 'stop', depth: plan.gap.value, text: markWords(plan.gap.value, 'stop', names.small) },
      ...joins.map(({ depthAfter }) => ({
        kind: 'join' as const,
        depth: depthAfter.value,
        text: `${names.small(depthAfter.value)} join`,
      })),
    ],
  };
}

/** The length rule of a plan: every layer of line from the arbor outwards, old line that stays on first. */
export const planStretches = (plan: FillPlan, names: LayerNames): RuleStretch[] =>
  plan.layers
    .filter(({ request }) => request.kind === 'line' || request.kind === 'retained')
    .map((layer, i) => ({
      metres: layer.length.value,
      lineStyle: styleOf(layer, names),
      label: layer.request.kind === 'line' ? layer.request.role : 'kept',
      joined: i > 0,
    }));
