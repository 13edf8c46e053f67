import * as v from 'valibot';
import { NothingSchema } from '../basics';
import { BenchSchema, ChangeBenchSchema, NewBenchSchema } from '../benches';
import {
  HabitsSchema,
  HouseChangeSchema,
  SavedHouseRulesSchema,
  PreviewRulesSchema,
  PreviewSchema,
} from '../house-rules';
import { NewExceptionSchema, ExceptionSchema } from '../exceptions';
import { route } from '../route';
import { MendFactSchema, UnreadFactSchema } from '../unread';
import { byId } from './params';

/** What the house settles: rules, exceptions, benches. */
export const houseApi = {
  readHouseRules: route('GET', '/house-rules', { reply: SavedHouseRulesSchema }),
  changeHouseRules: route('PUT', '/house-rules', {
    body: SavedHouseRulesSchema,
    reply: SavedHouseRulesSchema,
  }),
  previewHouseRules: route('POST', '/house-rules/preview', {
    body: PreviewRulesSchema,
    reply: PreviewSchema,
  }),
  listHouseChanges: route('GET', '/house-rules/changes', { reply: v.array(HouseChangeSchema) }),
  listUnreadFacts: route('GET', '/unread', { reply: v.array(UnreadFactSchema) }),
  mendFact: route('PUT', '/unread', { body: MendFactSchema, reply: NothingSchema }),
  readHabits: route('GET', '/house-rules/habits', { reply: HabitsSchema }),
  listExceptions: route('GET', '/exceptions', { reply: v.array(ExceptionSchema) }),
  setException: route('PUT', '/exceptions', { body: NewExceptionSchema, reply: ExceptionSchema }),
  dropException: route('DELETE', '/exceptions/:id', { params: byId, reply: NothingSchema }),
  listBenches: route('GET', '/benches', { reply: v.array(BenchSchema) }),
  addBench: route('POST', '/benches', { body: NewBenchSchema, reply: BenchSchema }),
  changeBench: route('PUT', '/benches/:id', { params: byId, body: ChangeBenchSchema, reply: BenchSchema }),
  removeBench: route('DELETE', '/benches/:id', { params: byId, reply: NothingSchema }),
} as const;
