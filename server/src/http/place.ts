import type { Request } from 'express';

const DEVICES: readonly (readonly [RegExp, string])[] = [
  [/iPad|Tablet/, 'tablet'],
  [/iPhone|Mobile/, 'phone'],
  [/Android/, 'tablet'],
  [/Windows/, 'Windows machine'],
  [/Macintosh/, 'Mac'],
  [/CrOS|Linux/, 'Linux machine'],
];

/** The device a request comes from, as people would tell it, and its address. */
export function placeOf(request: Request): string {
  const agent = request.get('user-agent') ?? '';
  const device = DEVICES.find(([sign]) => sign.test(agent))?.[1] ?? 'machine';
  return `${device} at ${(request.socket.remoteAddress ?? 'an unknown address').replace(/^::ffff:/, '')}`;
}
