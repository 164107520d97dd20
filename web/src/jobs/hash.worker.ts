import { sha256 } from '@zero-pour/jobs';
import { expose } from 'comlink';

/** What a file's bytes are kept under: worked out here, since a copy of a large one alone would hold the page up. */
const hashWorker = { hash: async (file: Blob): Promise<string> => sha256(await file.arrayBuffer()) };
export type HashWorker = typeof hashWorker;
expose(hashWorker);
