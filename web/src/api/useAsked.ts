import type { z } from 'zod';
import { shallowRef, watch, type ShallowRef } from 'vue';
import { request, sentenceOf } from './request';

/** What the server said to a question of this page: not asked yet, being asked, said, or not to be had, and why. */
export interface Asked<T> {
  told: ShallowRef<T | undefined>;
  notRead: ShallowRef<string>;
}

/** Asks whenever the address is another one; with none, nothing is asked and nothing is told. An older answer never takes the place of a newer one. */
export function useAsked<S extends z.ZodType>(
  schema: S,
  address: () => string | undefined,
): Asked<z.infer<S>> {
  const told = shallowRef<z.infer<S>>();
  const notRead = shallowRef('');
  watch(
    address,
    async (at) => {
      told.value = undefined;
      notRead.value = '';
      if (at === undefined) return;
      try {
        const read = (await request(schema, 'GET', at)) as z.infer<S>;
        if (address() === at) told.value = read;
      } catch (error) {
        if (address() === at) notRead.value = sentenceOf(error);
      }
    },
    { immediate: true },
  );
  return { told, notRead };
}
