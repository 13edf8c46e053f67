import { TASKS, type Tasks } from './tasks';

interface Asked {
  readonly name: keyof Tasks;
  readonly given: unknown;
}

/** What a worker does with what it is asked. */
export default ({ name, given }: Asked): unknown => (TASKS[name] as (given: unknown) => unknown)(given);
