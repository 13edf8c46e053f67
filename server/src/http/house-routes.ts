import { api } from '@yard-spool/contract';
import type { Router } from 'express';
import { addBench, changeBench, listBenches, removeBench } from '../benches/benches';
import type { House } from '../house';
import { readHabits } from '../house-rules/habits';
import { listHouseChanges } from '../house-rules/house-changes';
import { changeHouseRules } from '../house-rules/house-rules';
import { listOverrides } from '../house-rules/list-overrides';
import { dropOverride, setOverride } from '../house-rules/overrides';
import { previewHouseRules } from '../house-rules/preview';
import { readHouseRules } from '../house-rules/read-house-rules';
import { addMember, changeMember, listPeople, setPasscode } from '../people/members';
import { hashToken } from '../people/sessions';
import { personOf, serve } from './serve';
import { tokenOf } from './session-cookie';

/** What the house settles: its rules and who they are set otherwise for, its benches and its people. */
export function houseRoutes(router: Router, house: House): void {
  serve(router, api.readHouseRules, () => readHouseRules(house));
  serve(router, api.changeHouseRules, ({ body, response }) =>
    changeHouseRules(house, personOf(response), body),
  );
  serve(router, api.previewHouseRules, ({ body }) => previewHouseRules(house, body.rules));
  serve(router, api.listHouseChanges, () => listHouseChanges(house));
  serve(router, api.readHabits, () => readHabits(house));
  serve(router, api.listOverrides, () => listOverrides(house));
  serve(router, api.setOverride, ({ body, response }) => setOverride(house, personOf(response), body));
  serve(router, api.dropOverride, ({ params, response }) =>
    dropOverride(house, personOf(response), params.id),
  );
  serve(router, api.listBenches, () => listBenches(house));
  serve(router, api.addBench, ({ body, response }) => addBench(house, personOf(response), body));
  serve(router, api.changeBench, ({ params, body, response }) =>
    changeBench(house, personOf(response), params.id, body),
  );
  serve(router, api.removeBench, ({ params, response }) => removeBench(house, personOf(response), params.id));
  serve(router, api.listPeople, () => listPeople(house));
  serve(router, api.addPerson, ({ body, response }) => addMember(house, personOf(response), body));
  serve(router, api.changePerson, ({ params, body, response }) =>
    changeMember(house, personOf(response), params.id, body),
  );
  serve(router, api.setPasscode, ({ params, body, request, response }) =>
    setPasscode(house, personOf(response), params.id, body, hashToken(tokenOf(request))),
  );
}
