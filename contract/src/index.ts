import './plain-issues';
export { api } from './api';
export { streams } from './api/bench';
export { files } from './api/rack';
export { CODE_PATTERN, DaySchema, InstantSchema } from './basics';
export { asksAgain, PROOF_MINUTES } from './asks-again';
export { BegunStepSchema, ConfirmStepSchema, StepCodeSchema, type BegunStep } from './second-step';
export { oneLine, someLines, withHiddenSeen } from './hidden';
export { makesOnce, ONCE_HEADER, OnceKeySchema } from './once';
export { route, type Route, type RouteParts } from './route';
export { PROBLEM_CODES, ProblemSchema, type Problem, type ProblemCode } from './problem';
export {
  DemoSchema,
  type Demo,
  NAME_AS_PASSCODE,
  PersonSchema,
  type Member,
  type NewPerson,
  type Person,
  type PersonChange,
  FIRST_WORDS_HEADER,
  type FirstPerson,
  type SignInSheet,
} from './people';
export { type Country, DAY_ORDERS, PAPER_SIZES, type PaperSize } from './country';
export { AUDIT_KINDS, type Audit, type AuditKind, type SignedIn } from './audit';
export type { Network } from './network';
export { PasscodeSchema, isTheirName, LEAST_PASSCODE } from './passcode';
export {
  type CutFigures,
  type CutsPlan,
  type CutTried,
  type LayerOfPlan,
  type PieceOfPlan,
} from './cut-plan';
export {
  USUAL_HOURS,
  type BagInHand,
  type DayPlan,
  type DayRow,
  type DayTried,
  type DayWish,
  type OpenHours,
} from './day';
export type { EarliestPromise, PromiseAsked } from './promise';
export { type Bench, type Device, type NewBench } from './benches';
export { type CounterAtBench } from './counter-of-bench';
export { type NewException, type Exception } from './exceptions';
export type { Customer } from './customers';
export {
  LABEL_SIDES,
  MakerWordsSchema,
  DRY_LINE,
  saysNothing,
  type MakerWords,
  type NewProduct,
  type Product,
  LineCodeSchema,
  NewProductSchema,
} from './products';
export {
  LEAVES,
  MOVE_KINDS,
  NewPieceSchema,
  PIECE_KINDS,
  WOUND_WAYS,
  type Move,
  type PieceChange,
  type PieceCount,
  type PieceFacts,
  type PieceWeighing,
  type NewPiece,
  type Pack,
  type Piece,
  type RackQuery,
  type PieceWithLedger,
  MOST_ON_A_PIECE,
  PIECE_FACTS,
} from './rack';
export { type BroughtLine, type Cut, type PlannedCut } from './cuts';
export type { Soak, Tub } from './tubs';
export { type NewRecycling, type RecyclingBook } from './recycling';
export type { LineOrder } from './line-order';
export type { Reorder, ReorderLine } from './reorder';
export {
  isWaitingName,
  MOST_FILE_BYTES,
  type WaitingFile,
  FILE_COLUMNS,
  MAY_LACK,
  FILE_FORMATS,
  MOST_ROWS,
  RACK_FILES,
  type ImportResult,
  type RackFile,
  ImportRackSchema,
  type RowError,
} from './rack-files';
export { MOST_STOCK_ROWS, StockListSchema, type StockListFound } from './stock-list';
export { MESSAGE_KINDS, type MessageKind } from './wordings';
export type { Habits, HouseChange, SavedHouseRules, Preview, PreviewReel } from './house-rules';
export {
  BAG_GROUPS,
  BagsQuerySchema,
  JOB_STATES,
  NewBagSchema,
  type Bag,
  type BagGroup,
  type BagRow,
  type CustomerReel,
  type Job,
  type JobChange,
  type MoveJob,
  type RestoreJobs,
  type JobState,
  type NewBag,
  type NewJob,
  type ReelKind,
  type Wants,
} from './bags';
export {
  RunFrameSchema,
  type CounterWaiting,
  type OpenRun,
  type Run,
  type RunFrame,
  type RunRules,
} from './runs';
export { RunEventSchema } from './run-events';
export { FillPlanSchema, FillRequestSchema, PlanInputSchema } from './plan';
export { FillSchema, type Fill, type FillLayer, type Reel, type ReelRow } from './reels';
export type { Learning } from './learning';
export { UNREAD_HEADER, type Page } from './pages';
export { MOST_STANDS, type MendFact, type UnreadFact } from './unread';
export type { CustomerCounter } from './reels';
export type { Drawing, LineOn } from './drawing';
export {
  CAUSES,
  COMPLAINTS,
  type Comeback,
  type ComebackChange,
  type ComebackFigures,
  type CorrectFill,
  type CustomerChange,
  type CustomerPage,
  type DueRow,
  type FillMark,
  type NewComeback,
  type OnSpool,
  type Recipe,
  type ReelChange,
} from './record';
export type { Found, GotQuery, GotRow, SearchHit } from './search';
export {
  ALL_WAITING,
  TODAY,
  ANY_REEL,
  LABELS,
  PAPERS,
  TO_ORDER,
  type Label,
  type Paper,
  type PaperPreview,
  type PaperQuery,
} from './paper';
export { type Message, type MessageChange, type NewMessage, type MessageState } from './messages';
export type { Calendar } from './calendar';
export {
  RECORD_COLUMNS,
  RECORD_FORMAT,
  RECORD_VERSION,
  RecordFileSchema,
  type RecordedReel,
  type RecordQuery,
} from './record-file';
export { ShopFileSchema, type ShopFile } from './shop-file';
