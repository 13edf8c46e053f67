import { formatQuantity, type Build, type UnitSystem } from '@yard-spool/core';
import type { ReelDraft } from './reel-draft';

const FITS = 'as much as fits';

/** What changes in a draft when another way to build it is taken. What was wanted of the main is kept for the next way. */
export function takeBuild(
  { kind, uses }: Build,
  { mainLength, wantedMain }: Pick<ReelDraft, 'mainLength' | 'wantedMain'>,
  system: UnitSystem,
): Partial<ReelDraft> {
  const wanted = mainLength === FITS ? wantedMain : mainLength;
  const metres = (length: number): string =>
    formatQuantity(length, 'line-length', system).text.replace(/\u00a0/g, ' ');
  const over = { underneath: 'backing', mainFirst: '', backingLength: '', mainLength: wanted } as const;
  switch (kind) {
    case 'main-only':
      return { underneath: 'main-only', mainFirst: '', mainLength: FITS, wantedMain: wanted };
    case 'tape':
      return { underneath: 'tape', mainFirst: '', tapeWraps: '', mainLength: wanted };
    case 'main-first':
      return { ...over, mainFirst: 'yes' };
    case 'shorter-main':
      return { ...over, mainLength: metres(uses.main) };
    case 'backing':
      return over;
  }
}
