import type { LineStyle } from './line-style';

/** A spool cut open: what the section is drawn from. Radii and width in mm. */
export interface SectionView {
  readonly lipRadius: number;
  readonly width: number;
  readonly arborRadius: number;
  readonly layers: readonly SectionLayer[];
  readonly marks: readonly SectionMark[];
}

/** One layer of line, from the arbor outwards. */
export interface SectionLayer {
  readonly inner: number;
  readonly outer: number;
  readonly lineStyle: LineStyle;
  readonly label: string;
}

/** A depth below the lip worth pointing at, mm. */
export interface SectionMark {
  readonly depth: number;
  readonly kind: 'stop' | 'join' | 'now';
  readonly text: string;
}

/** Where everything of a section lies in the drawing, px. */
export interface SectionLayout {
  readonly scale: number;
  /** The rear end is broken off: only the front part of the width is drawn. */
  readonly broken: boolean;
  readonly left: number;
  readonly right: number;
  readonly lip: number;
  readonly arbor: number;
  readonly bottom: number;
  readonly layers: readonly {
    readonly layer: SectionLayer;
    readonly y: number;
    readonly height: number;
    /** As much of the label as fits across the layer; empty where nothing does. */
    readonly words: string;
  }[];
  readonly ticks: readonly { readonly y: number; readonly long: boolean }[];
  readonly marks: readonly { readonly mark: SectionMark; readonly y: number; readonly labelY: number }[];
}

/** The drawing's box and what must stay free round the spool, px. */
export interface SectionBox {
  readonly width: number;
  readonly height: number;
  readonly aside: { readonly left: number; readonly right: number };
  readonly above: number;
  /** Whether a wide spool may be broken off at the rear, so that its depth fills the drawing. */
  readonly mayBreak?: boolean;
}

/** Least distance between two labels, px. */
const LABEL_GAP = 18;

/** Lays a section out to true scale: the same px per mm across and down. */
export function layoutSection(view: SectionView, box: SectionBox): SectionLayout {
  const deep = view.lipRadius - view.arborRadius;
  const proud = Math.max(0, ...view.layers.map(({ outer }) => outer - view.lipRadius));
  const stub = Math.min(view.arborRadius, deep * 0.35);
  const room = { across: box.width - box.aside.left - box.aside.right, down: box.height - box.above - 4 };
  const byDepth = room.down / (deep + stub + proud);
  const scale = box.mayBreak ? byDepth : Math.min(room.across / view.width, byDepth);
  const across = Math.min(view.width * scale, room.across);
  const left = box.aside.left + (room.across - across) / 2;
  const used = (deep + stub + proud) * scale;
  const lip = box.above + proud * scale + Math.max(0, (room.down - used) / 2);
  const yOf = (radius: number): number => lip + (view.lipRadius - radius) * scale;
  const arbor = yOf(view.arborRadius);
  return {
    scale,
    broken: across < view.width * scale - 1,
    left,
    right: left + across,
    lip,
    arbor,
    bottom: arbor + stub * scale,
    layers: view.layers.map((layer) => ({
      layer,
      y: yOf(layer.outer),
      height: Math.max(0, (layer.outer - layer.inner) * scale),
      words: wordsWithin(layer.label, across),
    })),
    ticks: Array.from({ length: Math.floor(deep) + 1 }, (_, mm) => ({
      y: lip + mm * scale,
      long: mm % 5 === 0,
    })),
    marks: spreadLabels(view.marks.map((mark) => ({ mark, y: lip + mark.depth * scale }))),
  };
}

/** Usual width of a letter of a label, px. */
const LETTER = 7.4;

/** A label whole, or the part before its comma, whichever fits; nothing rather than words that run out of the spool. */
const wordsWithin = (label: string, width: number): string =>
  [label, label.split(',')[0] ?? ''].find((words) => words.length * LETTER <= width) ?? '';

/** Keeps labels apart: from the top down, each at least a line below the one before, none above the lip's own. */
function spreadLabels<T extends { readonly y: number }>(marks: readonly T[]): (T & { labelY: number })[] {
  let lowest = -Infinity;
  return [...marks]
    .sort((a, b) => a.y - b.y)
    .map((mark) => {
      lowest = Math.max(mark.y, lowest + LABEL_GAP);
      return { ...mark, labelY: lowest };
    });
}
