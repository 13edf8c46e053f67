// A worker that simulates a part of the seasons: gets fills to be simulated, sends them back in their order.
import { parentPort, workerData } from 'node:worker_threads';
import { simulateFill, type Asked } from './seasons/simulate';

parentPort?.postMessage((workerData as readonly Asked[]).map(simulateFill));
