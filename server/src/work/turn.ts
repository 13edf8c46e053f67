/** Does something when its turn comes. */
export type Turn = <T>(work: () => Promise<T>) => Promise<T>;
