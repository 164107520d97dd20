import { cutEvidence, type Evidence } from '@zero-pour/core';
import type { PourContext } from '../context';
import { cutOfPlate } from '../print/plateLoad';

/** What the layers say that every part is cut in; nothing until all are. */
export function cutSigns(context: PourContext): Evidence {
  const cut = cutOfPlate(context);
  return cut ? cutEvidence(cut) : {};
}
