import { NothingSchema } from '../basics';
import { CalendarSchema } from '../calendar';
import { ChangeMessageSchema, MessageSchema, MessagesQuerySchema, NewMessageSchema } from '../messages';
import { pageOf } from '../pages';
import { PaperPreviewSchema, PaperQuerySchema, PaperSentSchema } from '../paper';
import { route } from '../route';
import { byId } from './params';

/** What leaves the shop: on paper, in messages, by its calendar. */
export const paperApi = {
  previewPaper: route('GET', '/paper/preview', { query: PaperQuerySchema, reply: PaperPreviewSchema }),
  printPaper: route('POST', '/paper', { body: PaperQuerySchema, reply: PaperSentSchema }),
  listMessages: route('GET', '/messages', { query: MessagesQuerySchema, reply: pageOf(MessageSchema) }),
  addMessage: route('POST', '/messages', { body: NewMessageSchema, reply: MessageSchema }),
  changeMessage: route('PUT', '/messages/:id', {
    params: byId,
    body: ChangeMessageSchema,
    reply: MessageSchema,
  }),
  readCalendar: route('GET', '/calendar', { reply: CalendarSchema }),
  makeCalendar: route('POST', '/calendar', { body: NothingSchema, reply: CalendarSchema }),
  endCalendar: route('DELETE', '/calendar', { reply: CalendarSchema }),
} as const;
