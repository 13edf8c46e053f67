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
  'W',
  'X',
  '5',
  '?',
];

/** What may be open beside the count. */
export type Panel = 'count' | 'twist' | 'lay' | 'depth' | 'exit' | 'ran-out';
/** Keys that open a panel. */
export const PANELS = new Map<string, Panel>([
  ['C', 'count'],
  ['T', 'twist'],
  ['L', 'lay'],
  ['D', 'depth'],
]);
