/** The time, passed in wherever a rule needs it. */
export type Clock = () => Date;

export const systemClock: Clock = () => new Date();
