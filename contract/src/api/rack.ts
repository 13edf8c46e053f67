import * as v from 'valibot';
import { NothingSchema } from '../basics';
import {
  AsOfSchema,
  ChangePieceSchema,
  CountPieceSchema,
  LedgerQuerySchema,
  MassSampleSchema,
  NewPieceSchema,
  PieceSchema,
  PieceWithLedgerSchema,
  ProductSchema,
  WeighPieceSchema,
  WriteOffSchema,
} from '../rack';
import { ExportRackSchema, ExportedFileSchema, ImportRackSchema, ImportResultSchema } from '../rack-files';
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
  listPieces: route('GET', '/pieces', { query: AsOfSchema, reply: v.array(PieceSchema) }),
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
  readScale: route('GET', '/scale', { reply: ScaleReadingSchema }),
  listTubs: route('GET', '/tubs', { reply: v.array(TubSchema) }),
  addTub: route('POST', '/tubs', { body: NewTubSchema, reply: TubSchema }),
  changeTub: route('PUT', '/tubs/:id', { params: byId, body: NewTubSchema, reply: TubSchema }),
  removeTub: route('DELETE', '/tubs/:id', { params: byId, reply: NothingSchema }),
  soakPiece: route('POST', '/tubs/:id/soaks', { params: byId, body: SoakPieceSchema, reply: TubSchema }),
  takeOut: route('POST', '/soaks/:id/out', { params: byId, body: NothingSchema, reply: TubSchema }),
  readRecycling: route('GET', '/recycling', { reply: RecyclingBookSchema }),
  recycle: route('POST', '/recycling', { body: NewRecyclingSchema, reply: RecyclingBookSchema }),
  readReorder: route('GET', '/reorder', { reply: ReorderSchema }),
  exportRack: route('GET', '/rack-files', { query: ExportRackSchema, reply: ExportedFileSchema }),
  importRack: route('POST', '/rack-files', { body: ImportRackSchema, reply: ImportResultSchema }),
} as const;
