import {
  BENCH_RECORD_SCHEMAS,
  emptyRecords,
  pourYieldsSchema,
  recordListsSchema,
  type BenchRecord,
  type PourYield,
  type RecordKind,
  type RecordLists,
} from '@zero-pour/contracts';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { request, requestRemoval } from '../api/request';

/** What was tried with the shop's resins, fetched when a page first asks for it. */
export const useRecords = defineStore('records', () => {
  const lists = shallowRef<RecordLists>(emptyRecords());
  const yields = shallowRef<PourYield[]>([]);
  const ready = shallowRef(false);
  let loading: Promise<void> | undefined;

  async function fetchAll(): Promise<void> {
    [lists.value, yields.value] = await Promise.all([
      request(recordListsSchema, 'GET', '/records'),
      request(pourYieldsSchema, 'GET', '/yields'),
    ]);
    ready.value = true;
  }
  /** Fetches once; a failed fetch may be tried again. */
  const load = (): Promise<void> =>
    (loading ??= fetchAll().catch((error: unknown) => {
      loading = undefined;
      throw error;
    }));

  function setList<K extends RecordKind>(kind: K, list: BenchRecord<K>[]): void {
    lists.value = { ...lists.value, [kind]: list };
  }
  const listOf = <K extends RecordKind>(kind: K): BenchRecord<K>[] => lists.value[kind];

  async function keep<K extends RecordKind>(kind: K, record: BenchRecord<K>): Promise<BenchRecord<K>> {
    const { id, ...doc } = record;
    const kept = await request(BENCH_RECORD_SCHEMAS[kind], 'PUT', `/records/${kind}/${id}`, doc);
    const list = listOf(kind);
    setList(
      kind,
      list.some((r) => r.id === id) ? list.map((r) => (r.id === id ? kept : r)) : [...list, kept],
    );
    return kept;
  }

  /** A new record is there at once, so that it can be typed into; it goes again when it cannot be kept. */
  async function add<K extends RecordKind>(kind: K, record: BenchRecord<K>): Promise<void> {
    setList(kind, [...listOf(kind), record]);
    try {
      await keep(kind, record);
    } catch (error) {
      setList(
        kind,
        listOf(kind).filter((other) => other.id !== record.id),
      );
      throw error;
    }
  }

  async function remove(kind: RecordKind, id: string): Promise<void> {
    await requestRemoval(`/records/${kind}/${id}`);
    setList(
      kind,
      listOf(kind).filter((record) => record.id !== id),
    );
  }

  return { lists, yields, ready, load, add, keep, remove };
});
