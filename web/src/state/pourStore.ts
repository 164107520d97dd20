import {
  applyChanges,
  POUR_VERSION,
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
import { useNotKept } from './notKept';
import { segmentsOf } from './knownProgrammes';
import { addPending, poursWaiting, readPending } from './pendingChanges';
import { pourFetching } from './pourFetching';
import { pourSending, SEND_AFTER_MS } from './pourSending';
import { useNamedPatterns } from './useNamedPatterns';
import { UndoSteps, type FieldBefore } from './undoSteps';

/** A change as it is sent: null takes the field away. */
const changeOf = (path: readonly string[], value: unknown): FieldChange => ({
  path: [...path],
  value: (value ?? null) as FieldChange['value'],
  version: POUR_VERSION,
});

/** A document with what was not sent yet on top, in today's wording. */
function withUnsent({ doc, used }: Pour, unsent: readonly FieldChange[]): PourDoc {
  const segments = used?.programme?.segments ?? segmentsOf(doc.burnout.programmeId);
  return applyChanges(doc, upgradeChanges(unsent, doc, { segments })) as PourDoc;
}

/** A field of a pour to be set; undefined takes it away. */
export interface PourChange {
  id: string;
  path: PourPath;
  value: unknown;
}

/** Pours that this window knows, with what was changed here laid over what the server has. */
export const usePours = defineStore('pours', () => {
  const pours = shallowReactive(new Map<string, Pour>());
  const steps = new UndoSteps();
  const { load, loadNumbered, create, discard } = pourFetching(take);
  const { saving, schedule } = pourSending({ take, load });
  /** Steps that can be taken back, for the button. */
  const undoCount = shallowRef(0);

  const open = computed(() =>
    [...pours.values()].filter((p) => !p.discarded && p.doc.result.doneAt === undefined),
  );

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

  function apply(id: string, change: FieldChange): void {
    const pour = pours.get(id);
    if (!pour) return;
    pours.set(id, { ...pour, doc: applyChanges(pour.doc, [change]) as PourDoc });
    useNotKept().dealtWith(id, change.path);
    // What is shown is what its writer knows.
    const over = [valueAt(pour.doc, change.path) as FieldChange['value']];
    addPending(id, { ...change, over });
    schedule(id, SEND_AFTER_MS);
  }

  /** Sets one field of a pour; undefined takes it away. Shown at once, kept in this browser, then sent. */
  function set<const P extends PourPath>(id: string, path: P, value: PourValue<P> | undefined): void {
    const pour = pours.get(id);
    if (!pour) return;
    const before = valueAt(pour.doc, path);
    const change = changeOf(path, value);
    if (JSON.stringify(before) === JSON.stringify(change.value)) return;
    undoCount.value = steps.add({ id, change: changeOf(path, before) });
    apply(id, change);
  }

  /** Makes a change that was refused once more, as it was typed. */
  function resend(id: string, change: FieldChange): void {
    apply(id, change);
  }

  function undo(): boolean {
    const fields = steps.take();
    undoCount.value = steps.count;
    for (const { id, change } of fields) apply(id, change);
    return fields.length > 0;
  }

  /** Sets several fields, of one pour or more, that are taken back in one step. */
  function setAll(changes: readonly PourChange[]): void {
    const before: FieldBefore[] = [];
    for (const { id, path, value } of changes) {
      const pour = pours.get(id);
      if (!pour) continue;
      const was = valueAt(pour.doc, path);
      const change = changeOf(path, value);
      if (JSON.stringify(was) === JSON.stringify(change.value)) continue;
      before.push({ id, change: changeOf(path, was) });
      apply(id, change);
    }
    undoCount.value = steps.addAll(before);
  }

  // Whichever way a pattern came into a pour: what is planned needs it whole.
  useNamedPatterns(() =>
    [...pours.values()].flatMap(({ doc }) => doc.brief.lines.map(({ patternId }) => patternId)),
  );

  return {
    pours,
    open,
    saving,
    undoCount,
    takeOpen,
    take,
    load,
    loadNumbered,
    create,
    discard,
    set,
    setAll,
    undo,
    resend,
  };
});
