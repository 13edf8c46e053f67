/** The product's colours, on its screens and on paper; the screens' style sheet has the same, and a test compares them. */
export const PALETTE = {
  paper: '#e6ebec',
  card: '#ffffff',
  line: '#c5cfd2',
  edge: '#6f8087',
  ink: '#13212c',
  mute: '#4a5a63',
  oil: '#f5c21b',
  'oil-pale': '#ffe79a',
  metal: '#33444f',
  arbor: '#b9c3c7',
  groove: '#dde4e6',
  stop: '#c3271b',
  pass: '#1d6b4a',
  look: '#fff3c4',
  'look-edge': '#e0ac00',
  join: '#7a5a00',
  white: '#ffffff',
} as const;

/** What line is drawn in where nobody said its colour. */
export const LINE_TINTS = {
  /** Line that lies on a reel and is not the shop's to know. */
  kept: '#b7b7b7',
  tape: '#d9d2b8',
  /** A customer's own line. */
  own: '#8fa3b5',
} as const;
