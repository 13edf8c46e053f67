const WRITTEN = new Map([
  [' ', 'Space'],
  ['-', '−'],
  ['=', '+'],
]);

/** What a key says of itself, whatever kind of event brought it. */
export type Pressed = Pick<KeyboardEvent, 'key' | 'code' | 'ctrlKey' | 'metaKey' | 'altKey'>;

/**
 * A key as screens write it: `Space`, `Enter`, `C`, `−`, `Ctrl Enter`, `Alt L`, `Alt 2`. With Alt it goes by the place on
 * the board, since Alt types other letters on many of them; Ctrl and the command key are one.
 */
export function keyName({ key, code, ctrlKey, metaKey, altKey }: Pressed): string {
  const placed = altKey ? /^(?:Key|Digit)(\w)$/.exec(code)?.[1] : undefined;
  const plain = placed ?? WRITTEN.get(key) ?? (key.length === 1 ? key.toUpperCase() : key);
  return [...(ctrlKey || metaKey ? ['Ctrl'] : []), ...(altKey ? ['Alt'] : []), plain].join(' ');
}
