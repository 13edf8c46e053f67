import type { CutFigures, CutsPlan, LayerOfPlan, PieceOfPlan } from '@yard-spool/contract';

/** A line with its pieces, and its layers that get none. */
export interface LineOfPlan {
  readonly code: string;
  readonly name: string;
  readonly pieces: readonly PieceOfPlan[];
  /** The longest of its pieces, mm: bars are drawn against it. */
  readonly longestMm: number;
  readonly without: readonly { readonly layer: LayerOfPlan; readonly why: string }[];
  /** Layers that are cut from another piece than they are booked on. */
  readonly changes: number;
}

export const layerKey = ({ jobId, layer }: Pick<LayerOfPlan, 'jobId' | 'layer'>): string =>
  `${String(jobId)}:${layer}`;

/** Whether a plan changes anything for a layer. */
export const isMoved = (layer: LayerOfPlan): boolean =>
  layer.planned !== null && (isElsewhere(layer) || (!layer.comes && layer.givenMm < layer.wantedMm));

/** Whether it is off another piece than it is booked on; joined, off another two. */
export const isElsewhere = (layer: LayerOfPlan): boolean =>
  layer.comes ? layer.now !== null : piecesNow(layer) !== piecesPlanned(layer);

/** The codes of the pieces a layer is booked on, and of those the plan has it from; none for none. */
export const piecesNow = ({ now, nowJoined }: LayerOfPlan): string => codes(now, nowJoined);
export const piecesPlanned = ({ planned, plannedJoined, comes }: LayerOfPlan): string =>
  comes ? 'line on order' : codes(planned, plannedJoined);

/** What a piece is called: line on order has no code yet. */
export const pieceName = ({ code, comesAt }: Pick<PieceOfPlan, 'code' | 'comesAt'>): string =>
  comesAt === null ? code : 'On order';

const codes = (...of: readonly (string | null)[]): string =>
  of
    .filter((code) => code !== null)
    .sort()
    .join(' and ');

/** What is asked of each line: those with a change or a lack first. */
export function linesOf({ pieces, layers, shortages }: CutsPlan): LineOfPlan[] {
  const lacking = new Set(shortages.map(layerKey));
  const codes = [...new Set(layers.map(({ line }) => line))];
  return codes
    .map((code): LineOfPlan => {
      const own = pieces.filter(({ product }) => product.code === code);
      const asking = layers.filter(({ line }) => line === code);
      return {
        code,
        name: own[0]?.product.name ?? code,
        pieces: own,
        longestMm: Math.max(1, ...own.map(({ freeMm }) => freeMm)),
        without: asking
          .filter(({ planned }) => planned === null)
          .map((layer) => ({
            layer,
            why: lacking.has(layerKey(layer)) ? 'no piece has enough left' : 'waits for the rest of its line',
          })),
        changes: asking.filter(isMoved).length,
      };
    })
    .sort((a, b) => weightOf(b) - weightOf(a) || a.name.localeCompare(b.name));
}

const weightOf = ({ changes, without }: LineOfPlan): number => 1000 * without.length + changes;

/** What one plan comes to beside another, worst first; empty where they are alike. */
export function costOf(before: CutFigures, after: CutFigures, length: (metres: number) => string): string[] {
  const more = (mm: number): string => `${length(Math.abs(mm) / 1000)} ${mm > 0 ? 'more' : 'less'}`;
  const count = (n: number, one: string, many: string): string =>
    `${String(Math.abs(n))} ${Math.abs(n) === 1 ? one : many} ${n > 0 ? 'more' : 'fewer'}`;
  const unserved = after.unserved - before.unserved;
  const opened = after.opened - before.opened;
  const short = after.shortMm - before.shortMm;
  const scrap = after.scrapMm - before.scrapMm;
  return [
    ...(unserved === 0 ? [] : [`${count(unserved, 'reel', 'reels')} without line`]),
    ...(Math.abs(short) < SAME_MM ? [] : [`${more(short)} main given up`]),
    ...(opened === 0 ? [] : [`${count(opened, 'piece', 'pieces')} opened`]),
    ...(Math.abs(scrap) < SAME_MM ? [] : [`${more(scrap)} scrap`]),
  ];
}

const SAME_MM = 100;

/** How sure a plan is, in a sentence. */
export function sureness({ looking, open: [first] }: CutsPlan): string {
  if (looking) return 'A better plan is being looked for.';
  return first ? UNPROVEN[first.level] : 'Nothing better exists: this is proven.';
}

/** What is said where a level is the first that is not proven. */
const UNPROVEN: Readonly<Record<CutsPlan['open'][number]['level'], string>> = {
  unserved: 'There may be a better plan: the number of reels without line is not proven.',
  shortMm: 'There may be a better plan: the metres given up are not proven.',
  waits: 'There may be a better plan: the number of reels that wait for line on order is not proven.',
  opened: 'There may be a better plan: the number of pieces opened is not proven.',
  scrapMm: 'There may be a better plan: the metres of scrap are not proven.',
  joins: 'Nothing wastes less: this is proven. Fewer joins might do.',
  moved: 'Nothing wastes less: this is proven. Fewer changes might do.',
  order: 'Nothing wastes less: this is proven. An older piece might still go first somewhere.',
};
