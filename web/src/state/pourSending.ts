import type { Pour } from '@zero-pour/contracts';
import { onScopeDispose, shallowRef } from 'vue';
import { keepCopy } from './keptCopies';
import { useNotices } from './notices';
import { poursWaiting, readPending } from './pendingChanges';
import { ChangeSender, type Sent } from './sendChanges';

type Saving = 'saved' | 'saving' | 'waiting';

export const SEND_AFTER_MS = 350;
const RETRY_AFTER_MS = 3000;
const setAsideWords = (count: number): string =>
  count === 1
    ? 'One entry was not kept; it stands under “Not kept”.'
    : `${count} entries were not kept; they stand under “Not kept”.`;

interface Shown {
  take: (pour: Pour) => unknown;
  load: (id: string) => Promise<unknown>;
}

/** Sends what waits of each pour, in order, and again while nobody answers: a part of the pours' store. */
export function pourSending({ take, load }: Shown) {
  const timers = new Map<string, ReturnType<typeof setTimeout>>();
  const inFlight = new Set<string>();
  const sender = new ChangeSender();
  const saving = shallowRef<Saving>('saved');
  let isOver = false;
  // A store that was put away sends nothing more: what waits is the next one's.
  onScopeDispose(() => {
    isOver = true;
    timers.forEach(clearTimeout);
  });

  function schedule(id: string, delayMs: number): void {
    if (isOver) return;
    clearTimeout(timers.get(id));
    timers.set(
      id,
      setTimeout(() => void send(id), delayMs),
    );
    saving.value = delayMs > SEND_AFTER_MS ? 'waiting' : 'saving';
  }

  async function send(id: string): Promise<void> {
    // One request at a time a pour, so that an older value never arrives after a newer one.
    if (inFlight.has(id)) return schedule(id, SEND_AFTER_MS);
    inFlight.add(id);
    try {
      const sent = await sender.send(id);
      if (sent === null) saving.value = poursWaiting().length === 0 ? 'saved' : saving.value;
      else if ('again' in sent) await tryAgain(id, sent.again);
      else arrived(id, sent);
    } finally {
      inFlight.delete(id);
    }
  }

  function arrived(id: string, { pour, setAside, more }: Extract<Sent, { pour: Pour }>): void {
    take(pour);
    void keepCopy(pour).catch(() => {});
    if (setAside > 0) useNotices().wrong(setAsideWords(setAside));
    if (more) schedule(id, 0);
    else if (poursWaiting().length === 0) saving.value = 'saved';
  }

  /** Something was set aside or nobody answered: what the server has is shown where nothing waits any more. */
  async function tryAgain(id: string, when: 'soon' | 'later'): Promise<void> {
    if (readPending(id).length > 0) return schedule(id, when === 'soon' ? 0 : RETRY_AFTER_MS);
    saving.value = 'saved';
    useNotices().wrong(setAsideWords(1));
    await load(id).catch(() => undefined);
  }

  return { saving, schedule };
}
