import { noteAt } from '../steps/note-at';
import type { Draft } from './draft';
import { readDepth } from './read-depth';
import type { Correction } from './run-event';

/** A gap or a note as it should have been written down. Lengths and pieces are put right in the fill itself. */
export function correct(draft: Draft, { what, about, is }: Correction): void {
  if (what === 'gap') {
    draft.depths = draft.depths.filter(({ after }) => after !== 'gap');
    if (typeof is === 'number') readDepth(draft, { after: 'gap', depth: is, by: 'calliper' });
  }
  if (what !== 'note') return;
  const [step, field] = noteAt(about);
  const notes = { ...draft.notes[step], ...(is === null ? {} : { [field]: is }) };
  if (is === null) Reflect.deleteProperty(notes, field);
  draft.notes[step] = notes;
}
