import * as v from 'valibot';

/** How another device of the shop comes in; null where the server answers this machine alone. */
export const NetworkSchema = v.nullable(
  v.object({
    /** Addresses to type, the one to be shown first. */
    addresses: v.array(v.string()),
    /** SHA-256 fingerprint of the certificate a device is to know, to hold against what it shows of it. */
    fingerprint: v.string(),
    /** Where a device gets the certificate of the shop's own authority, in plain HTTP; left out where it has none. */
    certificateAt: v.exactOptional(v.string()),
  }),
);
export type Network = v.InferOutput<typeof NetworkSchema>;
