import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** What can be killed. */
export const VICTIMS = ['server', 'database', 'both', 'starter'] as const;
export type Victim = (typeof VICTIMS)[number];

const ROOT = new URL('../../..', import.meta.url).pathname;

/** A whole shop on its own folder and port, started as its owner starts it. */
export class Shop {
  private starter: ChildProcess | null = null;
  private over = false;

  private constructor(
    readonly folder: string,
    readonly port: number,
    private readonly env: Readonly<Record<string, string>>,
  ) {}

  /** @param env what it is started with beside what there is: another clock */
  static async open(env: Readonly<Record<string, string>> = {}): Promise<Shop> {
    const shop = new Shop(mkdtempSync(join(tmpdir(), 'yard-spool-faults-')), await freePort(), env);
    shop.start();
    return shop;
  }

  /** Where its screens are. */
  get screens(): string {
    return `http://127.0.0.1:${String(this.port)}`;
  }

  get address(): string {
    return `${this.screens}/api`;
  }

  /** Kills without a word, as a power cut does. A starter that was killed is started again, as its owner would. */
  kill(victim: Victim): void {
    if (victim === 'starter') {
      this.starter?.kill('SIGKILL');
      return;
    }
    if (victim !== 'database') this.end(this.serverPid());
    if (victim !== 'server') this.end(this.databasePid());
  }

  async close(): Promise<void> {
    this.over = true;
    const { starter } = this;
    const ended = new Promise((resolve) => starter?.once('exit', resolve));
    starter?.kill('SIGTERM');
    await ended;
    rmSync(this.folder, { recursive: true, force: true });
  }

  private start(): void {
    const starter = spawn(process.execPath, [join(ROOT, 'tools', 'start.mjs')], {
      env: { ...process.env, ...this.env, YARD_SPOOL_DATA: this.folder, YARD_SPOOL_PORT: String(this.port) },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    this.starter = starter;
    starter.once('exit', () => {
      if (!this.over) setTimeout(() => this.start(), 300);
    });
  }

  private end(pid: number | null): void {
    if (pid === null) return;
    try {
      process.kill(pid, 'SIGKILL');
    } catch {
      // It was ending by itself just then.
    }
  }

  private databasePid(): number | null {
    return numberIn(join(this.folder, 'database', 'mariadbd.pid'));
  }

  /** The starter's child that is the server. */
  serverPid(): number | null {
    const parent = this.starter?.pid ?? 0;
    const found = readdirSync('/proc').find((entry) => {
      if (!/^\d+$/.test(entry)) return false;
      const [stat, command] = ['stat', 'cmdline'].map((file) => textIn(`/proc/${entry}/${file}`));
      return (
        /\/server-[^/]+\/main\.mjs/.test(command ?? '') &&
        Number(stat?.split(') ').at(-1)?.split(' ')[1]) === parent
      );
    });
    return found === undefined ? null : Number(found);
  }
}

function textIn(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}

const numberIn = (file: string): number | null => Number(textIn(file).trim()) || null;

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
