import {
  AcceptCutsSchema,
  CutAskedSchema,
  CutPinSchema,
  CutsPlanSchema,
  CutTriedSchema,
  LeastMainSchema,
} from '../cut-plan';
import { route } from '../route';

/** Which reel is fed from which piece. */
export const cutsApi = {
  readCuts: route('GET', '/cuts', { reply: CutsPlanSchema }),
  tryCut: route('POST', '/cuts/try', { body: CutAskedSchema, reply: CutTriedSchema }),
  pinCut: route('PUT', '/cuts/pin', { body: CutPinSchema, reply: CutsPlanSchema }),
  leastMain: route('PUT', '/cuts/least', { body: LeastMainSchema, reply: CutsPlanSchema }),
  acceptCuts: route('POST', '/cuts/accept', { body: AcceptCutsSchema, reply: CutsPlanSchema }),
} as const;
