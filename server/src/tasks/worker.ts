import { workOf } from '../work/task';
import { WORKS } from './tasks';

interface Asked {
  readonly name: string;
  readonly given: unknown;
}

/** What a worker does with what it is asked. */
export default ({ name, given }: Asked): unknown => workOf(WORKS, name)(given as never);
