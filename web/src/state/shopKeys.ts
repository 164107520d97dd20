import { noRoomLeft } from '../api/browserRoom';

/**
 * What this browser keeps of a shop stands under the shop's id: two shops that take turns on one port, a demo and one's
 * own, never get each other's entries.
 */
const PREFIX = 'zero-pour.';
let shopId: string | undefined;
let tellKnown: () => void = () => {};
const known = new Promise<void>((resolve) => (tellKnown = resolve));

/** Resolves once a shop has answered. */
export const whenShopKnown = (): Promise<void> => known;

/** The shop that answers here. */
export function knowShop(id: string): void {
  shopId = id;
  tellKnown();
}

/** The id of the shop that answers here; asked for only once it is known. */
export function knownShop(): string {
  if (shopId === undefined) throw new Error('asked for what is kept of a shop before any has answered');
  return shopId;
}

/** The key of something kept of this shop. */
export const shopKey = (name: string): string => `${PREFIX}${knownShop()}.${name}`;

/** What found no room in the browser's store: it lasts as long as this window. */
const inWindow = new Map<string, string>();

export const readKept = (key: string): string | null => inWindow.get(key) ?? localStorage.getItem(key);

/** Keeps a text in this browser. When that is full only this window has it, until it is sent: which is said, once for each. */
export function writeKept(key: string, text: string): void {
  try {
    localStorage.setItem(key, text);
    inWindow.delete(key);
  } catch {
    if (!inWindow.has(key)) noRoomLeft();
    inWindow.set(key, text);
  }
}

export function dropKept(key: string): void {
  inWindow.delete(key);
  localStorage.removeItem(key);
}

/** Names of what is kept of this shop and begins so. */
export function keptNames(start: string): string[] {
  const prefix = shopKey('');
  return [...Object.keys(localStorage), ...inWindow.keys()]
    .filter((key, i, all) => key.startsWith(prefix + start) && all.indexOf(key) === i)
    .map((key) => key.slice(prefix.length));
}

/**
 * Entries kept before shops had an id go to this one when it has the things that they are of; others are left alone,
 * since they may be another shop's.
 */
export function adoptOldEntries(isOfThisShop: (id: string) => boolean): void {
  for (const key of Object.keys(localStorage)) {
    const old = /^zero-pour\.((?:unsent|put)\..*?([0-9a-f-]{36}))$/.exec(key);
    if (!old || !isOfThisShop(old[2]!)) continue;
    writeKept(shopKey(old[1]!), localStorage.getItem(key) ?? '');
    localStorage.removeItem(key);
  }
}
