import type { Step } from '@zero-pour/core';

/** What each step of reading a part does, after "Now". */
export const STEP_WORDS: Record<Step, string> = {
  reading: 'reading the triangles',
  welding: 'joining equal corners',
  checking: 'looking for holes in the surface',
  outline: 'taking the outline',
  solid: 'filling the solid',
  thickness: 'measuring thickness',
  gaps: 'measuring gaps',
  feed: 'following the metal',
  holes: 'looking through it',
  pockets: 'hanging it in slurry',
  surface: 'painting the surface',
};
