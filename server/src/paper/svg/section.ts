import { darken, layoutSection, type SectionBox, type SectionView } from '@yard-spool/core';
import { ARBOR, INK, JOIN, METAL, MUTE, STOP } from './colours';
import { drawing, element, words } from './element';
import { texture } from './texture';

const BOX: SectionBox = { width: 560, height: 300, aside: { left: 40, right: 164 }, above: 34 };
/** Least height of a layer that has its words in it, px. */
const ROOM = 20;
/** From the spool's front edge to the depth rule, px. */
const TO_RULE = 52;
const MARK = { stop: STOP, join: JOIN, now: INK } as const;

type Lay = ReturnType<typeof layoutSection>;

/**
 * A spool cut open as a drawing of its own: layers to true scale, a depth rule from the lip, joins and gap marked.
 *
 * @param arbor what the arbor measures, in words
 */
export function sectionSvg(view: SectionView, arbor: string): string {
  const lay = layoutSection(view, BOX);
  const told = [...view.layers.map(({ label }) => label), ...view.marks.map(({ text }) => text)];
  return drawing(
    { width: BOX.width, height: BOX.height, title: `Spool cut open. ${told.filter(Boolean).join('; ')}.` },
    element('defs', {}, ...view.layers.map(({ lineStyle }, i) => texture(`line-${String(i)}`, lineStyle))),
    spool(lay),
    ...lay.layers.map((_, i) => layer(lay, i)),
    flanges(lay),
    words({ ...middle(lay), y: lay.arbor + 17, 'font-size': 13, fill: MUTE }, arbor),
    rule(lay),
    ...lay.marks.map((row) => mark(lay, row)),
  );
}

const middle = ({ left, right }: Lay) => ({ x: (left + right) / 2, 'text-anchor': 'middle' });
const line = (
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  more: Record<string, string | number>,
): string => element('line', { x1, y1, x2, y2, ...more });

const spool = ({ left, right, arbor, bottom }: Lay): string =>
  element('rect', { x: left, y: arbor, width: right - left, height: bottom - arbor, fill: ARBOR });

function layer(lay: Lay, i: number): string {
  const row = lay.layers[i];
  if (!row || row.height <= 0) return '';
  const { left, right } = lay;
  const { tint } = row.layer.lineStyle;
  const at = { ...middle(lay), y: row.y + row.height / 2 + 5, 'font-size': 14, 'font-weight': 700 };
  const said = row.height >= ROOM ? row.words : '';
  return [
    element('rect', {
      x: left,
      y: row.y,
      width: right - left,
      height: row.height,
      fill: `url(#line-${String(i)})`,
    }),
    line(left, row.y, right, row.y, { stroke: INK, 'stroke-width': 1.2 }),
    // Words stand out from the texture by an edge of its ground.
    said && words({ ...at, fill: tint, stroke: tint, 'stroke-width': 5, 'stroke-linejoin': 'round' }, said),
    said && words({ ...at, fill: darken(tint, 0.72) }, said),
  ].join('');
}

const flanges = ({ left, right, lip, bottom }: Lay): string => {
  const [l, r, top, down] = [left, right, lip, bottom].map((value) => String(Math.round(value * 100) / 100));
  return [`M${l} ${top}h-14l-7 7V${down}H${l}Z`, `M${r} ${top}h14l9 9V${down}H${r}Z`]
    .map((d) => element('path', { d, fill: METAL }))
    .join('');
};

function rule(lay: Lay): string {
  const x = lay.right + TO_RULE;
  const ink = { stroke: INK, 'stroke-width': 1.3 };
  return [
    line(lay.left - 21, lay.lip, x, lay.lip, { stroke: INK, 'stroke-dasharray': '2 4' }),
    line(x, lay.lip, x, lay.arbor, ink),
    ...lay.ticks.map(({ y, long }) => line(x, y, x + (long ? 10 : 5), y, ink)),
    words({ x: x - 4, y: lay.lip - 8, 'font-size': 13, 'font-weight': 700, fill: INK }, 'lip'),
  ].join('');
}

function mark(lay: Lay, { mark: { kind, text }, y, labelY }: Lay['marks'][number]): string {
  const x = lay.right + TO_RULE;
  const fill = MARK[kind];
  const across =
    kind === 'join'
      ? line(lay.left, y, lay.right, y, { stroke: JOIN, 'stroke-width': 2 })
      : kind === 'stop'
        ? line(lay.left, y, x, y, { stroke: STOP, 'stroke-width': 2, 'stroke-dasharray': '6 4' })
        : '';
  const tip = `M${String(x - 9)} ${String(y - 5)}l9 5l-9 5Z`;
  return [
    across,
    element('path', { d: tip, fill }),
    words({ x: x + 15, y: labelY + 5, 'font-size': 14, 'font-weight': 700, fill }, text),
  ].join('');
}
