import { toldChangeSchema, type ToldChange } from '@zero-pour/contracts';
import { useDocumentVisibility, useEventSource } from '@vueuse/core';
import { watch } from 'vue';
import { WINDOW } from '../api/request';
import { useKilnRuns } from './kilnRunStore';
import { usePours } from './pourStore';
import { useRecords } from './recordStore';
import { useShop } from './shopStore';

const AGAIN_MS = 2000;
/** Changes that come close together are fetched together. */
const GATHER_MS = 150;

type Part = 'shop' | 'records' | 'kilnRuns' | `pour ${string}`;

/** What has to be read anew when something was kept at an address. */
export function partOf(at: string): Part {
  const pour = /^\/pours\/([0-9a-f-]{36})/.exec(at)?.[1];
  if (pour) return `pour ${pour}`;
  if (at.startsWith('/records/')) return 'records';
  return at.startsWith('/kiln-runs/') ? 'kilnRuns' : 'shop';
}

/** Reads parts of the shop anew. What cannot be read just now is read with the next change, or when the line is back. */
async function readAnew(parts: ReadonlySet<Part>): Promise<void> {
  const [shop, pours, records, kilnRuns] = [useShop(), usePours(), useRecords(), useKilnRuns()];
  const reading = [...parts].map((part) => {
    if (part === 'shop') return shop.loadAgain();
    if (part === 'records') return records.loadAgain();
    if (part === 'kilnRuns') return kilnRuns.loadAgain();
    return pours.load(part.slice('pour '.length));
  });
  await Promise.all(reading.map((one) => one.catch(() => undefined)));
}

/** Follows what is told: which parts to read, and everything when something was missed. */
export function changeFollower(read: (parts: ReadonlySet<Part>) => Promise<void>) {
  let seen: ToldChange | undefined;
  let waiting = new Set<Part>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const want = (...parts: Part[]): void => {
    for (const part of parts) waiting.add(part);
    timer ??= setTimeout(() => {
      const parts = waiting;
      [timer, waiting] = [undefined, new Set()];
      void read(parts);
    }, GATHER_MS);
  };
  return {
    hear(change: ToldChange): void {
      const before = seen;
      seen = change;
      // The first word says how far it is: the page has just read everything.
      if (!before) return;
      const isNext = change.start === before.start && change.count === before.count + 1;
      const isSame = change.start === before.start && change.count === before.count;
      if (isSame) return;
      if (!isNext || change.at === undefined) want('shop', 'records', 'kilnRuns');
      else if (change.by !== WINDOW) want(partOf(change.at));
    },
    stop: () => clearTimeout(timer),
  };
}

/**
 * Shows what others change, within a moment. Only while the page is looked at: a browser has few lines to one address, and a
 * page that is looked at again hears how far it is and reads what it missed.
 */
export function followChanges(): void {
  const shop = useShop();
  const follower = changeFollower(readAnew);
  const { data, open, close } = useEventSource('/api/changes', [], {
    immediate: false,
    autoConnect: false,
    autoReconnect: { delay: AGAIN_MS },
  });
  watch(
    data,
    (text) => {
      const change = toldChangeSchema.safeParse(JSON.parse(text ?? 'null'));
      if (change.success) follower.hear(change.data);
    },
    { flush: 'sync' },
  );
  const visibility = useDocumentVisibility();
  watch(
    [visibility, () => shop.loading === 'ready'],
    ([seen, ready]) => (seen === 'visible' && ready ? open() : close()),
    { immediate: true },
  );
}
