import * as v from 'valibot';
import { IdSchema, line, maybeLine } from './basics';

export const CustomerSchema = v.object({ id: IdSchema, name: v.string(), contact: v.string() });
export type Customer = v.InferOutput<typeof CustomerSchema>;

export const NewCustomerSchema = v.object({
  name: line('The customer’s name'),
  contact: v.optional(maybeLine('A contact', 80), ''),
});

export const CustomerSearchSchema = v.object({
  q: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(80)), ''),
});
