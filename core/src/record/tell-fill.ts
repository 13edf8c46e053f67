import { isWithin } from '../numeric/bounded';
import { formatCount } from '../quantities/format-quantity';
import type { UnitSystem } from '../quantities/units';
import { EVENT_TRAITS } from '../run/event-traits';
import type { RunEvent, RunHappening } from '../run/run-event';
import type { RunState } from '../run/run-state';
import { kindOfStep } from '../steps/check-notes';
import { stepId, type RunFacts } from '../steps/run-facts';
import { lineLayers } from '../steps/winding-order';
import { roleOf } from './role-of';
import { tellEvent, type Around } from './tell-event';
import { layerWords, metres, millimetres } from './words';

/** A part of a fill, told in a few sentences: before it, each layer, the end, and who had it. */
export interface Chapter {
  readonly title: string;
  readonly sentences: readonly string[];
}

/** Who a fill is told to. */
interface ToldTo {
  /** A time as people of the shop write it; without it no times are told. */
  readonly when?: (iso: string) => string;
  /** What they measure in. */
  readonly units?: UnitSystem;
}

/**
 * A fill as a colleague reads it in half a minute: what was done, seen and found, without the steps that are the same on
 * every reel. What was taken back is not in it; the log has it.
 *
 * @param standing the events that stand, in order
 */
export function tellFill(
  facts: RunFacts,
  state: RunState,
  standing: readonly RunEvent[],
  { when = () => '', units = 'metric' }: ToldTo = {},
): Chapter[] {
  const around = { facts, log: standing, units };
  const tell = (events: readonly RunHappening[]): string[] => events.map((event) => tellEvent(event, around));
  const layers = lineLayers(facts.request);
  const layerOfNote = (step: string): string | undefined =>
    layers.find(({ id }) =>
      (['join', 'splice', 'prepare-supply'] as const).some((kind) => step === stepId(kind, id)),
    )?.id;
  const notes = notedRightly(standing);
  const before = notes.filter(({ payload }) => isBefore(payload.step, facts));
  const after = notes.filter(
    (event) => !before.includes(event) && layerOfNote(event.payload.step) === undefined,
  );
  const chapters: Chapter[] = [
    { title: 'Before', sentences: tell(before) },
    ...layers.map(({ id }) => ({
      title: layerWords(roleOf(id, facts)),
      sentences: [
        ...tell(notes.filter(({ payload }) => layerOfNote(payload.step) === id)),
        ...countWords(state, id, { name: layerWords(roleOf(id, facts)), units }),
        ...whoWound(standing, id, when),
        ...tell(
          standing.filter(
            (event) =>
              EVENT_TRAITS[event.kind].chapter === 'layer' &&
              'layer' in event.payload &&
              event.payload.layer === id,
          ),
        ),
        ...tell(standing.filter((event) => event.kind === 'depth-read' && event.payload.after === id)),
      ],
    })),
    {
      title: 'At the end',
      sentences: [
        ...gapWords(around),
        ...tell(standing.filter(({ kind }) => kind === 'walked' || kind === 'settled')),
        ...tell(after),
      ],
    },
    {
      title: 'Put right',
      sentences: tell(standing.filter((event, i) => stillRight(event, standing.slice(i)))),
    },
    {
      title: 'Who',
      sentences: standing
        .filter(({ kind }) => EVENT_TRAITS[kind].chapter === 'who')
        .map((one) => withWho(one, around, when)),
    },
  ];
  return chapters
    .map(({ title, sentences }) => ({ title, sentences: sentences.map((one) => under(title, one)) }))
    .filter(({ sentences }) => sentences.length > 0);
}

/** A length or a piece put right is settled again where the run was opened once more; a gap or a note stays as put right. */
const stillRight = ({ kind, payload }: RunEvent, since: readonly RunEvent[]): boolean =>
  kind === 'corrected' &&
  (payload.what === 'gap' || payload.what === 'note' || !since.some((event) => event.kind === 'reopened'));

/** What was written down, as it was put right since. */
function notedRightly(standing: readonly RunEvent[]): Extract<RunEvent, { kind: 'noted' }>[] {
  const noted = standing.filter((event) => event.kind === 'noted');
  const right = new Map(
    standing.flatMap(({ kind, payload }) =>
      kind === 'corrected' && payload.what === 'note' ? [[payload.about, payload.is] as const] : [],
    ),
  );
  return noted.flatMap((event) => {
    const values = Object.entries(event.payload.values).flatMap(([key, value]) => {
      const is = right.get(`${event.payload.step}.${key}`);
      return is === null ? [] : [[key, is ?? value] as const];
    });
    if (values.length === 0) return [];
    return [{ ...event, payload: { ...event.payload, values: Object.fromEntries(values) } }];
  });
}

/** Under its title a sentence need not begin with it. */
function under(title: string, sentence: string): string {
  if (!sentence.startsWith(`${title}: `)) return sentence;
  const rest = sentence.slice(title.length + 2);
  return rest.charAt(0).toUpperCase() + rest.slice(1);
}

const withWho = (event: RunEvent, around: Around, when: (iso: string) => string): string =>
  [when(event.at), `${event.by}: ${tellEvent(event, around).replace(/^./, (first) => first.toLowerCase())}`]
    .filter(Boolean)
    .join(', ');

/** Who wound a layer, and when: a colleague may have gone on with it. */
function whoWound(standing: readonly RunEvent[], id: string, when: (iso: string) => string): string[] {
  const wound = standing.filter(
    ({ kind, payload }) => (kind === 'turns' || kind === 'metres') && payload.layer === id,
  );
  const first = wound[0];
  const last = wound.at(-1);
  const names = [...new Set(wound.map(({ by }) => by))].filter(Boolean);
  if (!first || !last || names.length === 0) return [];
  const times = [...new Set([when(first.at), when(last.at)])].filter(Boolean);
  return [`Wound by ${[names.join(', then '), times.join(' to ')].filter(Boolean).join(', ')}.`];
}

const isBefore = (step: string, facts: RunFacts): boolean =>
  ['strip', 'reducer', 'grip', 'mount', 'tie-on'].includes(kindOfStep(step, facts) ?? '');

/** How a layer was counted, and what the line meter told of it. */
function countWords(
  { turns, metres: metered, byEye, byDevice, usedUp, stretches }: RunState,
  id: string,
  { name, units }: { readonly name: string; readonly units: UnitSystem },
): string[] {
  const counted = turns[id] ?? 0;
  const over = metered[id] ?? 0;
  const said = [
    ...(isWithin(counted, 0.5, Infinity)
      ? [`${formatCount(counted)} turns counted ${byDevice.has(id) ? 'by a counter' : 'by hand'}`]
      : []),
    ...(over > 0 ? [`${metres(over, units)} over a line meter`] : []),
    ...(byEye.has(id) ? [byEye.get(id)?.at === 0 ? 'on it when it came' : 'wound by eye'] : []),
    ...(usedUp.has(id) ? ['its supply ran out with it'] : []),
  ];
  const own = stretches.filter(({ layer }) => layer === id);
  const length = own.reduce((sum, stretch) => sum + stretch.length, 0);
  return [
    ...(said.length > 0 ? [`${name}: ${said.join(', ')}.`] : []),
    ...(own.length > 0
      ? [
          `${own[0]?.meter ?? ''} measured the reel over ${metres(length, units)}, in ${String(own.length)} stretches.`,
        ]
      : []),
  ];
}

/** The gap that was wanted, and what was read at it. */
function gapWords({ facts, log: standing, units }: Around): string[] {
  const { gap } = facts.request;
  const read = standing.findLast(
    (event): event is Extract<RunEvent, { kind: 'depth-read' }> =>
      event.kind === 'depth-read' && event.payload.after === 'gap',
  );
  const wanted = gap === undefined ? [] : [`A gap of ${millimetres(gap, units)} was wanted`];
  const put = standing.findLast(
    (event): event is Extract<RunEvent, { kind: 'corrected' }> =>
      event.kind === 'corrected' && event.payload.what === 'gap',
  );
  const right = put?.payload.is;
  const got = put
    ? [
        typeof right === 'number'
          ? `${millimetres(right, units)} was got, as put right`
          : 'it was not read, as put right',
      ]
    : read
      ? [
          `${millimetres(read.payload.depth, units)} was read by ${read.payload.by === 'eye' ? 'eye' : 'calliper'}`,
        ]
      : [];
  return wanted.length + got.length > 0 ? [`${[...wanted, ...got].join('; ')}.`] : [];
}
