import { makeSide } from '@zero-pour/core';
import { expose } from 'comlink';

/** The thread beside a worker that analyses a part. */
const side = makeSide();
export type SideWorker = typeof side;
expose(side);
