import * as v from 'valibot';
import {
  BagRowSchema,
  BagSchema,
  BagsQuerySchema,
  CancelSchema,
  ChangeBagSchema,
  ChangeJobSchema,
  ChangeReelKindSchema,
  CustomerReelSchema,
  JobSchema,
  MergeReelKindsSchema,
  MoveJobSchema,
  NewBagSchema,
  ReelKindSchema,
  TaggedReelSchema,
} from './bags';
import { CodeSchema, IdTextSchema, NothingSchema } from './basics';
import { CustomerSchema, CustomerSearchSchema } from './customers';
import { BenchSchema, ChangeBenchSchema, NewBenchSchema } from './benches';
import {
  ChangePersonSchema,
  FirstPersonSchema,
  MemberSchema,
  NewPasscodeSchema,
  NewPersonSchema,
  PersonSchema,
  SignInSchema,
  SignInSheetSchema,
} from './people';
import {
  HabitsSchema,
  HouseChangeSchema,
  KeptHouseRulesSchema,
  PreviewRulesSchema,
  PreviewSchema,
} from './house-rules';
import { NewOverrideSchema, OverrideSchema } from './overrides';
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
} from './rack';
import { ExportedFileSchema, ExportRackSchema, ImportRackSchema, ImportResultSchema } from './rack-files';
import { NewRecyclingSchema, RecyclingBookSchema } from './recycling';
import { ReorderSchema } from './reorder';
import { ScaleReadingSchema } from './scale';
import { NewTubSchema, SoakPieceSchema, TubSchema } from './tubs';
import { LearningSchema } from './learning';
import { afterOf, pageOf } from './pages';
import { FillSchema, ReelRowSchema, ReelSchema, ReelsQuerySchema } from './reels';
import { route } from './route';
import {
  AddedEventsSchema,
  AppendEventsSchema,
  NewRunSchema,
  OpenRunSchema,
  ReopenRunSchema,
  RunSchema,
} from './runs';

const byId = v.object({ id: IdTextSchema });
const byNumber = v.object({ number: IdTextSchema });
const byCode = v.object({ code: CodeSchema });
const byTag = v.object({ tag: CodeSchema });

/** Everything the server answers, one line each. */
export const api = {
  health: route('GET', '/health', { reply: v.object({ ready: v.boolean() }) }),
  signInSheet: route('GET', '/sign-in', { reply: SignInSheetSchema }),
  addFirstPerson: route('POST', '/sign-in/first', { body: FirstPersonSchema, reply: PersonSchema }),
  signIn: route('POST', '/session', { body: SignInSchema, reply: PersonSchema }),
  whoAmI: route('GET', '/session', { reply: PersonSchema }),
  signOut: route('DELETE', '/session', { reply: NothingSchema }),
  findCustomers: route('GET', '/customers', { query: CustomerSearchSchema, reply: v.array(CustomerSchema) }),
  listBags: route('GET', '/bags', { query: BagsQuerySchema, reply: pageOf(BagRowSchema) }),
  bookBag: route('POST', '/bags', { body: NewBagSchema, reply: BagSchema }),
  readBag: route('GET', '/bags/:number', { params: byNumber, reply: BagSchema }),
  changeBag: route('PUT', '/bags/:number', { params: byNumber, body: ChangeBagSchema, reply: BagSchema }),
  cancelBag: route('POST', '/bags/:number/cancel', {
    params: byNumber,
    body: CancelSchema,
    reply: BagSchema,
  }),
  changeJob: route('PUT', '/jobs/:id', { params: byId, body: ChangeJobSchema, reply: BagSchema }),
  cancelJob: route('POST', '/jobs/:id/cancel', { params: byId, body: CancelSchema, reply: BagSchema }),
  moveJob: route('POST', '/jobs/:id/state', { params: byId, body: MoveJobSchema, reply: BagSchema }),
  listCustomerReels: route('GET', '/customers/:id/reels', {
    params: byId,
    reply: v.array(CustomerReelSchema),
  }),
  readLearning: route('GET', '/learning', { reply: LearningSchema }),
  listReelKinds: route('GET', '/reel-kinds', { reply: v.array(ReelKindSchema) }),
  changeReelKind: route('PUT', '/reel-kinds/:id', {
    params: byId,
    body: ChangeReelKindSchema,
    reply: ReelKindSchema,
  }),
  mergeReelKinds: route('POST', '/reel-kinds/:id/merge', {
    params: byId,
    body: MergeReelKindsSchema,
    reply: ReelKindSchema,
  }),
  readJob: route('GET', '/jobs/:id', { params: byId, reply: JobSchema }),
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
  readHouseRules: route('GET', '/house-rules', { reply: KeptHouseRulesSchema }),
  changeHouseRules: route('PUT', '/house-rules', {
    body: KeptHouseRulesSchema,
    reply: KeptHouseRulesSchema,
  }),
  previewHouseRules: route('POST', '/house-rules/preview', {
    body: PreviewRulesSchema,
    reply: PreviewSchema,
  }),
  listHouseChanges: route('GET', '/house-rules/changes', { reply: v.array(HouseChangeSchema) }),
  readHabits: route('GET', '/house-rules/habits', { reply: HabitsSchema }),
  listOverrides: route('GET', '/overrides', { reply: v.array(OverrideSchema) }),
  setOverride: route('PUT', '/overrides', { body: NewOverrideSchema, reply: OverrideSchema }),
  dropOverride: route('DELETE', '/overrides/:id', { params: byId, reply: NothingSchema }),
  listBenches: route('GET', '/benches', { reply: v.array(BenchSchema) }),
  addBench: route('POST', '/benches', { body: NewBenchSchema, reply: BenchSchema }),
  changeBench: route('PUT', '/benches/:id', { params: byId, body: ChangeBenchSchema, reply: BenchSchema }),
  removeBench: route('DELETE', '/benches/:id', { params: byId, reply: NothingSchema }),
  listPeople: route('GET', '/people', { reply: v.array(MemberSchema) }),
  addPerson: route('POST', '/people', { body: NewPersonSchema, reply: MemberSchema }),
  changePerson: route('PUT', '/people/:id', { params: byId, body: ChangePersonSchema, reply: MemberSchema }),
  setPasscode: route('POST', '/people/:id/passcode', {
    params: byId,
    body: NewPasscodeSchema,
    reply: MemberSchema,
  }),
  findReels: route('GET', '/reels', { query: ReelsQuerySchema, reply: pageOf(ReelRowSchema) }),
  readLastPlan: route('GET', '/reels/:tag/last', { params: byTag, reply: TaggedReelSchema }),
  readReel: route('GET', '/reels/:tag', { params: byTag, reply: ReelSchema }),
  listOpenRuns: route('GET', '/runs', {
    query: v.object({ after: afterOf(/^\d{0,12}$/) }),
    reply: pageOf(OpenRunSchema),
  }),
  startRun: route('POST', '/runs', { body: NewRunSchema, reply: RunSchema }),
  readRun: route('GET', '/runs/:id', { params: byId, reply: RunSchema }),
  appendEvents: route('POST', '/runs/:id/events', {
    params: byId,
    body: AppendEventsSchema,
    reply: AddedEventsSchema,
  }),
  reopenRun: route('POST', '/runs/:id/reopen', { params: byId, body: ReopenRunSchema, reply: RunSchema }),
  closeRun: route('POST', '/runs/:id/close', { params: byId, body: NothingSchema, reply: FillSchema }),
} as const;
