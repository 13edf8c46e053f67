/** What people say of a filled reel at the counter, or see at the bench. Common practice, no source. */
const SYMPTOMS_SAID = {
  loops: {
    name: 'throws loops',
    finds: ['loops', 'loop', 'wind knot', 'wind knots', 'jumps off', 'flies off'],
  },
  twist: { name: 'twists and kinks', finds: ['twist', 'twists', 'twisted', 'kinks', 'curls', 'pigtails'] },
  coils: { name: 'comes off in coils', finds: ['coils', 'coil', 'spring', 'springs', 'curly', 'memory'] },
  nest: { name: 'the spool runs on and nests', finds: ['nest', 'nests', 'overrun', 'runs on', 'tangle'] },
  slips: { name: 'slips on the spool', finds: ['slips', 'slip', 'slipping', 'no grip'] },
  'digs-in': { name: 'line digs in', finds: ['digs', 'digs in', 'buries', 'buried', 'cuts in', 'stuck'] },
  short: {
    name: 'casts shorter than it did',
    finds: ['short', 'shorter', 'short casts', 'distance', 'does not cast'],
  },
  clicks: {
    name: 'something catches in the rings',
    finds: ['clicks', 'clicking', 'catches', 'rings', 'guides'],
  },
  cone: { name: 'lies high at one end', finds: ['cone', 'uneven', 'high at front', 'high at rear', 'taper'] },
  breaks: { name: 'broke', finds: ['broke', 'breaks', 'broken', 'snapped', 'snaps', 'parted'] },
  counter: {
    name: 'counter is wrong',
    finds: ['counter', 'counter wrong', 'reads wrong', 'reads differently'],
  },
  'too-little': {
    name: 'too little line',
    finds: ['low', 'empty', 'half empty', 'too little', 'thumb feels metal', 'not full'],
  },
  'too-full': { name: 'stands too high', finds: ['too full', 'swells', 'swollen', 'too high', 'overfilled'] },
  worn: {
    name: 'rough, flat or faded',
    finds: ['worn', 'rough', 'flat', 'milky', 'faded', 'stiff', 'frayed'],
  },
  loose: { name: 'lies loose', finds: ['loose', 'gaps', 'soft pack', 'not tight'] },
  jerks: { name: 'the drag starts with a jerk', finds: ['jerks', 'jerk', 'jerky drag', 'drag sticks'] },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly finds: readonly string[] }>>;

export type Symptom = keyof typeof SYMPTOMS_SAID;

/** In the order people choose from. */
export const SYMPTOMS = Object.keys(SYMPTOMS_SAID) as [Symptom, ...Symptom[]];

/** What each is called on a button. */
export const symptomName = (symptom: Symptom): string => SYMPTOMS_SAID[symptom].name;

const plain = (words: string): string =>
  ` ${words
    .toLowerCase()
    .replace(/[^\p{Letter}]+/gu, ' ')
    .trim()} `;

/** Symptoms that somebody's own words name, the one named by the longest words first: "it throws wind knots" is loops. */
export function symptomsIn(words: string): Symptom[] {
  const said = plain(words);
  const longest = (symptom: Symptom): number =>
    Math.max(
      0,
      ...[SYMPTOMS_SAID[symptom].name, ...SYMPTOMS_SAID[symptom].finds]
        .filter((one) => said.includes(plain(one)))
        .map(({ length }) => length),
    );
  return SYMPTOMS.map((symptom) => ({ symptom, length: longest(symptom) }))
    .filter(({ length }) => length > 0)
    .sort((a, b) => b.length - a.length)
    .map(({ symptom }) => symptom);
}
