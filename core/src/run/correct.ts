import { noteAt } from '../steps/note-at';
import type { MutableState } from './mutable-state';
import { readDepth } from './read-depth';
import type { Correction } from './run-event';

/** A gap or a note as it should have been written down. Lengths and pieces are put right in the fill itself. */
export function correct(state: MutableState, { what, about, is }: Correction): void {
  if (what === 'gap') {
    state.depths = state.depths.filter(({ after }) => after !== 'gap');
    if (typeof is === 'number') readDepth(state, { after: 'gap', depth: is, by: 'calliper' });
  }
  if (what !== 'note') return;
  const [step, field] = noteAt(about);
  const notes = { ...state.notes[step], ...(is === null ? {} : { [field]: is }) };
  if (is === null) Reflect.deleteProperty(notes, field);
  state.notes[step] = notes;
}
