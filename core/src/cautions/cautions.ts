/** Where in the work a caution is shown. */
export const CAUTION_PLACES = {
  strip: 'Stripping old line',
  'spool-off': 'Spool off the reel',
  wind: 'Winding',
  'wind-tight': 'Winding a big-game reel',
  cut: 'Knots and cuts',
  'warm-water': 'Warm water',
  'hand-back': 'Handing back',
} as const;
export type CautionPlace = keyof typeof CAUTION_PLACES;

/** Something that can hurt somebody, the reel or an animal, and how it is kept from doing so. */
export interface Caution {
  readonly id: string;
  readonly at: CautionPlace;
  readonly title: string;
  readonly text: string;
}

/** Every shop shows these. Common practice, no source; a local code or the maker's instructions go before them. */
export const BUILT_IN_CAUTIONS = [
  {
    id: 'hooks-off',
    at: 'strip',
    title: 'Hooks and lures off first',
    text: 'Take every hook and lure off before line is stripped.',
  },
  {
    id: 'slow-drill',
    at: 'strip',
    title: 'Slow near the bottom',
    text: 'Near the bottom of a spool slow the drill: the empty spool flies off.',
  },
  {
    id: 'battery-drill',
    at: 'strip',
    title: 'A battery drill only',
    text: 'Water and a corded drill do not mix: use a battery drill.',
  },
  {
    id: 'old-line',
    at: 'strip',
    title: 'Old line to recycling',
    text: 'Wound on a tube or cut short, never loose in a bin or outdoors, where it traps animals. Braid and fluorocarbon may need another bin: follow the local scheme.',
  },
  {
    id: 'parts-in-order',
    at: 'spool-off',
    title: 'Washers and bearings in order',
    text: 'Where a spool comes off, lay drag washers and bearings down in order, and follow the maker’s instructions for the reel.',
  },
  {
    id: 'guide-never-grip',
    at: 'wind',
    title: 'Guide, never grip',
    text: 'Running line burns bare skin. Wet cloth, glove or plaster between finger and line; ease off at the bottom of the supply.',
  },
  {
    id: 'high-tension',
    at: 'wind-tight',
    title: 'Glove and eye protection',
    text: 'High tension on a big reel: glove and eye protection on, fingers clear of the line guide.',
  },
  {
    id: 'scissors',
    at: 'cut',
    title: 'Scissors, not teeth',
    text: 'No blade or heat against a spool. Pull the line first to be sure it is the right one.',
  },
  {
    id: 'warm-not-hot',
    at: 'warm-water',
    title: 'Warm, never hot',
    text: 'Hot water harms the line, and scalds. Warm tap water only.',
  },
  {
    id: 'drag-off',
    at: 'hand-back',
    title: 'Maker’s instructions',
    text: 'Hand it back with the drag backed off, and follow the maker’s instructions for the reel.',
  },
] as const satisfies readonly Caution[];

export type BuiltInCaution = (typeof BUILT_IN_CAUTIONS)[number]['id'];

/** A shop's own: other words for built-in cautions, by id, and cautions of its own beside them. */
export interface OwnCautions {
  readonly words: Readonly<Partial<Record<BuiltInCaution, string>>>;
  readonly more: readonly Omit<Caution, 'id'>[];
}

/**
 * All cautions of a shop: every built-in one, in the shop's words where it has any, then its own. None can be left out:
 * words that are blank leave the built-in text standing.
 */
export const cautionsOf = ({ words, more }: OwnCautions): Caution[] => [
  ...BUILT_IN_CAUTIONS.map((caution): Caution => {
    const own = words[caution.id]?.trim() ?? '';
    return own === '' ? caution : { ...caution, text: own };
  }),
  ...more.map((caution, i) => ({ ...caution, id: `own-${String(i + 1)}` })),
];
