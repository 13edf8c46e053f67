import * as v from 'valibot';

/** Passcodes anybody would try first: runs of a keyboard, the plainest words. General knowledge, no list copied. */
const COMMONEST = new Set(
  `123456 1234567 12345678 123456789 1234567890 0123456789 654321 987654 abcdef abcdefg abc123 abcabc
   password passwort passcode password1 letmein welcome qwerty qwertz azerty qwerty123 qwertyuiop asdfgh asdfghjkl
   zxcvbn yxcvbn 1q2w3e 1q2w3e4r 1qaz2wsx admin1 admin123 administrator manager technician iloveyou monkey dragon
   sunshine princess football fishing fisherman tackle changeme secret secret1 default summer winter spring autumn
   112233 121212 123123 123321 131313 696969 777777 spooling yardspool yard-spool`.split(/\s+/),
);

/** Whether it is one sign over and over, or signs one after another. */
const isARun = (text: string): boolean => {
  const steps = Array.from(
    { length: text.length - 1 },
    (_, i) => text.charCodeAt(i + 1) - text.charCodeAt(i),
  );
  return [0, 1, -1].some((step) => steps.every((one) => one === step));
};

/** The fewest characters of a passcode. */
export const LEAST_PASSCODE = 6;

export const PasscodeSchema = v.pipe(
  v.string(),
  v.minLength(LEAST_PASSCODE, `A passcode has at least ${String(LEAST_PASSCODE)} characters.`),
  v.maxLength(64, 'A passcode has at most 64 characters.'),
  v.check(
    (passcode) => !COMMONEST.has(passcode.toLowerCase()) && !isARun(passcode),
    'This passcode is one of the first anybody would try. Choose another.',
  ),
);

/** Whether a passcode is somebody's name, or their name with figures behind it. */
export const isTheirName = (passcode: string, name: string): boolean => {
  const bare = (text: string): string => text.toLowerCase().replace(/[^\p{L}]/gu, '');
  return bare(name).length > 0 && bare(passcode) === bare(name);
};
