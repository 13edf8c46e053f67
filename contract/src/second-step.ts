import * as v from 'valibot';

/** The figures an authenticator shows for half a minute (RFC 6238). */
export const StepCodeSchema = v.pipe(
  v.string(),
  v.transform((typed) => typed.replace(/\s/g, '')),
  v.regex(/^\d{6}$/, 'A code is six figures.'),
);

/** What an authenticator is told once: as text to type, and as an address for its camera. */
export const BegunStepSchema = v.object({ secret: v.string(), address: v.string() });
export type BegunStep = v.InferOutput<typeof BegunStepSchema>;

export const ConfirmStepSchema = v.object({ code: StepCodeSchema });
