import type { z } from 'zod';
import { shallowRef, watch, type ShallowRef } from 'vue';
import { request, sentenceOf } from './request';

/** What the server said to a question of this page: not asked yet, being asked, said, or not to be had, and why. */
export interface Asked<T> {
  told: ShallowRef<T | undefined>;
  notRead: ShallowRef<string>;
}

/** Loads whenever the key is another one; with none, nothing is asked and nothing is told. An older answer never takes the place of a newer one. */
export function useLoaded<K extends string | number, T>(
  key: () => K | undefined,
  load: (key: K) => Promise<T>,
): Asked<T> {
  const told = shallowRef<T>();
  const notRead = shallowRef('');
  watch(
    key,
    async (at) => {
      told.value = undefined;
      notRead.value = '';
      if (at === undefined) return;
      try {
        const read = await load(at);
        if (key() === at) told.value = read;
      } catch (error) {
        if (key() === at) notRead.value = sentenceOf(error);
      }
    },
    { immediate: true },
  );
  return { told, notRead };
}

/** The same of an address of the server. */
export const useAsked = <S extends z.ZodType>(
  schema: S,
  address: () => string | undefined,
): Asked<z.infer<S>> => useLoaded(address, async (at) => (await request(schema, 'GET', at)) as z.infer<S>);
