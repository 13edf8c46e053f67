import type { ServerContext } from '../context/context';
import { WORD_KINDS } from '../db/models/record';
import { unit } from '../context/unit';
import { noteWordsFrom } from './index-words';

/**
 * A shop from before there was a search: its words are kept once, a part at a time, before anybody is let in. A start that
 * was killed meanwhile is taken up behind the last entry whose words are kept.
 */
export async function takeWords(context: ServerContext): Promise<void> {
  for (const kind of WORD_KINDS) {
    const last = await context.tables.searchWords.findOne({ where: { kind }, order: [['ref', 'DESC']] });
    let after: number | null = last?.ref ?? 0;
    while (after !== null) {
      const from: number = after;
      after = await unit(context, null, (u) => noteWordsFrom(u, kind, from));
    }
  }
}
