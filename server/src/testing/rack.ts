import type { Move, Page, Piece, PieceWithLedger } from '@yard-spool/contract';
import type { Answer, TestShop } from './test-shop';

export type Ask = Awaited<ReturnType<TestShop['as']>>;

/** A line as a request describes it. */
export const lineOf = (code: string, more: object = {}) => ({
  code,
  name: `Test line ${code}`,
  material: 'nylon',
  diameter: 0.25,
  strengthKg: null,
  tint: '#aabbcc',
  ...more,
});

/** Takes a piece on: of a new line, or of the one that a piece has already. */
export async function receive(
  ask: Ask,
  code: string,
  metres: number,
  more: Record<string, unknown> = {},
): Promise<Piece> {
  const body = {
    code,
    product: lineOf(`L-${code}`),
    kind: 'bulk',
    place: 'Wall',
    lengthMm: metres * 1000,
    ...more,
  };
  const answer = await ask<Piece>('POST', '/pieces', body);
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body));
  return answer.body;
}

/** A piece and its whole ledger, page by page. */
export async function ledgerOf(ask: Ask, code: string): Promise<{ piece: Piece; moves: Move[] }> {
  const moves: Move[] = [];
  for (;;) {
    const before = moves[0] ? `?before=${String(moves[0].id)}` : '';
    const { body } = await ask<PieceWithLedger>('GET', `/pieces/${code}${before}`);
    moves.unshift(...body.moves);
    if (!body.earlier) return { piece: body.piece, moves };
  }
}

export const sumOf = (moves: readonly Move[]): number =>
  moves.reduce((total, { lengthMm }) => total + lengthMm, 0);

/** A problem's code, or the status where there was none. */
export const codeOf = ({ status, body }: Answer): unknown => (body as { code?: string }).code ?? status;

/** The rack as it is looked at, page after page. */
export async function rackOf(ask: Ask, query = ''): Promise<Piece[]> {
  const pieces: Piece[] = [];
  for (let after: string | null = ''; after !== null;) {
    const { body }: Answer<Page<Piece>> = await ask('GET', `/rack?${query}&after=${after}`);
    pieces.push(...body.rows);
    after = body.next;
  }
  return pieces;
}
