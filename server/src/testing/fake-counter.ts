import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';

/** A counting device on a free port, turned by a test. */
export class FakeCounter {
  private readonly listening = new Set<Socket>();
  private sequence = 0;
  private count = 0;

  private constructor(
    private server: Server,
    readonly name: string,
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

  /** How many listen to it. */
  get heardBy(): number {
    return this.listening.size;
  }

  turn(by: number): void {
    this.count += by;
    for (const socket of this.listening) socket.write(this.line());
  }

  /** Its battery was out: it counts from zero again. */
  restart(): void {
    this.turn(-this.count);
  }

  /** The link breaks; the device counts on. */
  async cut(): Promise<void> {
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
  }

  private line(): string {
    return `${this.name},${String((this.sequence += 1))},${String(this.count)}\n`;
  }
}
