import { HOUSE_QUESTIONS, type HouseQuestion, type HouseRules } from '@yard-spool/core';
import * as v from 'valibot';
import { VersionSchema } from './basics';

const schoolsOf = (name: HouseQuestion): string[] => HOUSE_QUESTIONS[name].schools.map(({ id }) => id);

/** The shop's school on each disputed question; a question left out keeps its usual one. */
export const HouseRulesSchema = v.object(
  Object.fromEntries(
    (Object.keys(HOUSE_QUESTIONS) as HouseQuestion[]).map((name) => [name, v.picklist(schoolsOf(name))]),
  ),
) as unknown as v.GenericSchema<HouseRules>;

/** What the shop reckons its money in: a sign or a few letters. */
const MoneySchema = v.pipe(
  v.string(),
  v.trim(),
  v.minLength(1),
  v.maxLength(4, 'At most four letters or one sign.'),
);

export const KeptHouseRulesSchema = v.object({
  rules: HouseRulesSchema,
  money: MoneySchema,
  version: VersionSchema,
});
export type KeptHouseRules = v.InferOutput<typeof KeptHouseRulesSchema>;
