/** What a request with a file brings, read from its bytes; undefined where they are no JSON. */
export function bodyOf(body: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(body)) as unknown;
  } catch {
    return undefined;
  }
}
