import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { sayNoRoom } from '../api/browserRoom';

export interface Notice {
  text: string;
  /** An offer beside it, such as Undo. */
  action?: { label: string; run: () => void };
  weight: 'told' | 'wrong';
}

/** The one line at the foot of the page: what was done, with Undo; or what went wrong. */
export const useNotices = defineStore('notices', () => {
  const current = shallowRef<Notice | null>(null);
  return {
    current,
    tell: (text: string, action?: Notice['action']) => {
      current.value = { text, weight: 'told', ...(action ? { action } : {}) };
    },
    wrong: (error: unknown) => {
      const text = error instanceof Error ? error.message : String(error);
      current.value = { text, weight: 'wrong' };
    },
    clear: () => (current.value = null),
  };
});

sayNoRoom((sentence) => useNotices().wrong(sentence));
