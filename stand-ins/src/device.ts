import type { Socket } from 'node:net';

/** Counts in one line at most, as a handle turns. */
const AT_ONCE = 8;
/** Earlier lines it remembers, to send one of them late. */
const REMEMBERED = 20;

/** The device itself: what it stands at, and what it has said. */
export class Device {
  count = 0;
  /** Counts a second while it turns by itself. */
  speed = 0;
  sequence = 0;
  /** Says nothing before this time, ms. */
  silentUntil = 0;
  readonly said: string[] = [];
  private readonly listening = new Set<Socket>();
  private part = 0;

  /** @param turned told what it is about to go on by, before it says so */
  constructor(
    private readonly name: string,
    private readonly turned: (by: number) => void = () => undefined,
  ) {}

  heardBy(socket: Socket): void {
    this.listening.add(socket);
    const gone = (): void => void this.listening.delete(socket);
    socket.on('close', gone).on('error', gone).resume();
    if (Date.now() >= this.silentUntil) socket.write(this.line());
  }

  /** Turned by hand, so many counts; what is turned in one go is told as fast as a hand winds, not in one line. */
  turn(by: number): void {
    const whole = Math.round(by);
    const sign = Math.sign(whole);
    for (let left = Math.abs(whole); left > 0; left -= AT_ONCE) this.jump(sign * Math.min(AT_ONCE, left));
    if (whole === 0) this.say();
  }

  /** So much further in one line. */
  jump(by: number): void {
    this.turned(by);
    this.count += by;
    this.say();
  }

  /** Its count is another one, though nothing turned. */
  slip(by: number): void {
    this.count += by;
    this.say();
  }

  /** Turns by itself for a while. */
  goOn(ms: number): void {
    this.part += (this.speed * ms) / 1000;
    const whole = Math.trunc(this.part);
    if (whole === 0) return;
    this.part -= whole;
    this.jump(whole);
  }

  say(): void {
    this.send(this.line());
  }

  send(text: string): void {
    if (Date.now() < this.silentUntil) return;
    for (const socket of this.listening) socket.write(text);
  }

  /** Breaks every link, as a loose plug does. */
  hangUp(): void {
    for (const socket of this.listening) socket.destroy();
  }

  private line(): string {
    const text = `${this.name},${String((this.sequence += 1))},${String(this.count)}\n`;
    this.said.push(text);
    if (this.said.length > REMEMBERED) this.said.shift();
    return text;
  }
}
