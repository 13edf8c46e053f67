import type { CautionPlace } from '../cautions/cautions';

/** One answer to a look: what it is called, and how often it is given where no cause bears upon it. */
export interface LookAnswer {
  readonly name: string;
  readonly usual: number;
  /** What it says of the reel, as one line among the reasons. */
  readonly says: string;
}

/** Something to ask or to look at. Minutes, and how often each answer is given, are common practice, no source. */
export interface FaultLook {
  /** What is asked, in the imperative or as a question. */
  readonly ask: string;
  /** How to look, where that is not plain. */
  readonly how?: string;
  readonly minutes: number;
  /** What is needed for it beside eyes and hands. */
  readonly tool?: 'calliper' | 'spring balance' | 'tape';
  /** Only the record can tell: nobody is asked. */
  readonly onRecord?: true;
  readonly caution?: CautionPlace;
  readonly answers: Readonly<Record<string, LookAnswer>>;
}

export const says = (name: string, usual: number, said: string): LookAnswer => ({ name, usual, says: said });
