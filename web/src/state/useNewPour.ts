import { emptyPourDoc, type PourDoc } from '@zero-pour/contracts';
import { usePours } from './pourStore';
import { useThenOpen } from './useThenOpen';

/** Starts a pour, empty or from a document, and opens its brief. */
export function useNewPour(): (doc?: PourDoc) => Promise<boolean> {
  const pours = usePours();
  const thenOpen = useThenOpen();
  return (doc = emptyPourDoc()) => thenOpen(async () => `/pours/${(await pours.create(doc)).id}/brief`);
}
