import type { FillPlan, SpoolGeometry } from '@yard-spool/core';
import type { LineLook } from './line-look';
import type { RuleStretch } from './length-rule';
import type { SectionView } from './section-layout';

/** What a layer of line is called and how it is drawn, by layer id. */
export interface LayerNames {
  readonly look: (layer: string) => LineLook;
  readonly length: (metres: number) => string;
  readonly small: (millimetres: number) => string;
  /** Turns a layer takes, in words; empty where what is drawn is not what is wound to. */
  readonly turns?: (handleTurns: number) => string;
}

const handleTurnsWords = (turns: number): string => `${turns.toFixed(0)} handle turns`;

/** The section of a plan: its layers, the join and the stop. */
export function planSection(plan: FillPlan, spool: SpoolGeometry, names: LayerNames): SectionView {
  const lines = plan.layers.filter(({ request }) => request.kind === 'line');
  const joins = lines.slice(0, -1).filter(({ length }) => length.value > 0);
  return {
    lipRadius: spool.lipRadius,
    width: spool.width,
    arborRadius: spool.arborRadius,
    layers: lines.map(({ id, request, length, handleTurns, innerRadius, outerRadius }) => ({
      inner: innerRadius,
      outer: outerRadius,
      look: names.look(id),
      label: [
        `${names.length(length.value)} ${request.kind === 'line' ? request.role.replace('-', ' ') : ''}`,
        (names.turns ?? handleTurnsWords)(handleTurns.value),
      ]
        .filter(Boolean)
        .join(', '),
    })),
    marks: [
      { kind: 'stop', depth: plan.gap.value, text: `${names.small(plan.gap.value)} stop` },
      ...joins.map(({ depthAfter }) => ({
        kind: 'join' as const,
        depth: depthAfter.value,
        text: `${names.small(depthAfter.value)} join`,
      })),
    ],
  };
}

/** The length rule of a plan: every layer of line from the arbor outwards. */
export const planStretches = (plan: FillPlan, names: LayerNames): RuleStretch[] =>
  plan.layers
    .filter(({ request }) => request.kind === 'line')
    .map(({ id, request, length }, i) => ({
      metres: length.value,
      look: names.look(id),
      label: request.kind === 'line' ? request.role : '',
      joined: i > 0,
    }));
