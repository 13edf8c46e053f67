import { inject, Injectable } from '@angular/core';
import type { NoteValue } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { BenchView } from './bench-view';
import { dragWords } from './drag-words';

type Values = Readonly<Record<string, NoteValue>> | null | undefined;

/** The drag that stands typed at its step, held against what was asked and against the weakest part. */
@Injectable()
export class DragCheck {
  private readonly bench = inject(BenchView);
  private readonly units = inject(UnitsService);
  /** What was said of a drag last. */
  private doubted = '';

  judge(values: Values): { readonly fits: boolean; readonly words: string } | null {
    const read = this.bench.current()?.kind === 'drag-reading' ? values?.drag : undefined;
    const judged = typeof read === 'number' ? this.bench.dragJudged(read) : null;
    return judged && { fits: judged.verdict === 'fits', words: dragWords(judged, this.units) };
  }

  /** A drag that is not as it should be is said once; Enter again keeps it. */
  doubt(values: Values): string {
    const said = this.judge(values);
    if (!said || said.fits || said.words === this.doubted) return '';
    this.doubted = said.words;
    return 'Set the drag again, or press Enter once more to keep it as it was read.';
  }
}
