import * as v from 'valibot';

/** How another device of the shop comes in; null where the server answers this machine alone. */
export const NetworkSchema = v.nullable(
  v.object({
    /** Addresses to type, the one to be shown first. */
    addresses: v.array(v.string()),
    /** SHA-256 fingerprint of the certificate, to hold against what a browser shows of it. */
    fingerprint: v.string(),
  }),
);
export type Network = v.InferOutput<typeof NetworkSchema>;
