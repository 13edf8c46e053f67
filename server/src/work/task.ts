/** Something that is computed beside the event loop: a plain function of plain data, asked for by its name. */
export interface Task<Given, Made> {
  readonly name: string;
  /** Never there: only says what the function takes and makes. */
  readonly types?: (given: Given) => Made;
}

/** Names a function that a worker computes, without loading it here. */
export const task = <Work extends (given: never) => unknown>(
  name: string,
): Task<Parameters<Work>[0], Awaited<ReturnType<Work>>> => ({ name });

/** The functions of all tasks, by their names. */
export type Works = ReadonlyMap<string, (given: never) => unknown>;

/** The function of a task. */
export function workOf(works: Works, name: string): (given: never) => unknown {
  const work = works.get(name);
  if (!work) throw new Error(`Nobody does the task ${name}.`);
  return work;
}
