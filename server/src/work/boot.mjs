// A worker begins here where the server is run module by module, as tests do: it has to learn to read TypeScript before it
// can load its tasks. In the server's bundle the worker itself stands at this place.
import { tsImport } from 'tsx/esm/api';

export default (await tsImport('../tasks/worker.ts', import.meta.url)).default;
