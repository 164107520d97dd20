import { deviceListSchema, type DeviceState, type SendRun, type Troubles } from '@zero-pour/contracts';
import { useEventSource } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, shallowRef, watch } from 'vue';
import { request, requestRemoval } from '../api/request';
import { useKilnRuns } from './kilnRunStore';
import { useShop } from './shopStore';

const AGAIN_MS = 2000;
/** A run that goes on is read anew once it is so much further by its own clock, and not oftener than this. */
const FURTHER_S = 600;
const READ_EVERY_MS = 10_000;

/** What the shop's kilns read now, by their devices. While nobody tells it, nothing is known of any: no reading is carried on. */
export const useDevices = defineStore('devices', () => {
  const shop = useShop();
  const kilnRuns = useKilnRuns();
  const { data, status, open, close } = useEventSource('/api/devices/stream', [], {
    immediate: false,
    autoConnect: false,
    autoReconnect: { delay: AGAIN_MS },
  });
  const standIns = shallowRef<string | null>(null);
  const list = computed<readonly DeviceState[]>(() => {
    if (status.value !== 'OPEN' || data.value === null) return [];
    return deviceListSchema.safeParse(JSON.parse(data.value)).data?.devices ?? [];
  });
  watch(status, (now) => now !== 'OPEN' && (data.value = null));
  const has = computed(() => shop.lists.kiln.some(({ deviceUrl }) => deviceUrl?.trim()));
  watch(has, (some) => (some ? open() : close()), { immediate: true });
  const of = (kilnId: string | undefined): DeviceState | undefined =>
    list.value.find((device) => device.kilnId === kilnId);

  /** Where the stand-ins are, when they run beside the server. */
  async function look(): Promise<void> {
    standIns.value = (await request(deviceListSchema, 'GET', '/devices')).standIns;
  }
  async function send(kilnId: string, run: SendRun): Promise<void> {
    await request(deviceListSchema, 'PUT', `/kilns/${kilnId}/run`, run);
    await kilnRuns.readAgain(run.id);
  }
  const stop = (kilnId: string): Promise<void> => requestRemoval(`/kilns/${kilnId}/run`);
  const trouble = async (kilnId: string, troubles: Troubles): Promise<void> =>
    void (await request(deviceListSchema, 'PUT', `/kilns/${kilnId}/troubles`, troubles));

  /** When each run that goes on was last read here: by its clock, and by the wall's. */
  const readAt = new Map<string, { atMs: number; wallMs: number }>();
  watch(list, (now, before) => {
    const over = before.filter(({ runId }) => runId && !now.some((device) => device.runId === runId));
    for (const { runId } of over) void kilnRuns.readAgain(runId!).catch(() => undefined);
    for (const { runId, reading } of now) {
      if (!runId || !reading) continue;
      const [atMs, last] = [Date.parse(reading.at), readAt.get(runId)];
      const wallMs = Date.now();
      if (last && (atMs - last.atMs < FURTHER_S * 1000 || wallMs - last.wallMs < READ_EVERY_MS)) continue;
      readAt.set(runId, { atMs, wallMs });
      void kilnRuns.readAgain(runId).catch(() => undefined);
    }
  });
  return { list, standIns, of, look, send, stop, trouble };
});
