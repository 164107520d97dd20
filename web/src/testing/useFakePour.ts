import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, vi } from 'vitest';
import { usePours } from '../state/pourStore';
import { knowShop } from '../state/shopKeys';
import { TEST_SHOP } from './answers';
import { FAKE_POUR, FakePourServer } from './fakePourServer';

const NOTE = ['brief', 'note'] as const;

/** One pour behind a server that is none, opened anew for every test on a clock that is set by hand. */
export interface FakePour {
  server: FakePourServer;
  /** Types a note, as a person does; what is shown of it; and the time that it takes to be sent. */
  type(text: string): void;
  shown(): string | undefined;
  settle(): Promise<void>;
}
export function useFakePour(): FakePour {
  const fake = {
    type: (text) => usePours().set(FAKE_POUR, NOTE, text),
    shown: () => usePours().pours.get(FAKE_POUR)?.doc.brief.note,
    settle: () => vi.advanceTimersByTimeAsync(5000).then(() => undefined),
  } as FakePour;
  beforeEach(() => {
    vi.useFakeTimers();
    localStorage.clear();
    setActivePinia(createPinia());
    knowShop(TEST_SHOP);
    fake.server = new FakePourServer();
    vi.stubGlobal('fetch', fake.server.fetch);
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  return fake;
}
