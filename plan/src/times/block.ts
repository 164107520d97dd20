import type { StageKey } from '@zero-pour/core';

/** Work that takes its time: that of a stage, and on mold routes the mold and its waxes. */
export type WorkKey = StageKey | 'mold' | 'wax' | 'warm' | 'send' | 'quench' | 'divest' | 'finish';

/** A stretch of work on the board. */
export interface Block {
  work: WorkKey;
  /** What of it; absent where the work's own name says all. */
  name?: string;
  from: number;
  to: number;
  state: 'done' | 'running' | 'planned';
  /** Of what is planned: whether somebody is there all the time; absent: by the work's own way. */
  attended?: boolean;
}
