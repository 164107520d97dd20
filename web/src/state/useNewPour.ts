import { emptyPourDoc, repeatPourDoc, type PourDoc } from '@zero-pour/contracts';
import { usePours } from './pourStore';
import { useThenOpen } from './useThenOpen';

/** Starts a pour, empty or from a document that may yet have to be fetched, and opens its brief. */
export function useNewPour(): (doc?: PourDoc | Promise<PourDoc>) => Promise<boolean> {
  const pours = usePours();
  const thenOpen = useThenOpen();
  return (doc = emptyPourDoc()) => thenOpen(async () => `/pours/${(await pours.create(await doc)).id}/brief`);
}

/** Starts a pour like one of the record, as its document says it now. */
export function useRepeated(): (id: string) => Promise<boolean> {
  const pours = usePours();
  const newPour = useNewPour();
  return (id) => newPour(pours.load(id).then(({ doc, number }) => repeatPourDoc(doc, number, '')));
}
