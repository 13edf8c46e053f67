/** What can be filled into a message's words, by what it is about. */
export const MESSAGE_WORDS = {
  ready: ['customer', 'bag', 'reels', 'list', 'shop'],
  due: ['customer', 'reel', 'tag', 'line', 'since', 'advice', 'shop'],
  waits: ['customer', 'bag', 'list', 'shop'],
} as const;

/** The usual words, where the house has none of its own. */
export const USUAL_WORDINGS = {
  ready: [
    'Hello {customer},',
    'bag {bag} is ready: {reels}.',
    '{list}',
    'Bring your slip when you collect it. {shop}',
  ].join('\n'),
  due: [
    'Hello {customer},',
    'the {line} on your {reel} (tag {tag}) is due. {since}. {advice}',
    'Bring it in when it suits you. {shop}',
  ].join('\n'),
  waits: [
    'Hello {customer},',
    'bag {bag} cannot be finished as planned: we do not have all of its line.',
    '{list}',
    'Shall we wait for it, or take another line? {shop}',
  ].join('\n'),
} as const;

type Kind = keyof typeof MESSAGE_WORDS;
const WORD = /\{([^{}\n]*)\}/g;

/** What stands in braces in a wording and cannot be filled in. */
export const unknownWords = (kind: Kind, wording: string): string[] =>
  [...wording.matchAll(WORD)]
    .map(([, word = '']) => word)
    .filter((word) => !(MESSAGE_WORDS[kind] as readonly string[]).includes(word));

/** A wording with its words filled in once: what a customer's name holds is no wording. Lines left empty go. */
export const fillWording = <K extends Kind>(
  kind: K,
  wording: string,
  values: Readonly<Record<(typeof MESSAGE_WORDS)[K][number], string>>,
): string =>
  (wording.trim() === '' ? USUAL_WORDINGS[kind] : wording)
    .replace(WORD, (whole, word: string) =>
      Object.hasOwn(values, word) ? values[word as keyof typeof values] : whole,
    )
    .split('\n')
    .map((line) => line.trimEnd())
    .filter((line, i, all) => line !== '' || (all[i - 1] ?? '') !== '')
    .join('\n')
    .trim();
