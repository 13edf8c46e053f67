/** Keys that a box or a choice needs for itself. */
export const MOVES_A_CHOICE = /^( |Arrow.*)$/;
/** Keys that act on the run. */
export const KEYS: readonly string[] = [
  'Space',
  'Enter',
  '+',
  '−',
  'C',
  'Z',
  'F',
  'E',
  'U',
  'B',
  'T',
  'L',
  'D',
  'H',
  'G',
  'N',
  'M',
  '?',
];

/** A key as the bench names it. */
export const keyName = (key: string): string => {
  const named = new Map([
    [' ', 'Space'],
    ['-', '−'],
    ['=', '+'],
  ]).get(key);
  return named ?? (key.length === 1 ? key.toUpperCase() : key);
};

/** What may be open beside the count. */
export type Panel = 'count' | 'twist' | 'lay' | 'depth';
/** Keys that open a panel. */
export const PANELS = new Map<string, Panel>([
  ['C', 'count'],
  ['T', 'twist'],
  ['L', 'lay'],
  ['D', 'depth'],
]);
