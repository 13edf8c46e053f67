import { formatQuantity, type Build, type UnitSystem } from '@yard-spool/core';
import type { ReelDraft } from './reel-draft';

/** What changes in a draft when another way to build it is taken. */
export function takeBuild({ kind, uses }: Build, system: UnitSystem): Partial<ReelDraft> {
  switch (kind) {
    case 'main-only':
      return { underneath: 'main-only', mainFirst: '' };
    case 'tape':
      return { underneath: 'tape', mainFirst: '' };
    case 'main-first':
      return { underneath: 'backing', mainFirst: 'yes' };
    case 'shorter-main':
      return {
        underneath: 'backing',
        mainFirst: '',
        mainLength: formatQuantity(uses.main, 'line-length', system).text.replace(/\u00a0/g, ' '),
      };
    case 'backing':
      return { underneath: 'backing', mainFirst: '' };
  }
}
