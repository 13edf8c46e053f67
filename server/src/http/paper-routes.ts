import { pipeline } from 'node:stream/promises';
import { api, files, RecordFileSchema } from '@yard-spool/contract';
import { toJsonSchema } from '@valibot/to-json-schema';
import type { Router } from 'express';
import { endCalendar, makeCalendar, readCalendar } from '../calendar/calendar';
import type { ServerContext } from '../context';
import { managersOnly } from '../house-rules/house-changes';
import { addMessage, changeMessage, listMessages } from '../messages/messages';
import { paperAsPdf, paperPreview, printPaper } from '../paper/paper';
import { exportDrawing } from '../record-files/drawings';
import { exportRecord } from '../record-files/export-record';
import { sendShop } from '../shop-file/shop-file-over-http';
import { noteExport } from './note-export';
import { personOf, readPart, serve, serveFile } from './serve';

/** What leaves the shop: paper, messages, open files, one line a route. */
export function paperRoutes(router: Router, context: ServerContext): void {
  serve(router, api.previewPaper, ({ query }) => paperPreview(context, query));
  serve(router, api.printPaper, ({ body }) => printPaper(context, body));
  router.get(files.paper.path, async (request, response) => {
    const query = readPart(files.paper.query, request.query, 'query');
    const { title, pdf } = await paperAsPdf(context, query);
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
  openFiles(router, context);
}

/** The record, its drawings and the whole shop, as files anybody's programs can read. */
function openFiles(router: Router, context: ServerContext): void {
  serveFile(router, files.record, async (query, request, response) => {
    const what = `the record of ${query.of} ${query.which}, ${query.format}`;
    const file = await exportRecord(context, query);
    await noteExport(context, request, response, what);
    return file;
  });
  router.get('/record-file/schema', (_request, response) => {
    response.json(toJsonSchema(RecordFileSchema));
  });
  serveFile(router, files.drawing, (query) => exportDrawing(context, query));
  router.get(files.shop.path, async (request, response) => {
    managersOnly(personOf(response), 'exports the whole shop');
    await noteExport(context, request, response, 'the whole shop');
    await sendShop(context, async (file) => {
      response.attachment(`yard-spool-shop-${context.clock().toISOString().slice(0, 10)}.jsonl.gz`);
      response.type('application/gzip');
      await pipeline(file, response).catch(() => response.destroy());
    });
  });
}
