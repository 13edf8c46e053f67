import * as v from 'valibot';
import { NothingSchema } from '../basics';
import { BenchSchema, ChangeBenchSchema, NewBenchSchema } from '../benches';
import {
  HabitsSchema,
  HouseChangeSchema,
  KeptHouseRulesSchema,
  PreviewRulesSchema,
  PreviewSchema,
} from '../house-rules';
import { NewOverrideSchema, OverrideSchema } from '../overrides';
import { route } from '../route';
import { byId } from './params';

/** What the house settles: rules, exceptions, benches. */
export const houseApi = {
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
} as const;
