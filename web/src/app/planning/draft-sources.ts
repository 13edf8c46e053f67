import type { BroughtLine, Piece, Product } from '@yard-spool/contract';
import {
  booksOff,
  freeOn,
  type HouseRules,
  isSealed,
  type LayerRole,
  type Line,
  LINE_TINTS,
  type LineStyle,
  lineOf,
  type Material,
  MATERIALS,
  ownLineCode,
  type ProposedPiece,
  proposePiece,
  soakAdvice,
  type TakenLine,
  waterState,
} from '@yard-spool/core';
import { pieceStyle } from '../drawing/piece-style';
import type { Read } from './draft-fields';
import { onRecord, turnedOnRecord, type OnRecord } from './on-record';
import type { ReelDraft, Underneath } from './reel-draft';

/** Layers a draft can have line for. */
export const DRAFT_LAYERS = ['main', 'backing', 'top'] as const;
export type DraftLayer = (typeof DRAFT_LAYERS)[number];

/** Line that comes from no piece of the rack: what the customer brings, any other line, and what is on the reel, turned or left. */
export const SOURCES = { own: 'own', other: 'other', turned: 'turned', stays: 'stays' } as const;
/** Line that is on the reel when it comes in. */
export const isOnIt = (from: string): boolean => from === SOURCES.turned || from === SOURCES.stays;
const BY_LINE = 'line:';
/** How a line is chosen, before any piece of it. */
export const byLine = (code: string): string => `${BY_LINE}${code}`;

/** The code of a line that was chosen before any piece of it; null for anything else. */
export const lineChosen = (chosen: string): string | null =>
  chosen.startsWith(BY_LINE) ? chosen.slice(BY_LINE.length) : null;

/** Where the line of a layer comes from, as far as it was said. */
export interface LayerSource {
  readonly line: Line;
  readonly name: string;
  readonly lineStyle: LineStyle;
  readonly product: Product;
  readonly from: 'piece' | 'line' | keyof typeof SOURCES;
  /** Where a piece was chosen, or the customer's own is one. */
  readonly piece: Piece | null;
  /** Pieces of the line, for the rack to propose one. */
  readonly offered: readonly Piece[];
}
export type LayerSources = Readonly<Partial<Record<DraftLayer, LayerSource>>>;

/** Own line is drawn in one tint: what it looks like nobody wrote down. */

/** The rack a draft is planned from. */
export interface DraftRack {
  readonly pieces: readonly Piece[];
  /** Lines the shop knows, on the rack or not. */
  readonly lines: readonly Product[];
}

/** The field that says where the line of a layer comes from. */
export const CHOICE_FIELDS = { main: 'mainPiece', backing: 'backingPiece', top: 'topPiece' } as const;
/** Layers each way to build a reel needs, the main first: it is what they came for. */
export const LAYERS_NEEDED: Readonly<Record<Underneath, readonly DraftLayer[]>> = {
  'main-only': ['main'],
  tape: ['main'],
  grip: ['main', 'backing'],
  backing: ['main', 'backing'],
  'three-layer': ['main', 'backing', 'top'],
};

/** Where the line of each layer of a draft comes from; nothing for a layer nobody has said it of. */
export function sourcesOf(draft: ReelDraft, rack: DraftRack, read: Read): LayerSources {
  return Object.fromEntries(
    LAYERS_NEEDED[draft.underneath].flatMap((layer) => {
      const source = sourceOf(draft[CHOICE_FIELDS[layer]], draft, rack, read);
      return source ? [[layer, source]] : [];
    }),
  );
}

function sourceOf(
  chosen: string,
  draft: ReelDraft,
  { pieces, lines }: DraftRack,
  read: Read,
): LayerSource | null {
  if (chosen in SOURCES) return notFromRack(chosen as keyof typeof SOURCES, draft, read);
  const code = lineChosen(chosen);
  if (code !== null) {
    const offered = pieces.filter(({ product }) => product.code === code);
    const product = lines.find((one) => one.code === code) ?? offered[0]?.product;
    return product ? { ...shared(product), from: 'line', piece: null, offered } : null;
  }
  const piece = pieces.find(({ id }) => String(id) === chosen);
  if (!piece) return null;
  return { ...shared(piece.product), lineStyle: pieceStyle(piece), from: 'piece', piece, offered: [] };
}

const shared = (product: Product) => ({
  product,
  line: lineOf(product),
  name: product.name,
  lineStyle: pieceStyle({ kind: 'bulk', product }),
});

function notFromRack(from: keyof typeof SOURCES, draft: ReelDraft, read: Read): LayerSource | null {
  const known = knownOnIt(from, draft);
  if (known) return { ...shared(asProduct(known)), from, piece: null, offered: [] };
  const own = ownLine(draft, read);
  if (!own) return null;
  const product: Product = {
    id: 0,
    code: ownLineCode(own),
    name: own.name,
    tint: LINE_TINTS.own,
    strengthKg: null,
    mass: null,
    material: own.material,
    diameter: own.diameter,
  };
  const piece = from === 'own' && own.lengthMm > 0 ? ownPiece(product, own) : null;
  return { ...shared(product), from, piece, offered: [] };
}

/** Line that is on the reel, where the record knows it. */
function knownOnIt(from: keyof typeof SOURCES, draft: ReelDraft) {
  if (from === 'turned') return turnedOnRecord(draft);
  return from === 'stays' ? (onRecord(draft)?.layers.at(-1) ?? null) : null;
}

/** A line as it is on record, told as a product: what it is called and looks like. */
const asProduct = ({
  line,
  name,
  tint,
}: Pick<OnRecord['layers'][number], 'line' | 'name' | 'tint'>): Product => ({
  id: 0,
  code: line.key,
  name,
  tint,
  strengthKg: null,
  mass: null,
  material: line.material,
  diameter: line.diameter,
});

/** Line that is not the shop's as it was typed; its length is 0 where nobody said it. Null without a diameter. */
export function ownLine({ ownName, ownMaterial }: ReelDraft, read: Read): BroughtLine | null {
  const diameter = read('ownDiameter');
  if (diameter === null) return null;
  const material: Material = MATERIALS.find((one) => one === ownMaterial) ?? 'nylon';
  const name = ownName.trim() || `${material.replace('-', ' ')} ${diameter.toFixed(2)}`;
  return { name, material, diameter, lengthMm: Math.round(1000 * (read('ownLength') ?? 0)) };
}

/** Two reels that say the same of the line they bring mean the same spool of it. */
export const sameBrought = (line: BroughtLine): string => JSON.stringify(line);

/** The customer's own line as a piece: part of the bag, with a number no piece of the rack has. */
function ownPiece(product: Product, own: BroughtLine): Piece {
  let id = 7;
  for (const letter of sameBrought(own)) id = (31 * id + letter.charCodeAt(0)) % 1_000_000_007;
  return {
    id: -1 - id,
    code: 'their own',
    product,
    kind: 'bulk',
    place: '',
    lot: own.name,
    priceMinor: null,
    tareG: null,
    flangeMm: null,
    coreMm: null,
    newOn: null,
    wound: 'unknown',
    leaves: 'unknown',
    soaking: null,
    wetUntil: null,
    version: 1,
    receivedMm: own.lengthMm,
    lengthMm: own.lengthMm,
    promisedMm: 0,
    opened: true,
    writtenOff: false,
    broughtWith: null,
  };
}

/** What a layer that was said by its line needs of a piece. */
export interface LayerNeeds {
  readonly metres: number;
  readonly doubt: number;
  readonly role: LayerRole;
}

/** An opened piece that has enough, but not often enough. */
export interface Tight {
  readonly code: string;
  readonly serves: number;
}

/** How far the books of a piece may be off, m; not at all where it is as its maker closed it. */
export const offOf = (piece: Piece): number => (isSealed(piece) ? 0 : booksOff(piece));

/** The piece the rack proposes for a layer that was said by its line; null where none has enough. */
export function proposedFor(
  { line, offered }: LayerSource,
  { metres, doubt, role }: LayerNeeds,
  taken: TakenLine,
  rules: HouseRules,
): (Pick<ProposedPiece, 'reason'> & { readonly piece: Piece; readonly tight: Tight | null }) | null {
  const found = proposePiece(
    offered.map((piece) => ({
      id: piece.id,
      kind: piece.kind,
      opened: piece.opened,
      off: offOf(piece),
      free: freeOn(piece, taken) / 1000,
      water: waterState(piece),
    })),
    { metres, doubt, role, soaked: soakAdvice({ line, role, strength: null }.line, rules).hours > 0 },
  );
  const piece = found && offered.find(({ id }) => id === found.id);
  if (!piece) return null;
  const tight = offered.find(({ id }) => id === found.tight?.id);
  return {
    piece,
    reason: found.reason,
    tight: tight && found.tight ? { code: tight.code, serves: found.tight.serves } : null,
  };
}
