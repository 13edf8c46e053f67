// Runs the scale on a free loopback port and tells the port to whoever started it; ends when the starter does.
import { createScale } from './scale';

const [weight = '216.8'] = process.argv.slice(2);
const scale = createScale(Number(weight));
scale.listen(0, '127.0.0.1', () => {
  const address = scale.address();
  if (typeof address === 'object' && address) process.send?.({ port: address.port });
});
process.on('disconnect', () => process.exit(0));
