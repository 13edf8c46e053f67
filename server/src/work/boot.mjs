// A worker begins here: it has to learn to read TypeScript before it can load its tasks.
import { tsImport } from 'tsx/esm/api';

const { TASKS } = await tsImport('./tasks.ts', import.meta.url);

/** @param {{ name: string, given: unknown }} asked */
export default ({ name, given }) => TASKS[name](given);
