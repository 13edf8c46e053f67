import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { api, ProblemSchema, type Route, type RouteParts } from '@yard-spool/contract';
import type { Words } from '@yard-spool/core';
import { catchError, from, map, of, switchMap, tap, throwError, timeout, type Observable } from 'rxjs';
import * as v from 'valibot';
import { SavedReplies } from './saved-replies';
import { OnceKeys } from './once-keys';
import { Proof } from './proof.service';
import type { AskedPasscode } from './send-proof';
import { RequestProblem } from './request-problem';
import { UnitsService } from './units.service';

type Sent<S> = S extends v.GenericSchema ? v.InferInput<S> : never;

/** What a call carries. Path parameters may be numbers; they are written into the address. */
export interface CallOptions<P extends RouteParts> {
  readonly params?: Readonly<Record<string, string | number>>;
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: Sent<P['body']>;
  readonly headers?: Readonly<Record<string, string>>;
}

/** How long an answer is waited for before the last one that was kept is taken, ms. */
const PATIENCE_MS = 5000;
/** How long after an answer that was too long in coming the next ones are not waited for as long, ms. */
const SLOW_MS = 20_000;
const IMPATIENCE_MS = 300;

/** The one way to the server: a route of the contract in, its checked reply out, a `RequestProblem` on failure. */
@Injectable({ providedIn: 'root' })
export class ApiService {
  private readonly http = inject(HttpClient);
  private readonly units = inject(UnitsService);
  private readonly kept = inject(SavedReplies);
  private readonly once = inject(OnceKeys);
  private readonly proof = inject(Proof);
  private slowUntil = 0;

  /** Calls a route. Cold: nothing is sent before somebody subscribes. */
  call<P extends RouteParts>(
    route: Route<P>,
    options: CallOptions<P> = {},
  ): Observable<v.InferOutput<P['reply']>> {
    const { method, parts } = route;
    const { query = {}, headers = {}, body } = options;
    const address = addressOf(route, options);
    const asked = this.once
      .ask(route, [address, query, body], (key) =>
        this.http.request(method, address, { params: { ...query }, headers: { ...headers, ...key }, body }),
      )
      .pipe(
        map((reply) => v.parse(parts.reply, reply)),
        catchError((error: unknown) => throwError(() => this.said(error))),
      );
    return this.proved(asked, !UNASKED.has(route));
  }

  /** Calls a route that takes a file's bytes as they are. Cold, like a call. */
  callWith<P extends RouteParts>(
    route: Route<P>,
    bytes: Blob,
    { query = {}, headers = {} }: Pick<CallOptions<P>, 'query' | 'headers'> = {},
  ): Observable<v.InferOutput<P['reply']>> {
    const sent = { params: { ...query }, headers: { ...headers }, body: bytes };
    return this.http.request(route.method, addressOf(route), sent).pipe(
      map((reply) => v.parse(route.parts.reply, reply)),
      catchError((error: unknown) => throwError(() => this.said(error))),
    );
  }

  /**
   * Calls a route that is only read, and keeps what it says: with the server away, or long in answering, what it said
   * last is the answer.
   */
  callSaved<P extends RouteParts>(
    route: Route<P>,
    options: CallOptions<P> = {},
  ): Observable<v.InferOutput<P['reply']>> {
    const address = addressOf(route, options);
    const asked = this.call(route, options).pipe(tap((reply) => void this.kept.keep(address, reply)));
    const last = (otherwise: Observable<v.InferOutput<P['reply']>>): typeof otherwise =>
      from(this.kept.find(address)).pipe(
        switchMap((reply) => {
          const read = v.safeParse(route.parts.reply, reply);
          return read.success ? of(read.output) : otherwise;
        }),
      );
    return asked.pipe(
      timeout({
        first: Date.now() < this.slowUntil ? IMPATIENCE_MS : PATIENCE_MS,
        with: () => {
          this.slowUntil = Date.now() + SLOW_MS;
          return last(asked);
        },
      }),
      catchError((error: unknown) => {
        const away = error instanceof RequestProblem && error.away;
        return away ? last(throwError(() => error)) : throwError(() => error);
      }),
    );
  }

  /** A failure in the person's own units. */
  private said(error: unknown): RequestProblem {
    const { code, words, fields } = toProblem(error);
    return new RequestProblem(
      code,
      this.units.say(words),
      fields.map(({ path, words }) => ({ path, message: this.units.say(words) })),
    );
  }

  /** Fetches a file of the contract: its name and its bytes. Cold, like a call. */
  file(path: string, query: Readonly<Record<string, string>>): Observable<ArrivedFile> {
    const asked = { params: { ...query }, responseType: 'blob', observe: 'response' } as const;
    const arrives = this.http.get(`/api${path}`, asked).pipe(
      map(({ headers, body }) => ({
        name: /filename="?([^";]+)"?/.exec(headers.get('content-disposition') ?? '')?.[1] ?? 'yard-spool',
        bytes: body ?? new Blob(),
      })),
      catchError((error: unknown) =>
        from(withText(error)).pipe(switchMap((told) => throwError(() => this.said(told)))),
      ),
    );
    return this.proved(arrives);
  }

  private readonly proveAgain = (passcode: string): Observable<unknown> =>
    this.call(api.proveAgain, { body: { passcode } });

  /** The passcode that is asked for: before a manager's act, or by whoever was signed out elsewhere meanwhile. */
  private askedBy({ code }: RequestProblem): AskedPasscode | null {
    if (code === 'passcode-again') return { send: this.proveAgain, signedOut: '' };
    const name = this.proof.who();
    if (code !== 'not-signed-in' || name === '') return null;
    return { send: (passcode) => this.call(api.signIn, { body: { name, passcode } }), signedOut: name };
  }

  /** What asks for the passcode again is asked once more behind it; where it is left, nothing was done. */
  private proved<T>(asked: Observable<T>, mayAsk = true): Observable<T> {
    return asked.pipe(
      catchError((error: unknown) => {
        const what = error instanceof RequestProblem && mayAsk ? this.askedBy(error) : null;
        if (!what) return throwError(() => error);
        return this.proof.ask(what).pipe(switchMap((typed) => (typed ? asked : throwError(() => error))));
      }),
    );
  }
}

/** What nobody at the screen asks for: presses that wait are kept, and who is signed in is only looked up. */
const UNASKED: ReadonlySet<unknown> = new Set([api.appendEvents, api.whoAmI, api.signIn, api.signOut]);

/** A route's address, with what belongs into it. */
export const addressOf = <P extends RouteParts>(
  { path }: Route<P>,
  { params = {} }: CallOptions<P> = {},
): string =>
  `/api${path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(String(params[name] ?? '')))}`;

/** A file as it came. */
export interface ArrivedFile {
  readonly name: string;
  readonly bytes: Blob;
}

/** A refusal where a file was asked for comes as bytes too. */
async function withText(error: unknown): Promise<unknown> {
  if (!(error instanceof HttpErrorResponse) || !(error.error instanceof Blob)) return error;
  const { status, headers } = error;
  return new HttpErrorResponse({ error: await error.error.text(), status, headers });
}

/** A failure before it is told in anybody's units. */
interface Failure {
  readonly code: RequestProblem['code'];
  readonly words: Words;
  readonly fields: readonly { readonly path: string; readonly words: Words }[];
}

const failure = (code: Failure['code'], words: Words, fields: Failure['fields'] = []): Failure => ({
  code,
  words,
  fields,
});

function toProblem(error: unknown): Failure {
  if (!(error instanceof HttpErrorResponse))
    return failure('server-error', 'The server’s answer could not be read.');
  if (error.status === 0)
    return failure('server-away', 'The server does not answer. What you typed is still here.');
  const problem = v.safeParse(
    ProblemSchema,
    typeof error.error === 'string' ? parseJson(error.error) : error.error,
  );
  if (!problem.success)
    return failure('server-error', `The server answered with an error (${String(error.status)}).`);
  const { code, detail, words = detail, errors = [] } = problem.output;
  return failure(
    code,
    words,
    errors.map(({ path, message, words: said = message }) => ({ path, words: said })),
  );
}

const parseJson = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
};
