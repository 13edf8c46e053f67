import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A clock that is set by hand, for a whole shop: its server reads it from a file, a page from a script. */
export class ShopClock {
  private readonly folder = mkdtempSync(join(tmpdir(), 'yard-spool-clock-'));
  private readonly file = join(this.folder, 'ahead');
  private aheadMs = 0;

  constructor(at: Date) {
    this.set(at);
  }

  /** What a shop is started with so that it goes by this clock. */
  get env(): Readonly<Record<string, string>> {
    const preload = new URL('../../tools/lib/clock-ahead.mjs', import.meta.url).href;
    return { NODE_OPTIONS: `--import ${preload}`, YARD_SPOOL_TEST_CLOCK: this.file };
  }

  set(at: Date): void {
    this.aheadMs = at.getTime() - Date.now();
    writeFileSync(this.file, String(this.aheadMs));
  }

  /** What puts a page's clock there. */
  get script(): string {
    return clockScript(this.aheadMs);
  }

  close(): void {
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** What puts a page's clock ahead, before anything else runs in it. */
export const clockScript = (aheadMs: number): string => `{
  const TrueDate = Date;
  globalThis.Date = class extends TrueDate {
    constructor(...given) {
      if (given.length === 0) super(TrueDate.now() + ${String(aheadMs)});
      else super(...given);
    }
    static now() { return TrueDate.now() + ${String(aheadMs)}; }
  };
}`;
