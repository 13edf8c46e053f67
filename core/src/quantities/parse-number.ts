import { fail, succeed, type PlainIssue, type Result } from '../issue';

const FRACTION = /^([-+])?(?:(\d+)[ -])?(\d+)\/(\d+)$/;
const GROUPED = /^-?\d{1,3}(,\d{3})+\.\d+$|^-?\d{1,3}(,\d{3}){2,}$/;

const wrong = (sentence: string): PlainIssue => ({ code: 'not-a-number', severity: 'error', sentence });

/**
 * Reads the number part of a quantity: 120, .25, 0,25 (decimal comma), 1,310.5, 1/16, 1 1/2.
 *
 * @param grouped whether a comma before exactly three digits groups thousands, as it does wherever nobody measures to a
 *   thousandth: "1,310" is then 1310
 * @returns the number, or an issue. Otherwise such a comma can be read two ways and is refused with both readings, unless
 *   it starts with a zero.
 */
export function parseNumber(text: string, grouped = false): Result<number, PlainIssue> {
  const read = readNumber(text, grouped);
  if (!read.ok || Number.isFinite(read.value)) return read;
  return fail(wrong(`"${text.trim().slice(0, 20)}…" is a larger number than anything here can be.`));
}

function readNumber(text: string, grouped: boolean): Result<number, PlainIssue> {
  const clean = text
    .trim()
    .replace(/[\u00a0\u202f]/g, ' ')
    .replace(/^[−–]/, '-');
  const fraction = FRACTION.exec(clean);
  if (fraction) return fromFraction(fraction);
  const plain = clean.replace(/(?<=\d) (?=\d{3}\b)/g, '');
  if (GROUPED.test(plain)) return succeed(Number(plain.replaceAll(',', '')));
  if (/^-?[1-9]\d{0,2},\d{3}$/.test(plain))
    return grouped ? succeed(Number(plain.replace(',', ''))) : fail(twoReadings(plain));
  const dotted = plain.replace(',', '.');
  if (!/^[-+]?(\d+\.?\d*|\.\d+)$/.test(dotted)) {
    return fail(wrong(`"${text.trim()}" is not a number. Write it like 120, 0.25, 0,25 or 1/16.`));
  }
  return succeed(Number(dotted));
}

function fromFraction([, sign, whole, over, under]: RegExpExecArray): Result<number, PlainIssue> {
  if (Number(under) === 0) return fail(wrong('A fraction cannot have zero under the line.'));
  const value = Number(whole ?? 0) + Number(over) / Number(under);
  return succeed(sign === '-' ? -value : value);
}

function twoReadings(text: string): PlainIssue {
  return {
    code: 'ambiguous',
    severity: 'error',
    sentence: `"${text}" can be read as ${text.replace(',', '')} or as ${text.replace(',', '.')}. Write it without the comma, or with a dot.`,
  };
}
