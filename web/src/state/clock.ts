import { useIntervalFn, useNow } from '@vueuse/core';
import { readonly, shallowRef, type Ref } from 'vue';

const SLOW_MS = 15_000;

/** One slow clock for the whole application: counts down in minutes. */
const now = shallowRef(Date.now());
let started = false;

/** The present, epoch ms, refreshed every quarter minute. */
export function useSlowNow(): Readonly<Ref<number>> {
  if (!started) {
    started = true;
    useIntervalFn(() => (now.value = Date.now()), SLOW_MS);
  }
  return readonly(now);
}

/** The present in steps of a quarter second, for running timers; stops with its scope. */
export function useQuickNow(): Readonly<Ref<Date>> {
  return useNow({ interval: 250 });
}
