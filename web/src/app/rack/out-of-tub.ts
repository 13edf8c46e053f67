import { api } from '@yard-spool/contract';
import type { ApiService } from '../data/api.service';
import type { Undoable } from '../ui/undo.service';

/** That a piece is out of its tub, with the way back into the water. */
export const outOfTub = (server: ApiService, soakId: number, code: string, tub: string): Undoable => ({
  words: `${code} is out of ${tub}.`,
  back: () => server.call(api.putBack, { params: { id: soakId }, body: {} }),
});
