import {
  kilnCurveSchema,
  kilnRunListSchema,
  kilnRunSchema,
  type KilnCurve,
  type KilnRun,
  type NewKilnRun,
} from '@zero-pour/contracts';
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { request, requestRemoval } from '../api/request';

/** What was written down of the shop's kilns: the runs, fetched when a page first asks, and the readings of those that were looked at. */
export const useKilnRuns = defineStore('kilnRuns', () => {
  const runs = shallowRef<KilnRun[]>([]);
  const ready = shallowRef(false);
  const read = shallowRef<ReadonlyMap<string, KilnCurve>>(new Map());
  let loading: Promise<void> | undefined;

  /** Fetches the list once; a failed fetch may be tried again. */
  const load = (): Promise<void> =>
    (loading ??= request(kilnRunListSchema, 'GET', '/kiln-runs').then(
      (list) => {
        runs.value = list.runs;
        ready.value = true;
      },
      (error: unknown) => {
        loading = undefined;
        throw error;
      },
    ));

  /** As they are by now, where a page has asked for them. */
  const loadAgain = async (): Promise<void> => {
    if (ready.value) runs.value = (await request(kilnRunListSchema, 'GET', '/kiln-runs')).runs;
  };

  async function readCurve(id: string): Promise<void> {
    if (read.value.has(id)) return;
    const curve = await request(kilnCurveSchema, 'GET', `/kiln-runs/${id}`);
    read.value = new Map([...read.value, [id, curve]]);
  }
  /** A run that goes on: the list and its readings, as they are by now. */
  async function readAgain(id: string): Promise<void> {
    const list = await request(kilnRunListSchema, 'GET', '/kiln-runs');
    [runs.value, ready.value] = [list.runs, true];
    read.value = new Map([...read.value].filter(([known]) => known !== id));
    if (list.runs.some((run) => run.id === id)) await readCurve(id);
  }
  /** The log of a pour, where there is one. */
  async function readOfPour(pourId: string): Promise<void> {
    await load();
    const run = runs.value.find((one) => one.pourId === pourId);
    if (run) await readCurve(run.id);
  }

  function show(run: KilnRun): void {
    const others = runs.value.filter(({ id }) => id !== run.id);
    runs.value = [...others, run].sort((a, b) => b.startedAt.localeCompare(a.startedAt));
  }
  async function keep(log: NewKilnRun): Promise<KilnRun> {
    const run = await request(kilnRunSchema, 'PUT', `/kiln-runs/${crypto.randomUUID()}`, log);
    show(run);
    await readCurve(run.id);
    return run;
  }
  /** Says whose burnout a run was; null: nobody's. */
  async function link(run: KilnRun, pourId: string | null): Promise<void> {
    show(await request(kilnRunSchema, 'PUT', `/kiln-runs/${run.id}/pour`, { pourId }));
    await readCurve(run.id);
  }
  async function remove(run: KilnRun): Promise<void> {
    await requestRemoval(`/kiln-runs/${run.id}`);
    runs.value = runs.value.filter(({ id }) => id !== run.id);
  }

  /** Those whose readings are here, the newest first, each with its run as it stands. */
  const curves = computed<KilnCurve[]>(() =>
    runs.value.flatMap((run) => {
      const curve = read.value.get(run.id);
      return curve ? [{ ...curve, run }] : [];
    }),
  );
  return { runs, ready, curves, load, loadAgain, readCurve, readAgain, readOfPour, keep, link, remove };
});
