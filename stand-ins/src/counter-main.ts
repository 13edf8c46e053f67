// Runs a counter on free loopback ports and tells them to whoever started it; ends when the starter does.
import { createCounter } from './counter';
import { listen } from './listen';

const [name = 'reed-1', meterName] = process.argv.slice(2);
const { wire, meterWire, panel } = createCounter(name, meterName);

const port = await listen(wire);
process.send?.({ port, meter: await listen(meterWire), panel: await listen(panel) });
process.on('disconnect', () => process.exit(0));
