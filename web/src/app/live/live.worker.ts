import { LiveHub, type FromPage, type ToPage } from './live-hub';

/** What a worker that several pages share is, as far as this one needs it. */
interface Shared {
  onconnect: ((event: MessageEvent) => void) | null;
}

const hub = new LiveHub();

(globalThis as unknown as Shared).onconnect = ({ ports }) => {
  const [port] = ports;
  if (!port) return;
  const tell = (message: ToPage): void => port.postMessage(message);
  port.onmessage = ({ data }: MessageEvent<FromPage>) => {
    if (data.kind === 'want') hub.want(data.run, data.from, tell);
    if (data.kind === 'leave') hub.leave(data.run, tell);
    // A page holds its lock as long as it stands; nothing else tells that it is gone.
    if (data.kind === 'stands') void navigator.locks.request(data.lock, () => hub.gone(tell));
  };
};
