import { pipeline } from 'node:stream/promises';
import { api, files, RecordFileSchema, type Paper, type PaperQuery } from '@yard-spool/contract';
import { toJsonSchema } from '@valibot/to-json-schema';
import type { Response, Router } from 'express';
import { endCalendar, makeCalendar, readCalendar } from '../../calendar/calendar';
import type { ServerContext } from '../../context/context';
import { managersOnly } from '../../shop/house-changes';
import { addMessage, changeMessage, listMessages } from '../../messages/messages';
import { paperAsPdf, paperPreview, printPaper } from '../../paper/paper';
import { exportDrawing } from '../../record-files/drawings';
import { exportRecord } from '../../record-files/export-record';
import { sendShop } from '../../shop-file/shop-file-over-http';
import type { Turn } from '../../work/turn';
import type { Lanes } from '../lanes';
import { noteExport } from '../note-export';
import { untilItTakesNothing } from '../send-file';
import { personOf, readPart, serve, serveFile } from '../serve';

/** Papers of a page or two, however much waits in the shop. */
const ONE_PAGE: ReadonlySet<Paper> = new Set(['tag', 'claim-slip', 'hand-back', 'gauge', 'tape-marks']);

/** What leaves the shop: paper, messages, open files, one line a route. */
export function paperRoutes(router: Router, context: ServerContext, lanes: Lanes): void {
  const turnFor = ({ what }: PaperQuery, response: Response): Turn =>
    lanes.turn(ONE_PAGE.has(what) ? 'short' : 'long', response);
  serve(router, api.previewPaper, ({ query, response }) =>
    turnFor(query, response)(() => paperPreview(context, query)),
  );
  serve(router, api.printPaper, ({ body, response }) => printPaper(context, body, turnFor(body, response)));
  router.get(files.paper.path, async (request, response) => {
    const query = readPart(files.paper.query, request.query, 'query');
    const { title, pdf } = await turnFor(query, response)(() => paperAsPdf(context, query));
    response.attachment(`${title.replaceAll(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.pdf`);
    response.type('application/pdf').send(Buffer.from(pdf));
  });
  serve(router, api.listMessages, ({ query }) => listMessages(context, query));
  serve(router, api.addMessage, ({ body, response }) => addMessage(context, personOf(response), body));
  serve(router, api.changeMessage, ({ params, body, response }) =>
    changeMessage(context, personOf(response), params.id, body),
  );
  serve(router, api.readCalendar, () => readCalendar(context));
  serve(router, api.makeCalendar, ({ response }) => makeCalendar(context, personOf(response)));
  serve(router, api.endCalendar, ({ response }) => endCalendar(context, personOf(response)));
  openFiles(router, context, lanes);
}

/** The record, its drawings and the whole shop, as files anybody's programs can read. */
function openFiles(router: Router, context: ServerContext, lanes: Lanes): void {
  serveFile(router, lanes.files, files.record, async (query, request, response) => {
    const what = `the record of ${query.of} ${query.which}, ${query.format}`;
    const file = await exportRecord(context, query);
    await noteExport(context, request, response, what);
    return file;
  });
  router.get('/record-file/schema', (_request, response) => {
    response.json(toJsonSchema(RecordFileSchema));
  });
  serveFile(router, lanes.files, files.drawing, (query) => exportDrawing(context, query));
  router.get(files.shop.path, async (request, response) => {
    managersOnly(personOf(response), 'exports the whole shop');
    await lanes.files(response)(async () => {
      await noteExport(context, request, response, 'the whole shop');
      await sendShop(context, async (file) => {
        response.attachment(`yard-spool-shop-${context.clock().toISOString().slice(0, 10)}.jsonl.gz`);
        response.type('application/gzip');
        untilItTakesNothing(response);
        await pipeline(file, response).catch(() => response.destroy());
      });
    });
  });
}
