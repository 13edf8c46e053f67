import type { UnitSystem } from '@yard-spool/core';
import type { AmountName, Read, ReadAmount } from './draft-fields';
import { CHOICE_FIELDS, LAYERS_NEEDED, SOURCES, type DraftLayer, type LayerSources } from './draft-sources';
import type { SaidAmounts } from './draft-layers';
import { printToChoose, ratedMaterial, ratingProblem } from './rating-text';
import type { ReelDraft, Underneath } from './reel-draft';

interface Asked {
  readonly draft: ReelDraft;
  readonly sources: LayerSources;
  readonly amounts: SaidAmounts;
  readonly read: Read;
  readonly readAmount: ReadAmount;
  readonly system: UnitSystem;
}

/** The next thing to type before there can be a plan; empty where there is enough for one. */
export function missing(asked: Asked): string {
  const { draft, system } = asked;
  const unread = [draft.rating1, draft.rating2].map((text) => ratingProblem(text, system)).find(Boolean);
  if (unread) return unread;
  const print = printToChoose([draft.rating1, draft.rating2], system, ratedMaterial(draft.ratedFor));
  if (print) return `"${print.text}" can be read in more than one way: choose which it is.`;
  if (draft.gap.trim() !== '' && asked.read('gap') === null)
    return 'Type how far below the lip to stop, or leave it to the shop.';
  const problems = [
    keptProblem(asked),
    ...LAYERS_NEEDED[draft.underneath].map((layer) => layerProblem(asked, layer)),
  ];
  return problems.find((problem) => problem !== '') ?? '';
}

function keptProblem({ draft, readAmount }: Asked): string {
  if (draft.kept.trim() === '') return '';
  const kind = readAmount('kept')?.kind;
  return kind === 'length' || kind === 'level'
    ? ''
    : 'Type how much old line stays on: a length, "a quarter of the spool" or "6 mm below the lip".';
}

function layerProblem({ draft, sources, amounts, read, readAmount }: Asked, layer: DraftLayer): string {
  const chosen = draft[CHOICE_FIELDS[layer]];
  if (!sources[layer]) {
    if (chosen in SOURCES) return 'Type how thick that line is.';
    return CHOOSE[layer === 'backing' ? BACKING_AS[draft.underneath] : layer];
  }
  if (chosen === SOURCES.own && read('ownLength') === null) return 'Type how much line they brought.';
  if (amounts[layer]) return '';
  const field = amountField(draft.underneath, layer);
  if (draft[field].trim() === '') return HOW_MUCH[layer];
  return readAmount(field)
    ? 'Choose a piece of it: nothing is on the rack that a part could be taken of.'
    : `Type ${AMOUNT_EXAMPLES}.`;
}

const AMOUNT_EXAMPLES =
  'how much: a length, "half the pack", "what is left", "a quarter of the spool" or "as much as fits"';

/** What the layer in the place of a backing is there for. */
const BACKING_AS: Readonly<Record<Underneath, 'backing' | 'grip' | 'cushion'>> = {
  backing: 'backing',
  'main-only': 'backing',
  tape: 'backing',
  grip: 'grip',
  'three-layer': 'cushion',
};
const CHOOSE: Readonly<Record<DraftLayer | 'cushion' | 'grip', string>> = {
  main: 'Choose the main line.',
  backing: 'Choose the backing line, or fill with main only.',
  grip: 'Choose the nylon that grips the arbor.',
  cushion: 'Choose the cushion and its length.',
  top: 'Choose the top shot and its length.',
};
const HOW_MUCH: Readonly<Record<DraftLayer, string>> = {
  main: 'Type how much main line the customer wants.',
  backing: 'Choose the cushion and its length.',
  top: 'Choose the top shot and its length.',
};

/** The field that says how much of a layer goes on. */
export function amountField(underneath: Underneath, layer: DraftLayer): AmountName {
  if (layer === 'main') return 'mainLength';
  if (layer === 'top') return 'topLength';
  return BACKING_AMOUNT[BACKING_AS[underneath]];
}

const BACKING_AMOUNT: Readonly<Record<'backing' | 'grip' | 'cushion', AmountName>> = {
  backing: 'backingLength',
  grip: 'gripLength',
  cushion: 'cushionLength',
};

/** Whether a layer nobody said an amount of is as much as fits. */
export const fitsUnlessSaid = (underneath: Underneath, layer: DraftLayer): boolean =>
  layer === 'main'
    ? ['main-only', 'grip', 'three-layer'].includes(underneath)
    : layer === 'backing' && underneath === 'backing';
