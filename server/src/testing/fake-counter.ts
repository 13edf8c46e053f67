import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { timePasses } from './test-clock';

/** How often it says where it stands while nothing moves, ms. */
const BEAT_MS = 300;
/** Counts a second, as a hand turns a handle, and how many of them may be told of in one line. */
const COUNTS_A_SECOND = 7;
const COUNTS_A_LINE = 7;

/** A counting device on a free port, turned by a test. */
export class FakeCounter {
  private readonly listening = new Set<Socket>();
  private sequence = 0;
  private count = 0;
  private beat: NodeJS.Timeout | null = null;

  private constructor(
    private server: Server,
    public name: string,
    private port: number,
  ) {}

  static async open(name: string): Promise<FakeCounter> {
    const counter = new FakeCounter(createServer(), name, 0);
    await counter.listen();
    return counter;
  }

  get address(): string {
    return `127.0.0.1:${String(this.port)}`;
  }

  /** It is called otherwise from its next line on. */
  rename(name: string): void {
    this.name = name;
  }

  /** How many listen to it. */
  get heardBy(): number {
    return this.listening.size;
  }

  /** Turned by hand. The clock goes ahead by as long as that takes, and only the last of its lines comes through. */
  turn(by: number): void {
    timePasses((1000 * Math.abs(by)) / COUNTS_A_SECOND);
    this.sequence += Math.ceil(Math.abs(by) / COUNTS_A_LINE) - 1;
    this.jump(by);
  }

  /** So much further in one line. */
  jump(by: number): void {
    this.count += by;
    this.send(this.line());
  }

  /** Its switch bounces: so many lines of one count, in one packet. */
  chatter(counts: number): void {
    this.send(Array.from({ length: counts }, () => this.line((this.count += 1))).join(''));
  }

  /** Its battery was out: it counts and numbers its lines from zero again. */
  restart(): void {
    this.sequence = 0;
    this.jump(-this.count);
  }

  /** Whatever a bad cable makes of it. */
  send(text: string): void {
    for (const socket of this.listening) socket.write(text);
  }

  /** It says nothing any more, and the link does not break. */
  silence(): void {
    if (this.beat) clearInterval(this.beat);
  }

  /** The link breaks; the device counts on. */
  async cut(): Promise<void> {
    this.silence();
    for (const socket of this.listening) socket.destroy();
    this.listening.clear();
    await new Promise((resolve) => this.server.close(resolve));
  }

  /** The link is back, at another place. */
  async move(): Promise<void> {
    this.port = 0;
    await this.listen();
  }

  /** The link is back, at the same place. */
  async listen(): Promise<void> {
    this.server = createServer((socket) => {
      this.listening.add(socket);
      const gone = (): void => void this.listening.delete(socket);
      socket.on('close', gone).on('error', gone);
      socket.write(this.line());
    });
    await new Promise<void>((resolve) => this.server.listen(this.port, '127.0.0.1', resolve));
    this.port = (this.server.address() as AddressInfo).port;
    this.beat = setInterval(() => this.send(this.line()), BEAT_MS).unref();
  }

  private line(count = this.count): string {
    return `${this.name},${String((this.sequence += 1))},${String(count)}\n`;
  }
}
