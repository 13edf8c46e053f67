import * as v from 'valibot';
import { IdSchema, line } from './basics';

export const CustomerSchema = v.object({ id: IdSchema, name: v.string(), contact: v.string() });
export type Customer = v.InferOutput<typeof CustomerSchema>;

export const NewCustomerSchema = v.object({
  name: line('The customer’s name'),
  contact: v.optional(
    v.pipe(v.string(), v.trim(), v.maxLength(80, 'A contact can be 80 characters at most.')),
    '',
  ),
});

export const CustomerSearchSchema = v.object({
  q: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(80)), ''),
});
