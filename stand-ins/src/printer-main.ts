// Runs the label printer on free loopback ports and tells them to whoever started it; ends when the starter does.
import { createLabelPrinter } from './label-printer';
import { listen } from './listen';

const { wire, panel } = createLabelPrinter();
process.send?.({ port: await listen(wire), panel: await listen(panel) });
process.on('disconnect', () => process.exit(0));
