import * as v from 'valibot';
import { PaperQuerySchema } from '../paper';
import { DrawingQuerySchema, RecordQuerySchema } from '../record-file';
import { NothingSchema } from '../basics';
import { MakerWordsSchema, ProductSchema } from '../products';
import {
  ChangePieceSchema,
  CountPieceSchema,
  LedgerQuerySchema,
  MassSampleSchema,
  NewPieceSchema,
  byPackCode,
  PackSchema,
  PieceSchema,
  PieceWithLedgerSchema,
  RackQuerySchema,
  WeighPieceSchema,
  WriteOffSchema,
} from '../rack';
import {
  byFileName,
  ExportRackSchema,
  ImportRackSchema,
  ImportResultSchema,
  WaitingBytesSchema,
  WaitingFileSchema,
} from '../rack-files';
import { StockListFoundSchema, StockListSchema } from '../stock-list';
import { pageOf } from '../pages';
import { NewRecyclingSchema, RecyclingBookSchema } from '../recycling';
import { ReorderSchema } from '../reorder';
import { route } from '../route';
import { ScaleReadingSchema } from '../scale';
import { NewTubSchema, SoakPieceSchema, TubSchema } from '../tubs';
import { byId, byCode } from './params';

/** The line rack, its tubs and bins, and its files. */
export const rackApi = {
  listProducts: route('GET', '/products', { reply: v.array(ProductSchema) }),
  learnMass: route('POST', '/products/:id/mass', {
    params: byId,
    body: MassSampleSchema,
    reply: ProductSchema,
  }),
  /** What its maker says of a line; nothing of it takes away what was written down. */
  writeMaker: route('PUT', '/products/:id/maker', {
    params: byId,
    body: MakerWordsSchema,
    reply: ProductSchema,
  }),
  /** Every piece that something can be cut from. */
  listPieces: route('GET', '/pieces', { reply: v.array(PieceSchema) }),
  listRack: route('GET', '/rack', { query: RackQuerySchema, reply: pageOf(PieceSchema) }),
  /** What a bar code on a pack stands for here. */
  readPack: route('GET', '/packs/:code', { params: byPackCode, reply: PackSchema }),
  /** What another piece of a line is, by the last one of it; null where there was none. */
  readNextOf: route('GET', '/products/:id/next-piece', { params: byId, reply: v.nullable(PackSchema) }),
  receivePiece: route('POST', '/pieces', { body: NewPieceSchema, reply: PieceSchema }),
  readPiece: route('GET', '/pieces/:code', {
    params: byCode,
    query: LedgerQuerySchema,
    reply: PieceWithLedgerSchema,
  }),
  changePiece: route('PUT', '/pieces/:code', {
    params: byCode,
    body: ChangePieceSchema,
    reply: PieceSchema,
  }),
  countPiece: route('POST', '/pieces/:code/count', {
    params: byCode,
    body: CountPieceSchema,
    reply: PieceSchema,
  }),
  weighPiece: route('POST', '/pieces/:code/weigh', {
    params: byCode,
    body: WeighPieceSchema,
    reply: PieceSchema,
  }),
  writeOffPiece: route('POST', '/pieces/:code/write-off', {
    params: byCode,
    body: WriteOffSchema,
    reply: PieceSchema,
  }),
  restorePiece: route('POST', '/pieces/:code/restore', {
    params: byCode,
    body: NothingSchema,
    reply: PieceSchema,
  }),
  readScale: route('GET', '/scale', { reply: ScaleReadingSchema }),
  listTubs: route('GET', '/tubs', { reply: v.array(TubSchema) }),
  addTub: route('POST', '/tubs', { body: NewTubSchema, reply: TubSchema }),
  changeTub: route('PUT', '/tubs/:id', { params: byId, body: NewTubSchema, reply: TubSchema }),
  removeTub: route('DELETE', '/tubs/:id', { params: byId, reply: NothingSchema }),
  soakPiece: route('POST', '/tubs/:id/soaks', { params: byId, body: SoakPieceSchema, reply: TubSchema }),
  takeOut: route('POST', '/soaks/:id/out', { params: byId, body: NothingSchema, reply: TubSchema }),
  putBack: route('POST', '/soaks/:id/back', { params: byId, body: NothingSchema, reply: TubSchema }),
  readRecycling: route('GET', '/recycling', { reply: RecyclingBookSchema }),
  recycle: route('POST', '/recycling', { body: NewRecyclingSchema, reply: RecyclingBookSchema }),
  readReorder: route('GET', '/reorder', { reply: ReorderSchema }),
  /** Files in the shop's inbox folder, the latest first; one of them; and one that was imported out of the way. */
  listWaitingFiles: route('GET', '/inbox', { reply: v.array(WaitingFileSchema) }),
  readWaitingFile: route('GET', '/inbox/:name', { params: byFileName, reply: WaitingBytesSchema }),
  putAwayFile: route('POST', '/inbox/:name/done', { params: byFileName, reply: NothingSchema }),
  /** A shop's own list of what lies on its rack, looked at or taken. */
  readStockList: route('POST', '/stock-lists', { body: StockListSchema, reply: StockListFoundSchema }),
  importRack: route('POST', '/rack-files', { body: ImportRackSchema, reply: ImportResultSchema }),
} as const;

/** Files that are sent while they are made: their address and what they are asked with. */
export const files = {
  /** Products, pieces, the ledger or the reel book; columns as in `FILE_COLUMNS`. */
  exportRack: { path: '/rack-files', query: ExportRackSchema },
  /** The record of a reel, or of all of a customer's. */
  record: { path: '/record-file', query: RecordQuerySchema },
  /** A fill's section or rule as SVG. */
  drawing: { path: '/drawing', query: DrawingQuerySchema },
  /** The whole shop. */
  shop: { path: '/shop-file', query: NothingSchema },
  /** What to order, as a table for a supplier. */
  order: { path: '/order-file', query: NothingSchema },
  /** What goes on paper, as PDF. */
  paper: { path: '/paper', query: PaperQuerySchema },
} as const;
