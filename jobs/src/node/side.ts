import { makeSide, type SideMessage } from '@zero-pour/core';
import { parentPort } from 'node:worker_threads';

const side = makeSide();
parentPort!.on('message', (message: SideMessage) => parentPort!.postMessage(side(message)));
