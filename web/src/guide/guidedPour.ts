import { emptyPourDoc } from '@zero-pour/contracts';
import { createGlobalState, useSessionStorage } from '@vueuse/core';
import type { Ref } from 'vue';
import { usePours } from '../state/pourStore';
import { useThenOpen } from '../state/useThenOpen';

/** A pour that is being shown, step by step: of this window, so that a reload goes on where it was. */
export interface Guided {
  pourId: string;
  at: number;
}
export const useGuided: () => Ref<Guided | null> = createGlobalState(() =>
  // Of the window and not of who asks for it: the dialog that begins one is gone before it has begun.
  useSessionStorage<Guided | null>('zp-guided', null, {
    serializer: {
      read: (text) => JSON.parse(text) as Guided | null,
      write: (value) => JSON.stringify(value),
    },
  }),
);

/** Begins a pour that is shown: an ordinary one, empty. */
export function useStartGuide(): () => Promise<boolean> {
  const pours = usePours();
  const thenOpen = useThenOpen();
  const guided = useGuided();
  return () =>
    thenOpen(async () => {
      const { id } = await pours.create(emptyPourDoc());
      guided.value = { pourId: id, at: 0 };
      return `/pours/${id}/brief`;
    });
}
