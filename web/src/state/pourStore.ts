import {
  applyChanges,
  POUR_VERSION,
  pourSchema,
  upgradeChanges,
  valueAt,
  type FieldChange,
  type Pour,
  type PourDoc,
  type PourPath,
  type PourValue,
} from '@zero-pour/contracts';
import { defineStore } from 'pinia';
import { computed, shallowReactive, shallowRef } from 'vue';
import { request } from '../api/request';
import { useNotices } from './notices';
import { keepCopy } from './keptCopies';
import { useNotKept } from './notKept';
import { segmentsOf } from './knownProgrammes';
import { addPending, poursWaiting, readPending } from './pendingChanges';
import { ChangeSender, type Sent } from './sendChanges';

export type Saving = 'saved' | 'saving' | 'waiting';

const SEND_AFTER_MS = 350;
const RETRY_AFTER_MS = 3000;
const NO_ROOM =
  'This browser has no room left to keep what waits: it is in this window only. Do not close it before it is sent.';
const setAsideWords = (count: number): string =>
  count === 1
    ? 'One entry was not kept; it stands under “Not kept”.'
    : `${count} entries were not kept; they stand under “Not kept”.`;

/** A change as it is sent: null takes the field away. */
const changeOf = (path: readonly string[], value: unknown): FieldChange => ({
  path: [...path],
  value: (value ?? null) as FieldChange['value'],
  version: POUR_VERSION,
});

/** Pours that this window knows, with what was changed here laid over what the server has. */
export const usePours = defineStore('pours', () => {
  const pours = shallowReactive(new Map<string, Pour>());
  const timers = new Map<string, ReturnType<typeof setTimeout>>();
  const inFlight = new Set<string>();
  const sender = new ChangeSender();
  const undoStack: { id: string; change: FieldChange }[] = [];
  const saving = shallowRef<Saving>('saved');
  /** Steps that can be taken back, for the button. */
  const undoCount = shallowRef(0);

  const open = computed(() =>
    [...pours.values()].filter((p) => !p.discarded && p.doc.result.doneAt === undefined),
  );

  function withUnsent({ doc, used }: Pour, unsent: readonly FieldChange[]): PourDoc {
    const segments = used?.programme?.segments ?? segmentsOf(doc.burnout.programmeId);
    return applyChanges(doc, upgradeChanges(unsent, doc, { segments })) as PourDoc;
  }
  /** The server's pour, with unsent changes on top. */
  function take(pour: Pour): Pour {
    const unsent = readPending(pour.id);
    const shown = unsent.length > 0 ? { ...pour, doc: withUnsent(pour, unsent) } : pour;
    pours.set(pour.id, shown);
    if (unsent.length > 0) schedule(pour.id, SEND_AFTER_MS);
    return shown;
  }

  function takeOpen(list: readonly Pour[]): void {
    for (const pour of list) take(pour);
    // Pours that are not open any more may have something waiting too.
    for (const id of poursWaiting()) if (!pours.has(id)) schedule(id, SEND_AFTER_MS);
  }

  async function load(id: string): Promise<Pour> {
    return take(await request(pourSchema, 'GET', `/pours/${id}`));
  }

  async function create(doc: PourDoc): Promise<Pour> {
    return take(await request(pourSchema, 'POST', '/pours', { id: crypto.randomUUID(), doc }));
  }

  async function discard(id: string, discarded: boolean): Promise<void> {
    take(await request(pourSchema, 'PUT', `/pours/${id}/discarded`, { discarded }));
  }

  function schedule(id: string, delayMs: number): void {
    clearTimeout(timers.get(id));
    timers.set(
      id,
      setTimeout(() => void send(id), delayMs),
    );
    saving.value = delayMs > SEND_AFTER_MS ? 'waiting' : 'saving';
  }

  function apply(id: string, change: FieldChange): void {
    const pour = pours.get(id);
    if (!pour) return;
    pours.set(id, { ...pour, doc: applyChanges(pour.doc, [change]) as PourDoc });
    useNotKept().dealtWith(id, change.path);
    if (!addPending(id, change)) useNotices().wrong(NO_ROOM);
    schedule(id, SEND_AFTER_MS);
  }

  /** Sets one field of a pour; undefined takes it away. Shown at once, kept in this browser, then sent. */
  function set<const P extends PourPath>(id: string, path: P, value: PourValue<P> | undefined): void {
    const pour = pours.get(id);
    if (!pour) return;
    const before = valueAt(pour.doc, path);
    const change = changeOf(path, value);
    if (JSON.stringify(before) === JSON.stringify(change.value)) return;
    pushUndo(id, changeOf(path, before));
    apply(id, change);
  }

  /** Makes a change that was refused once more, as it was typed. */
  function resend(id: string, change: FieldChange): void {
    apply(id, change);
  }

  /** Typing in one field is taken back as one step. */
  function pushUndo(id: string, change: FieldChange): void {
    const last = undoStack.at(-1);
    const sameField = last?.id === id && last.change.path.join() === change.path.join();
    if (!sameField || typeof change.value === 'object') undoStack.push({ id, change });
    undoCount.value = undoStack.length;
  }

  function undo(): boolean {
    const last = undoStack.pop();
    undoCount.value = undoStack.length;
    if (!last) return false;
    apply(last.id, last.change);
    return true;
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

  return { pours, open, saving, undoCount, takeOpen, take, load, create, discard, set, undo, resend };
});
