import { parentPort } from 'node:worker_threads';
import { carryOut, type Order } from './order';

parentPort!.once('message', (order: Order) => parentPort!.postMessage(carryOut(order)));
