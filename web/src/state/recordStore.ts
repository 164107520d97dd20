import {
  BENCH_RECORD_SCHEMAS,
  emptyRecords,
  pourYieldsSchema,
  RECORD_KINDS,
  recordsSchema,
  type BenchRecord,
  type PourYield,
  type RecordKind,
  type RecordLists,
  type Unread,
} from '@zero-pour/contracts';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { request, requestRemoval } from '../api/request';
import { useNotices } from './notices';
import { learnRevisions } from '../api/revisions';
import { whenShopKnown } from './shopKeys';
import { forgetUnsent, keepSurely, readUnsent, TYPING_PAUSE_MS } from './unsent';

/** What was tried with the shop's resins, fetched when a page first asks for it. */
export const useRecords = defineStore('records', () => {
  const lists = shallowRef<RecordLists>(emptyRecords());
  const yields = shallowRef<PourYield[]>([]);
  const unread = shallowRef<Unread[]>([]);
  const ready = shallowRef(false);
  let loading: Promise<void> | undefined;

  async function fetchAll(): Promise<void> {
    const [records, told] = await Promise.all([
      request(recordsSchema, 'GET', '/records'),
      request(pourYieldsSchema, 'GET', '/yields'),
    ]);
    lists.value = records.lists;
    unread.value = records.unread;
    learnRevisions(records.revisions);
    yields.value = told;
    await whenShopKnown();
    resend();
    ready.value = true;
  }
  /** Fetches once; a failed fetch may be tried again. */
  const load = (): Promise<void> =>
    (loading ??= fetchAll().catch((error: unknown) => {
      loading = undefined;
      throw error;
    }));

  /** As they are by now, where a page has asked for them. */
  const loadAgain = async (): Promise<void> => {
    if (ready.value) await fetchAll();
  };

  function setList<K extends RecordKind>(kind: K, list: BenchRecord<K>[]): void {
    lists.value = { ...lists.value, [kind]: list };
  }
  const listOf = <K extends RecordKind>(kind: K): BenchRecord<K>[] => lists.value[kind];

  /** Puts a record into its list, in place of its former state. */
  function show<K extends RecordKind>(kind: K, record: BenchRecord<K>): void {
    const list = listOf(kind);
    const known = list.some((other) => other.id === record.id);
    setList(kind, known ? list.map((other) => (other.id === record.id ? record : other)) : [...list, record]);
  }
  const hide = (kind: RecordKind, id: string): void =>
    setList(
      kind,
      listOf(kind).filter((record) => record.id !== id),
    );
  const addressOf = (kind: RecordKind, id: string): string => `/records/${kind}/${id}`;

  /** Keeps a record, however long the server is away; shown as the server has it once it is kept. */
  function keep<K extends RecordKind>(kind: K, record: BenchRecord<K>, afterMs = 0): Promise<boolean> {
    const at = addressOf(kind, record.id);
    const send = async ({ id: _, ...doc }: BenchRecord<K>): Promise<void> =>
      show(kind, await request(BENCH_RECORD_SCHEMAS[kind], 'PUT', at, doc));
    return keepSurely({ at, value: record, send, afterMs });
  }
  const keepTyped = <K extends RecordKind>(kind: K, record: BenchRecord<K>): Promise<boolean> =>
    keep(kind, record, TYPING_PAUSE_MS);

  /** A new record is there at once, so that it can be typed into; it goes again when it is refused. */
  async function add<K extends RecordKind>(kind: K, record: BenchRecord<K>): Promise<void> {
    show(kind, record);
    try {
      await keep(kind, record);
    } catch (error) {
      hide(kind, record.id);
      throw error;
    }
  }

  async function remove(kind: RecordKind, id: string): Promise<void> {
    forgetUnsent(addressOf(kind, id));
    await requestRemoval(addressOf(kind, id));
    hide(kind, id);
  }

  /** What an earlier window could not send is shown and sent now. */
  function resend(): void {
    for (const kind of RECORD_KINDS) {
      for (const { value } of readUnsent(`/records/${kind}/`)) {
        const parsed = BENCH_RECORD_SCHEMAS[kind].safeParse(value);
        if (parsed.success) void add(kind, parsed.data).catch(useNotices().wrong);
      }
    }
  }

  return { lists, yields, unread, ready, load, loadAgain, take: show, add, keep, keepTyped, remove };
});
