import { api, files, type Person } from '@yard-spool/contract';
import type { Router } from 'express';
import type { ServerContext } from '../../context/context';
import { changePiece, writeOffPiece } from '../../rack/change-piece';
import { countPiece, weighPiece } from '../../rack/correct';
import { addMassSample, listShopLines, writeMaker } from '../../rack/products';
import { listRack } from '../../rack/list-rack';
import { listStock, readPiece } from '../../rack/rack';
import { readNextOf, readPack } from '../../rack/packs';
import { receivePiece } from '../../rack/receive';
import { orderFile } from '../../rack-files/order-file';
import { readReorder } from '../../cuts/reorder';
import { exportRack } from '../../rack-files/export-rack';
import { importRack } from '../../rack-files/import-rack';
import { importStock } from '../../rack-files/import-stock';
import { listWaitingFiles, putAwayFile, readWaitingFile } from '../../rack-files/waiting-files';
import { readRecycling, recycle } from '../../recycling/recycling';
import { readScale } from '../../scale/scale';
import { restorePiece } from '../../rack/restore-piece';
import { addTub, changeTub, listTubs, putBack, removeTub, soakPiece, takeOut } from '../../tubs/tubs';
import type { Lanes } from '../lanes';
import { noteExport } from '../note-export';
import { placeOf } from '../place';
import { personOf, serve, serveFile } from '../serve';

/** The rack, its tubs and bins, and its files. */
export function rackRoutes(router: Router, context: ServerContext, lanes: Lanes): void {
  serve(router, api.listProducts, () => listShopLines(context));
  serve(router, api.learnMass, ({ params, body, response }) =>
    addMassSample(context, personOf(response), params.id, body),
  );
  serve(router, api.writeMaker, ({ params, body, response }) =>
    writeMaker(context, personOf(response), params.id, body),
  );
  serve(router, api.listPieces, async () => [...(await listStock(context))]);
  serve(router, api.listRack, ({ query }) => listRack(context, query));
  serve(router, api.readNextOf, ({ params }) => readNextOf(context, params.id));
  serve(router, api.readPack, ({ params }) => readPack(context, params.code));
  serve(router, api.receivePiece, ({ body, response }) => receivePiece(context, personOf(response), body));
  serve(router, api.readPiece, ({ params, query }) => readPiece(context, params.code, query));
  serve(router, api.changePiece, ({ params, body, response }) =>
    changePiece(context, personOf(response), params.code, body),
  );
  serve(router, api.countPiece, ({ params, body, response }) =>
    countPiece(context, personOf(response), params.code, body),
  );
  serve(router, api.weighPiece, ({ params, body, response }) =>
    weighPiece(context, personOf(response), params.code, body),
  );
  serve(router, api.writeOffPiece, ({ params, body, response }) =>
    writeOffPiece(context, personOf(response), params.code, body.why),
  );
  serve(router, api.restorePiece, ({ params, response }) =>
    restorePiece(context, personOf(response), params.code),
  );
  serve(router, api.readScale, () => readScale(context));
  serve(router, api.listTubs, () => listTubs(context));
  serve(router, api.addTub, ({ body, response }) => addTub(context, personOf(response), body.name));
  serve(router, api.changeTub, ({ params, body, response }) =>
    changeTub(context, personOf(response), params.id, body.name),
  );
  serve(router, api.removeTub, ({ params, response }) => removeTub(context, personOf(response), params.id));
  serve(router, api.soakPiece, ({ params, body, response }) =>
    soakPiece(context, personOf(response), params.id, body.code),
  );
  serve(router, api.takeOut, ({ params, response }) => takeOut(context, personOf(response), params.id));
  serve(router, api.putBack, ({ params, response }) => putBack(context, personOf(response), params.id));
  serve(router, api.readRecycling, () => readRecycling(context));
  serve(router, api.recycle, ({ body, response }) => recycle(context, personOf(response), body));
  serve(router, api.readReorder, () => readReorder(context));
  serve(router, api.listWaitingFiles, () => listWaitingFiles(context));
  serve(router, api.readWaitingFile, ({ params }) => readWaitingFile(context, params.name));
  serve(router, api.putAwayFile, ({ params }) => putAwayFile(context, params.name));
  serveFile(router, lanes.files, files.exportRack, async (query, request, response) => {
    await noteExport(context, request, response, `${query.what}, ${query.format}`);
    return exportRack(context, query);
  });
  serveFile(router, lanes.files, files.order, async (_, request, response) => {
    await noteExport(context, request, response, 'what to order');
    return orderFile(context);
  });
  // What it brings is read in a worker, from the first bracket on: only bytes come this far.
  const bringsFile = (
    path: string,
    take: (body: Uint8Array, person: Person, place: string) => Promise<object>,
  ): unknown =>
    router.post(path, async (request, response) => {
      const body: unknown = request.body;
      const bytes = body instanceof Uint8Array ? body : new Uint8Array();
      const turn = lanes.turn('long', response);
      response.json(await turn(() => take(bytes, personOf(response), placeOf(request))));
    });
  bringsFile(api.importRack.path, (bytes, person, place) => importRack(context, person, bytes, place));
  bringsFile(api.readStockList.path, (bytes, person, place) => importStock(context, person, bytes, place));
}
