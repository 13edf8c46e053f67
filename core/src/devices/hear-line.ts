import { COUNTED_TRAITS } from '../run/counted';
import type { CountingDevice } from '../run/credit-count';
import type { Heard } from './heard';
import type { CounterLine } from './counter-line';

/** So many seconds of winding may come in one line at any time: adapters send what they gathered. */
const GATHERED_S = 1.5;
/** A device says what it stands at at least this often while it turns, s. */
const EACH_S = 3;
/**
 * More than this many seconds of winding at full speed is asked about, however long the link was away: one touch where it
 * was wound, and a counter that jumped meanwhile is never believed by as much.
 */
const MOST_UNSEEN_S = 40;
/** A device that says the same old line again after this long began again, ms; a late line comes once. */
const SURELY_MS = 400;

/**
 * What a line tells of a device, after what is known of it. Lines count in the order the device sent them: a repeat says
 * that it is there, a late one nothing. A count that a hand cannot have wound since the last line, that fell back to
 * zero, or whose lines begin again, is in doubt; a single wrong line that the next one puts right is passed over.
 *
 * @param fresh whether it is the first line of a new link: then as long as the link was away may lie before it
 */
export function hearLine(before: Heard | null, line: CounterLine, { device, now, fresh }: Judging): Heard {
  const { sequence, count } = line;
  const begins = answered({ sequence, count, at: now, suspect: null });
  if (!before) return begins;
  if (sequence === before.sequence && count === before.count)
    return { ...before, at: now, sound: before.doubt ? before.sound : { ...before.sound, at: now } };
  if (sequence <= before.sequence) {
    if (!fresh && !beganAgain(before, sequence, now))
      return { ...before, suspect: before.suspect ?? { sequence, at: now } };
    return count === before.count && !before.doubt
      ? begins
      : { ...before, sequence, count, at: now, suspect: null, doubt: 'restarted', since: count, again: true };
  }
  return judged({ ...before, suspect: null }, line, { device, now, fresh });
}

/** Whether lines that come before the last one come one after the other: then they are no late ones. */
const beganAgain = ({ suspect }: Heard, sequence: number, now: number): boolean =>
  suspect !== null &&
  (sequence > suspect.sequence || (sequence === suspect.sequence && now - suspect.at > SURELY_MS));

/** What a line is judged by. */
interface Judging {
  readonly device: CountingDevice;
  readonly now: number;
  readonly fresh: boolean;
}

/** Where a device stood. */
type Stood = Heard['sound'];

function judged(before: Heard, line: CounterLine, by: Judging): Heard {
  const { sound } = before;
  const { sequence, count } = line;
  const { since, ...heard } = { ...before, sequence, count, at: by.now };
  const wound = canBeWound(sound, line, by);
  if (before.doubt === null)
    return wound && !isZeroed(sound, line, by)
      ? answered(heard)
      : { ...heard, doubt: count < sound.count ? 'restarted' : 'jumped', since: count };
  // One line was wrong, and the next goes on where the one before it stood. Lines that began again come by there as well.
  const isOne = before.sequence - sound.sequence === 1 && sequence - sound.sequence === 2;
  const putRight = isOne && before.again !== true && wound && (count - sound.count) / by.device.per >= -1;
  if (putRight) return answered(heard);
  const goesOn = canBeWound(before, line, by) && !isZeroed(before, line, by);
  return { ...heard, since: goesOn ? (since ?? before.count) : count };
}

/** Whether a hand can have gone so far since the device stood elsewhere. */
function canBeWound(from: Stood, { sequence, count }: CounterLine, { device, now, fresh }: Judging): boolean {
  const since = (now - from.at) / 1000;
  const lines = sequence - from.sequence;
  const seconds = fresh ? Math.min(since, MOST_UNSEEN_S) : Math.min(since, EACH_S * lines);
  return (
    Math.abs(count - from.count) / device.per <=
    COUNTED_TRAITS[device.counts].fastest * (seconds + GATHERED_S)
  );
}

const isZeroed = (from: Stood, { count }: CounterLine, { device: { per } }: Judging): boolean =>
  (count - from.count) / per <= -3 && Math.abs(count) < per;

/** The same device once what it counted is in doubt no more: it goes on from where it stands. */
export const answered = ({
  sequence,
  count,
  at,
  suspect,
}: Pick<Heard, 'sequence' | 'count' | 'at' | 'suspect'>): Heard => ({
  sequence,
  count,
  at,
  suspect,
  doubt: null,
  sound: { sequence, count, at },
});

/**
 * The same device once somebody answered what it counted up to a count. What it took another doubtful step from since is
 * still asked about; what was wound on meanwhile is not.
 */
export function answeredAt(heard: Heard, count: number, { counts, per }: CountingDevice): Heard {
  const { since = heard.count } = heard;
  const room = COUNTED_TRAITS[counts].fastest * GATHERED_S * per;
  const least = Math.min(since, heard.count);
  const most = Math.max(since, heard.count);
  if (heard.doubt === null || (count >= least - room && count <= most + room)) return answered(heard);
  const sound = { sequence: heard.sequence, count, at: heard.at };
  const rest: Heard = { ...heard, sound, doubt: heard.count < count ? 'restarted' : 'jumped' };
  // It was asked about up to there: the rest is another question.
  Reflect.deleteProperty(rest, 'logged');
  return rest;
}
