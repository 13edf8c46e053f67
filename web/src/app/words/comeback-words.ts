import { COMPLAINTS, type Comeback } from '@yard-spool/contract';
import { causeOf, SYMPTOMS, symptomName } from '@yard-spool/core';

/** What a customer sees, as it is called on a button. */
export const complaintWords = (complaint: Comeback['complaint']): string => {
  const symptom = SYMPTOMS.find((one) => one === complaint);
  return symptom ? symptomName(symptom) : 'something else';
};

export const COMPLAINT_OPTIONS = COMPLAINTS.map((value) => ({ value, name: complaintWords(value) }));

/** What it comes down to: whose matter it is. */
export const CAUSE_WORDS: Readonly<Record<NonNullable<Comeback['cause']>, string>> = {
  'our-winding': 'our winding',
  'our-choice': 'what we chose for it',
  'the-line': 'the line itself',
  'the-reel': 'the reel',
  'how-it-is-fished': 'how it is fished',
  nothing: 'nothing was wrong',
  unknown: 'could not be told',
};

/** What it turned out to be, and what beside it, as the end of a sentence; empty where the causes were not gone through. */
export const faultWords = ({ fault, second }: Pick<Comeback, 'fault' | 'second'>): string => {
  const names = [fault, second].flatMap((one) => (one ? [causeOf(one).name.toLowerCase()] : []));
  return names.length > 0 ? `: ${names.join(', and ')}` : '';
};
