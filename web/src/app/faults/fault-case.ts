import {
  CANNOT_TELL,
  LOOK_KEYS,
  lookOf,
  SYMPTOMS,
  type LookKey,
  type LookKnown,
  type LookMade,
  type Symptom,
  type Words,
} from '@yard-spool/core';

/** What was said and answered so far about one reel that is not right. */
export interface FaultTold {
  readonly symptoms: readonly Symptom[];
  /** Answers given here, in the order they were given; each takes the place of what the record says. */
  readonly answers: readonly LookMade[];
  /** Depth of the line now where it was measured, mm. */
  readonly gapRead: number | null;
}

export const NOTHING_TOLD: FaultTold = { symptoms: [], answers: [], gapRead: null };

/** A symptom said, or taken back. The one said first is what it came for. */
export const sayToo = (told: FaultTold, symptom: Symptom): FaultTold => ({
  ...told,
  symptoms: told.symptoms.includes(symptom)
    ? told.symptoms.filter((one) => one !== symptom)
    : [...told.symptoms, symptom],
});

/** An answer to a look; the one given before makes room. */
export const answered = (
  told: FaultTold,
  look: LookKey,
  answer: string,
  gapRead: number | null = null,
): FaultTold => ({
  ...told,
  answers: [...told.answers.filter((one) => one.look !== look), { look, answer }],
  gapRead: look === 'gap' ? gapRead : told.gapRead,
});

/** Without the answer that was given last. */
export const oneBack = (told: FaultTold): FaultTold => {
  const last = told.answers.at(-1);
  if (!last) return told;
  return {
    ...told,
    answers: told.answers.slice(0, -1),
    gapRead: last.look === 'gap' ? null : told.gapRead,
  };
};

/** Symptoms and looks as an address or a comeback has them; what is none of them is left out. */
export function toldFrom(say: string, looks: readonly { look: string; answer: string }[]): FaultTold {
  const symptoms = say.split(',').flatMap((one) => SYMPTOMS.find((symptom) => symptom === one) ?? []);
  const answers = looks.flatMap(({ look, answer }) => {
    const key = LOOK_KEYS.find((one) => one === look);
    const known = key && (answer === CANNOT_TELL || Object.hasOwn(lookOf(key).answers, answer));
    return known ? [{ look: key, answer }] : [];
  });
  return { symptoms, answers, gapRead: null };
}

/** Looks in an address: `thumb:springs,load:no`. */
export const looksOf = (text: string): { look: string; answer: string }[] =>
  text.split(',').flatMap((one) => {
    const [look = '', answer = ''] = one.split(':');
    return look && answer ? [{ look, answer }] : [];
  });

/** What an answer says, as one line: in the record's own words where the record says the same. */
export function answerWords({ look, answer }: LookMade, record: readonly LookKnown[]): LookTold {
  const known = record.find((one) => one.look === look && one.answer === answer);
  if (known) return { words: known.words, onRecord: true };
  return {
    words: lookOf(look).answers[answer]?.says ?? `${lookOf(look).ask} Cannot be told.`,
    onRecord: false,
  };
}

/** A look in words, and whether they are the record's. */
interface LookTold {
  readonly words: Words;
  readonly onRecord: boolean;
}
