import type { Socket } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';

/** Counts a second, and counts at once, as a hand turns a handle that is in a hurry. */
const HASTE = 7;
const AT_ONCE = 6;
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
  /** Counts that a hand could turn at once, at a time, ms; and what is turned so far. */
  private ready = { counts: AT_ONCE, at: 0 };
  private turning = Promise.resolve();

  /** @param turned told what it is about to go on by, before it says so */
  constructor(
    public name: string,
    private readonly turned: (by: number) => void = () => undefined,
  ) {}

  heardBy(socket: Socket): void {
    this.listening.add(socket);
    const gone = (): void => void this.listening.delete(socket);
    socket.on('close', gone).on('error', gone).resume();
    if (Date.now() >= this.silentUntil) socket.write(this.line());
  }

  /**
   * Turned by hand, so many counts: settles once they are, as fast as a hand turns and no faster. What is asked meanwhile is
   * turned after it.
   */
  turn(by: number): Promise<void> {
    const whole = Math.round(by);
    if (whole === 0) {
      this.say();
      return Promise.resolve();
    }
    this.turning = this.turning.then(() => this.byHand(whole));
    return this.turning;
  }

  private async byHand(whole: number): Promise<void> {
    const sign = Math.sign(whole);
    for (let left = Math.abs(whole); left > 0;) {
      const now = Date.now();
      const counts = Math.min(AT_ONCE, this.ready.counts + ((now - this.ready.at) * HASTE) / 1000);
      const step = Math.min(left, Math.floor(counts));
      this.ready = { counts: counts - step, at: now };
      left -= step;
      if (step > 0) this.jump(sign * step);
      if (left > 0) await pause(1000 / HASTE);
    }
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
