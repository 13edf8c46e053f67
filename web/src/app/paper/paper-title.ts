import { PAPERS, type Paper } from '@yard-spool/contract';
import { PAPER_NAMES } from './paper-names';

/** What a paper's page is called: by what the paper is, and whose. */
export function paperTitle(what: string, of: string): string {
  const paper = (Object.keys(PAPERS) as Paper[]).find((one) => one === what);
  if (!paper) return 'On paper · Yard Spool';
  const whose = { bag: `, bag ${of}`, reel: `, ${of}`, day: '', rack: '', customer: '' }[PAPERS[paper]];
  return `${PAPER_NAMES[paper][0]}${/\d/.test(of) ? whose : ''} · Yard Spool`;
}
