import { setTimeout as pause } from 'node:timers/promises';

/** An answer that is a refusal. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    detail: string,
  ) {
    super(`${String(status)} ${code}: ${detail}`);
  }
}

/** A server that does not answer now. */
export class Away extends Error {}

const ANSWER_MS = 8000;

/** Asks a shop, as somebody who is signed in. */
export class Ask {
  private cookie = '';

  constructor(private readonly address: string) {}

  get headers(): Record<string, string> {
    return { cookie: this.cookie };
  }

  /** Asks once. @throws `Away` where nobody answers, `Refused` where the answer is no */
  async once<T>(method: string, path: string, body?: unknown): Promise<T> {
    let response: Response;
    let text: string;
    try {
      response = await fetch(`${this.address}${path}`, {
        method,
        headers: { ...this.headers, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
        signal: AbortSignal.timeout(ANSWER_MS),
      });
      text = await response.text();
    } catch {
      throw new Away();
    }
    this.cookie = response.headers.get('set-cookie')?.split(';')[0] ?? this.cookie;
    const told = JSON.parse(text) as unknown;
    if (response.ok) return told as T;
    const { code = '', detail = '' } = told as { code?: string; detail?: string };
    if (code === 'database-away' || code === 'server-error') throw new Away();
    throw new Refused(response.status, code, detail);
  }

  /** Asks until somebody answers: only what is harmless to ask twice. */
  async patiently<T>(method: string, path: string, body?: unknown): Promise<T> {
    for (;;) {
      try {
        return await this.once<T>(method, path, body);
      } catch (error) {
        if (!(error instanceof Away)) throw error;
        await pause(100);
      }
    }
  }
}
