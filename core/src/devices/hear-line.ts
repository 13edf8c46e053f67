import { COUNTED_TRAITS } from '../run/counted';
import type { CountingDevice } from '../run/credit-count';
import type { Heard } from './heard';
import type { CounterLine } from './counter-line';
import { GATHERED_S, roomAt, roomLeft, type Judging, type Stood } from './winding-room';

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
  if (sequence === before.sequence && count === before.count) {
    const stands = { at: now, room: roomAt(before, now) };
    return { ...before, ...stands, sound: before.doubt ? before.sound : { ...before.sound, ...stands } };
  }
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

function judged(before: Heard, line: CounterLine, by: Judging): Heard {
  const { sound } = before;
  const { sequence, count } = line;
  const { since, ...heard } = { ...before, sequence, count, at: by.now };
  const room = roomLeft(sound, line, by);
  const wound = room !== null && !isZeroed(sound, line, by);
  if (before.doubt === null)
    return wound
      ? answered({ ...heard, room })
      : {
          ...heard,
          room: roomAt(before, by.now),
          doubt: count < sound.count ? 'restarted' : 'jumped',
          since: count,
        };
  // One line was wrong, and the next goes on where the one before it stood. Lines that began again come by there as well.
  const isOne = before.sequence - sound.sequence === 1 && sequence - sound.sequence === 2;
  const putRight = isOne && before.again !== true && (count - sound.count) / by.device.per >= -1;
  if (putRight && room !== null) return answered({ ...heard, room });
  const left = roomLeft(before, line, by);
  return left !== null && !isZeroed(before, line, by)
    ? { ...heard, room: left, since: since ?? before.count }
    : { ...heard, room: roomAt(before, by.now), since: count };
}

const isZeroed = (from: Stood, { count }: CounterLine, { device: { per } }: Judging): boolean =>
  (count - from.count) / per <= -3 && Math.abs(count) < per;

/** The same device once what it counted is in doubt no more: it goes on from where it stands. */
export const answered = ({
  sequence,
  count,
  at,
  suspect,
  room = GATHERED_S,
}: Pick<Heard, 'sequence' | 'count' | 'at' | 'suspect' | 'room'>): Heard => ({
  sequence,
  count,
  at,
  suspect,
  room,
  doubt: null,
  sound: { sequence, count, at, room },
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
