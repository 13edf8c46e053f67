import { api } from '@yard-spool/contract';
import type { Router } from 'express';
import type { House } from '../house';
import { changePiece, writeOffPiece } from '../rack/change-piece';
import { countPiece, weighPiece } from '../rack/correct';
import { addMassSample, listProducts } from '../rack/products';
import { listPieces, readPiece } from '../rack/rack';
import { receivePiece } from '../rack/receive';
import { readReorder } from '../rack/reorder';
import { exportRack } from '../rack-files/export-rack';
import { importRack } from '../rack-files/import-rack';
import { readRecycling, recycle } from '../recycling/recycling';
import { readScale } from '../scale/scale';
import { addTub, changeTub, listTubs, removeTub, soakPiece, takeOut } from '../tubs/tubs';
import { personOf, serve } from './serve';

/** The rack, its tubs and bins, and its files. */
export function rackRoutes(router: Router, house: House): void {
  serve(router, api.listProducts, () => listProducts(house));
  serve(router, api.learnMass, ({ params, body, response }) =>
    addMassSample(house, personOf(response), params.id, body),
  );
  serve(router, api.listPieces, ({ query }) => listPieces(house, query));
  serve(router, api.receivePiece, ({ body, response }) => receivePiece(house, personOf(response), body));
  serve(router, api.readPiece, ({ params, query }) => readPiece(house, params.code, query.asOf));
  serve(router, api.changePiece, ({ params, body }) => changePiece(house, params.code, body));
  serve(router, api.countPiece, ({ params, body, response }) =>
    countPiece(house, personOf(response), params.code, body),
  );
  serve(router, api.weighPiece, ({ params, body, response }) =>
    weighPiece(house, personOf(response), params.code, body),
  );
  serve(router, api.writeOffPiece, ({ params, body, response }) =>
    writeOffPiece(house, personOf(response), params.code, body.why),
  );
  serve(router, api.readScale, () => readScale(house));
  serve(router, api.listTubs, () => listTubs(house));
  serve(router, api.addTub, ({ body, response }) => addTub(house, personOf(response), body.name));
  serve(router, api.changeTub, ({ params, body, response }) =>
    changeTub(house, personOf(response), params.id, body.name),
  );
  serve(router, api.removeTub, ({ params, response }) => removeTub(house, personOf(response), params.id));
  serve(router, api.soakPiece, ({ params, body, response }) =>
    soakPiece(house, personOf(response), params.id, body.code),
  );
  serve(router, api.takeOut, ({ params, response }) => takeOut(house, personOf(response), params.id));
  serve(router, api.readRecycling, () => readRecycling(house));
  serve(router, api.recycle, ({ body, response }) => recycle(house, personOf(response), body));
  serve(router, api.readReorder, () => readReorder(house));
  serve(router, api.exportRack, ({ query }) => exportRack(house, query));
  serve(router, api.importRack, ({ body, response }) => importRack(house, personOf(response), body));
}
