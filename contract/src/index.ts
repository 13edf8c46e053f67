export { api } from './api';
export { route, type Route, type RouteParts } from './route';
export { PROBLEM_CODES, ProblemSchema, type Problem, type ProblemCode } from './problem';
export { PersonSchema, type Person, type SignInSheet } from './people';
export type { Customer } from './customers';
export { NewPieceSchema, PIECE_KINDS, MOVE_KINDS, type Move, type Piece, type Product } from './rack';
export {
  NewBagSchema,
  REEL_TYPES,
  type Bag,
  type BagRow,
  type Job,
  type NewBag,
  type PlannedCut,
  type ReelType,
} from './bags';
export { RunEventSchema, type Run } from './runs';
export { FillPlanSchema, FillRequestSchema, PlanInputSchema } from './plan';
export type { Fill, FillLayer, Reel, ReelRow } from './reels';
