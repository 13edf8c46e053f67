import { markWords } from '../plan/judge-gap';
import { formatCount } from '../quantities/format-quantity';
import type { LineStyle } from '../drawing/line-style';
import type { RuleStretch } from '../drawing/rule-stretch';
import type { SectionView } from '../drawing/section-layout';
import type { Line } from '../lines/line';
import type { SpoolGeometry } from '../spool/spool-geometry';

/** A layer of a fill as it is drawn: radii in mm. */
export interface DrawnLayer {
  readonly role: string;
  readonly pieceKind: string | null;
  readonly line: Line;
  readonly tint: string;
  readonly lengthMm: number;
  readonly handleTurns: number;
  readonly innerRadius: number;
  readonly outerRadius: number;
}

/** A fill as it is drawn: gaps in mm, null where nobody read it. */
export interface DrawnFill {
  readonly spool: SpoolGeometry;
  readonly layers: readonly DrawnLayer[];
  readonly gapByCount: number;
  readonly gapRead: number | null;
}

/** How lengths are said where something is drawn: metres of line, millimetres of spool. */
export interface SayLengths {
  readonly length: (metres: number) => string;
  readonly small: (millimetres: number) => string;
}

/** How a layer that went on is drawn: stripped line apart from any new one. */
export const fillStyle = ({
  pieceKind,
  line,
  tint,
}: Pick<DrawnLayer, 'pieceKind' | 'line' | 'tint'>): LineStyle => ({
  texture: pieceKind === 'salvage' ? 'salvage' : line.material,
  tint,
});

/** The section of a fill: its layers, the gap as read (as counted where nobody read it) and the joins. */
export function fillSection({ spool, layers, gapByCount, gapRead }: DrawnFill, say: SayLengths): SectionView {
  const gap = gapRead ?? gapByCount;
  return {
    ...spool,
    layers: layers.map((layer) => ({
      inner: layer.innerRadius,
      outer: layer.outerRadius,
      lineStyle: fillStyle(layer),
      label: `${say.length(layer.lengthMm / 1000)} ${layer.role}, ${formatCount(layer.handleTurns)} turns`,
    })),
    marks: [
      { kind: 'now', depth: gap, text: markWords(gap, 'gap', say.small) },
      ...layers.slice(0, -1).map(({ outerRadius }) => {
        const depth = spool.lipRadius - outerRadius;
        return { kind: 'join' as const, depth, text: `${say.small(depth)} join` };
      }),
    ],
  };
}

/** The length rule of a fill: every layer from the arbor outwards. */
export const fillStretches = ({ layers }: Pick<DrawnFill, 'layers'>): RuleStretch[] =>
  layers.map((layer, i) => ({
    metres: layer.lengthMm / 1000,
    lineStyle: fillStyle(layer),
    label: layer.role,
    joined: i > 0,
  }));
