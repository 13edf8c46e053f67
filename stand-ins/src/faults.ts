import type { Device } from './device';

/** What a counter can be asked to do wrong. */
export const FAULTS = [
  'jitter',
  'drop',
  'half',
  'repeat',
  'older',
  'rubbish',
  'jump',
  'chatter',
  'power',
  'silence',
] as const;
export type Fault = (typeof FAULTS)[number];

export const isFault = (kind: string): kind is Fault => (FAULTS as readonly string[]).includes(kind);

/** What it jumps by, counts its switch makes of none, and lines it loses. */
const JUMP = 400;
const CHATTER = 100;
const LOST = 5;
const SILENT_MS = 12_000;

/** Does one thing wrong, as bad cables, bouncing reeds and loose plugs do. */
export const misbehave = (device: Device, kind: Fault): void => DOES[kind](device);

const DOES: Readonly<Record<Fault, (device: Device) => void>> = {
  // The reed bounces: there and back.
  jitter: (device) => [1, -1, 1, -1].forEach((by) => device.jump(by)),
  drop: (device) => (device.sequence += LOST),
  half: (device) => {
    const last = device.said.at(-1) ?? '';
    device.send(last.slice(0, Math.ceil(last.length / 2)));
    device.hangUp();
  },
  repeat: (device) => {
    for (let i = 0; i < 3; i += 1) device.send(device.said.at(-1) ?? '');
  },
  older: (device) => device.send(device.said[0] ?? ''),
  rubbish: (device) => device.send(`\u0000\u00ff,,${'x'.repeat(300)}\n,1,2\n-1e9\n`),
  jump: (device) => device.slip(JUMP),
  // The switch bounces the same way each time: many small lines at once.
  chatter: (device) => Array.from({ length: CHATTER }).forEach(() => device.slip(1)),
  power: (device) => {
    device.sequence = 0;
    device.slip(-device.count);
  },
  silence: (device) => (device.silentUntil = Date.now() + SILENT_MS),
};
