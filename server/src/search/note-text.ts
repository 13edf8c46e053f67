import { EVENT_KINDS, EVENT_TRAITS } from '@yard-spool/core';

const SEARCHED = EVENT_KINDS.filter((kind) => EVENT_TRAITS[kind].searched);

/** All that was written down of a fill, at the bench and when it came back, as it lies in the database. */
export const NOTE_TEXT = `CONCAT_WS(' ',
       (SELECT GROUP_CONCAT(JSON_EXTRACT(run_events.payload, '$.values.*', '$.why') SEPARATOR ' ') FROM run_events
        WHERE run_events.run_id = fills.run_id
          AND run_events.kind IN (${SEARCHED.map((kind) => `'${kind}'`).join(', ')})),
       (SELECT GROUP_CONCAT(CONCAT_WS(' ', comebacks.saw, comebacks.found, comebacks.did) SEPARATOR ' ')
        FROM comebacks WHERE comebacks.fill_id = fills.id))`;
